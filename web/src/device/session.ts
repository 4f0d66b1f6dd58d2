import type { CrewSettings } from "@scutch/contract";
import { liveQuery } from "dexie";
import { deviceLost } from "../state/connectionSlice.ts";
import { crewRead } from "../state/crewSlice.ts";
import type { Store } from "../state/store.ts";
import { type Send, sendAs } from "./api.ts";
import { type DeviceDb, openDevice } from "./db.ts";
import { type Outbox, startOutbox } from "./outbox.ts";
import type { RememberedCrew } from "./rememberedCrew.ts";

/** One crew's app on this device while it is open. */
export interface Session {
  readonly db: DeviceDb;
  readonly send: Send;
  readonly store: Store;
  readonly lanes: Outbox;
}

let current: Session | undefined;

/** Keeps the crew's name and settings at hand for every screen. */
function followCrew(db: DeviceDb, store: Store): void {
  liveQuery(async () => ({
    name: (await db.fact("crew"))?.crew,
    closesAt: (await db.fact("crew"))?.closesAt,
    nearlyFull: (await db.fact("crew"))?.nearlyFull,
    settings: (await db.things.get("settings:crew"))?.value as CrewSettings | undefined,
    me: await db.fact("me"),
  })).subscribe({ next: (crew) => void store.dispatch(crewRead(crew)), error: () => undefined });
}

/** Opens the crew's work on this device and starts sending what waits. The app does so once, before anything is shown. */
export function startSession(crew: RememberedCrew, store: Store): Session {
  const db = openDevice(crew);
  // Deleted from under the page: by a person in the browser's settings, or by another tab.
  const lost = () => void store.dispatch(deviceLost());
  db.on("versionchange", ({ newVersion }) => newVersion === null && lost());
  db.on("close", lost);
  const send = sendAs(db);
  const lanes = startOutbox(db, send, store);
  current = { db, send, store, lanes };
  followCrew(db, store);
  return current;
}

export function session(): Session {
  if (!current) throw new Error("startSession comes first");
  return current;
}
