import type { CrewId } from "@scutch/contract";
import { type Session, startSession } from "../device/session.ts";
import { unitsChosen } from "../state/settingsSlice.ts";
import { makeStore } from "../state/store.ts";

let crews = 0;

/** A crew's app on a device that is offline, with a database of the test's own. */
export function openSession(): Session {
  globalThis.fetch = () => Promise.reject(new TypeError("offline"));
  const store = makeStore();
  store.dispatch(unitsChosen("metric"));
  const id = `crew-${++crews}` as CrewId;
  return startSession({ id, database: `scutch-${id}` }, store);
}
