import { deepEqual } from "@scutch/core/plan";
import { useLiveQuery } from "dexie-react-hooks";
import { useEffect, useRef, useState } from "react";
import { noteConnection, selectReach } from "../state/connectionSlice.ts";
import type { PendingChange } from "../state/pendingSlice.ts";
import { useAppSelector } from "../state/store.ts";
import type { PullResult } from "./ask.ts";
import { type DeviceDb, device } from "./db.ts";
import { firstAsk } from "./firstSight.ts";
import { type Session, session } from "./session.ts";

/** A pause before a reading of the database that failed is tried again, ms. */
const READ_AGAIN = 2000;

/** What named views showed last: a screen come back to stands at once, and follows a moment later. */
const remembered = new Map<string, unknown>();

/**
 * A view of the device's database that follows every change of it, by this tab or another; undefined until it is read
 * first. With the database gone (another tab brought a newer one) what was read last stays.
 */
export function useDeviceQuery<T>(
  query: (db: DeviceDb) => Promise<T>,
  deps: readonly unknown[],
  name?: string,
): T | undefined {
  const last = useRef(name === undefined ? undefined : (remembered.get(name) as T | undefined));
  // A reading that failed follows no change of the database: it is tried again.
  const [round, setRound] = useState(0);
  const value = useLiveQuery(async () => {
    try {
      last.current = await query(device());
      if (name !== undefined) remembered.set(name, last.current);
    } catch {
      // What was read last is the best there is.
      setTimeout(() => setRound((before) => before + 1), READ_AGAIN);
    }
    return last.current;
  }, [...deps, round]);
  return value ?? last.current;
}

/** Asked again no sooner than this, and when it failed no later, ms. */
const FRESH = 30_000;
const ASK_AGAIN = 15_000;
const asked = new Map<string, { readonly at: number; readonly answer: Promise<PullResult> }>();

/** Asks the server for something when it is first wanted and when the line is back; what it says comes by the database. */
export function usePull(
  key: string | undefined,
  ask: (session: Session) => Promise<PullResult>,
): { readonly state: PullResult | "asking"; readonly again: () => void } {
  const [state, setState] = useState<PullResult | "asking">("asking");
  const [round, setRound] = useState(0);
  const reach = useAppSelector(selectReach);
  const latest = useRef(ask);
  useEffect(() => {
    latest.current = ask;
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again in a new round, and when the line is back
  useEffect(() => {
    if (key === undefined) return;
    let current = true;
    let retry: ReturnType<typeof setTimeout> | undefined;
    const known = asked.get(key);
    const fresh = known && round === 0 && Date.now() - known.at < FRESH ? known : undefined;
    const answer =
      fresh?.answer ??
      firstAsk()
        .then(() => latest.current(session()))
        .catch((): PullResult => "offline");
    if (!fresh) asked.set(key, { at: Date.now(), answer });
    void answer.then((pulled) => {
      if (pulled !== "kept") asked.delete(key);
      if (!fresh) noteConnection(session().store, pulled);
      if (!current) return;
      setState(pulled);
      // The line may come back between two drawings, unseen by this effect.
      if (pulled === "offline" || pulled === "server-fault")
        retry = setTimeout(() => setRound((before) => before + 1), ASK_AGAIN);
    });
    return () => {
      current = false;
      clearTimeout(retry);
    };
  }, [key, round, reach]);
  return {
    state,
    again: () => {
      setState("asking");
      setRound((before) => before + 1);
    },
  };
}

/** Whether something held is still to be laid over what the database says. */
export const isShown = (item: PendingChange) => item.state !== "stored";

/** Read once more only when it says something else: what hangs on it isn't computed again for nothing. */
export function useStableValue<T>(value: T, equal: (a: T, b: T) => boolean = deepEqual): T {
  const [stable, setStable] = useState(() => value);
  if (stable === value || equal(stable, value)) return stable;
  // Drawn again at once with it, before anything below is.
  setStable(() => value);
  return value;
}

/** Whether two lists hold the very same items. */
export const sameItems = <T>(a: readonly T[], b: readonly T[]) =>
  a.length === b.length && a.every((each, i) => each === b[i]);
