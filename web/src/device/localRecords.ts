import type { Shelf, Stock } from "@scutch/contract";
import { stockUse, sumUses } from "@scutch/core/log";
import { useMemo } from "react";
import { sortedByName } from "../format/byName.ts";
import { type PendingChange, selectHeld } from "../state/pendingSlice.ts";
import { useAppSelector } from "../state/store.ts";
import { type DeviceRecords, type EntryRow, pendingRows, type RecordKind, type RecordRow } from "./db.ts";
import { isShown, sameItems, useDeviceQuery, useStableValue } from "./deviceQuery.ts";
import { readLog } from "./localJob.ts";

function thingsOf<K extends RecordKind>(
  rows: readonly RecordRow[],
  held: readonly PendingChange[],
  kind: K,
): readonly DeviceRecords[K][] {
  const values = new Map<string, { rev: number; value: unknown }>();
  for (const row of rows) if (row.kind === kind) values.set(row.key, row);
  for (const item of held) {
    if (item.kind !== "thing" || !item.thing.startsWith(`${kind}:`)) continue;
    if (isShown(item) || (item.rev ?? 0) > (values.get(item.thing)?.rev ?? 0))
      values.set(item.thing, { rev: item.rev ?? Number.POSITIVE_INFINITY, value: item.value });
  }
  return [...values.values()].map(({ value }) => value as DeviceRecords[K]);
}

const isThing = (item: PendingChange) => item.kind === "thing";

function useThings(kinds: readonly RecordKind[]) {
  const found = useDeviceQuery(
    // In one piece: between two reads the first pull may come in, and a shelf would be known of which nothing is there.
    (db) =>
      db.transaction("r", db.things, db.facts, async () => ({
        rows: await db.things
          .where("kind")
          .anyOf([...kinds])
          .toArray(),
        shelf: (await db.fact("shelf")) !== undefined,
        use: await db.fact("use"),
      })),
    [kinds.join()],
    kinds.join(),
  );
  const held = useStableValue(useAppSelector(selectHeld).filter(isThing), sameItems);
  return useMemo(() => found && { ...found, held }, [found, held]);
}

const SHELF: readonly RecordKind[] = ["product", "vessel", "gear", "site", "customer"];

/** Shelf, van and sites as they stand here, live; null: this device has never seen them. */
export function useLocalShelf(): Shelf | null | undefined {
  const found = useThings(SHELF);
  const shelf = useMemo(() => {
    if (!found) return undefined;
    if (!found.shelf) return null;
    const list = <K extends RecordKind>(kind: K) => thingsOf(found.rows, found.held, kind);
    return {
      products: sortedByName(list("product")),
      vessels: sortedByName(list("vessel")),
      gear: sortedByName(list("gear")),
      sites: sortedByName(list("site")),
      customers: sortedByName(list("customer")),
    } as Shelf;
  }, [found]);
  return useStableValue(shelf);
}

const LOTS: readonly RecordKind[] = ["lot"];

/** What came in and was used, live: the server's count with what it can't have counted yet. */
export function useLocalStock(): Stock | null | undefined {
  const found = useThings(LOTS);
  const uncounted = useDeviceQuery(
    async (db) => {
      const { askedAt = 0 } = (await db.fact("use")) ?? {};
      const waiting = await pendingRows(db.entries);
      const jobIds = new Set(waiting.map(({ jobId }) => jobId));
      const late = await db.entries.where("settledAt").above(askedAt).toArray();
      for (const { jobId } of late) jobIds.add(jobId);
      const rows = await db.entries
        .where("jobId")
        .anyOf([...jobIds])
        .toArray();
      return notCounted(rows, askedAt);
    },
    [],
    "uncounted",
  );
  return useMemo(() => {
    if (!found || uncounted === undefined) return undefined;
    if (!found.use) return null;
    const lots = thingsOf(found.rows, found.held, "lot").toSorted((a, b) =>
      a.receivedOn.localeCompare(b.receivedOn),
    );
    return { lots: [...lots], used: sumUses([...found.use.used, ...uncounted]) } as Stock;
  }, [found, uncounted]);
}

/** What entries the server hadn't taken when it counted change in what was used, job by job: a correction takes off. */
export function notCounted(rows: readonly EntryRow[], askedAt: number) {
  const jobs = new Map<string, EntryRow[]>();
  for (const row of rows) jobs.set(row.jobId, [...(jobs.get(row.jobId) ?? []), row]);
  return sumUses(
    [...jobs.values()].flatMap((own) => {
      const counted = own.filter((row) => !row.waiting && (row.settledAt ?? 0) <= askedAt);
      const use = (list: readonly EntryRow[]) => stockUse(readLog(list.map(({ entry }) => entry)).entries);
      return [...use(own), ...use(counted).map((each) => ({ ...each, amount: -each.amount }))];
    }),
  ).filter(({ amount }) => amount !== 0);
}
