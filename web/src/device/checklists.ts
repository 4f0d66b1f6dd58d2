import { useState } from "react";
import type { DeviceDb } from "./db.ts";
import { useDeviceQuery } from "./deviceQuery.ts";
import { session } from "./session.ts";

/** What is ticked off on this device of some list, by the keys of its lines: one day's, or one job's. */
interface Ticks {
  readonly of: string;
  readonly keys: readonly string[];
}

/** Where ticks are kept. */
export interface ChecklistKey {
  readonly read: (db: DeviceDb) => Promise<Ticks | undefined>;
  readonly write: (db: DeviceDb, ticks: Ticks) => Promise<unknown>;
}

export const LOADED: ChecklistKey = {
  read: async (db) => {
    const kept = await db.fact("loaded");
    return kept && { of: kept.day, keys: kept.keys };
  },
  write: (db, { of, keys }) => db.setFact("loaded", { day: of, keys }),
};

export const MACHINES_CHECKED: ChecklistKey = {
  read: async (db) => {
    const kept = await db.fact("machines");
    return kept && { of: kept.jobId, keys: kept.keys };
  },
  write: (db, { of, keys }) => db.setFact("machines", { jobId: of, keys }),
};

/** Ticks of the list `of`, kept on this device until another list of its kind is ticked; with no place to keep them, while they are in sight. */
export function useChecklist(place: ChecklistKey | undefined, of: string) {
  const kept = useDeviceQuery(async (db) => (await place?.read(db)) ?? null, [place]);
  // Shown at once; two ticks in a row each build on what the database has by then.
  const [pressed, setPressed] = useState<Readonly<Record<string, boolean>>>({});
  return {
    isOn: (key: string): boolean => pressed[key] ?? (kept?.of === of && kept.keys.includes(key)),
    tick: (key: string, on: boolean): void => {
      setPressed((before) => ({ ...before, [key]: on }));
      if (!place) return;
      const { db } = session();
      void db.transaction("rw", db.facts, async () => {
        const now = await place.read(db);
        const others = now?.of === of ? now.keys.filter((each) => each !== key) : [];
        await place.write(db, { of, keys: on ? [...others, key] : others });
      });
    },
  };
}
