import { valueAt } from "../../itemAt.ts";
import { type MergeConflict, mergeFields } from "./fields.ts";
import { mergeOrder } from "./order.ts";
import { type Doc, deepEqual } from "./same.ts";

/** Lists of a plan whose things have ids, in the order they are joined: what hangs on a room after the rooms. */
export const PLAN_LISTS = [
  "rooms",
  "former",
  "batches",
  "doors",
  "spots",
  "breaks",
  "pins",
  "plannedAir",
  "priceLines",
] as const;
export type PlanList = (typeof PLAN_LISTS)[number];
/** Those whose things belong to a room. */
export const LISTS_OF_ROOMS = ["doors", "spots", "plannedAir"] as const;
const isOfRooms = (list: string) => LISTS_OF_ROOMS.some((each) => each === list);

export interface Item extends Doc {
  readonly id: string;
}

/** A plan as far as joining goes: fields of its own, and lists of things with ids. */
export type PlanDoc = { readonly [K in PlanList]?: readonly Item[] | undefined };

export interface Merged<T> {
  /** The joined plan; of what clashes, for the time being, their value, and the thing kept that one side took out. */
  readonly plan: T;
  readonly conflicts: readonly MergeConflict[];
}

const itemsOf = (plan: PlanDoc, list: PlanList): readonly Item[] => plan[list] ?? [];
const byId = (items: readonly Item[]) => new Map(items.map((item) => [item.id, item]));

/** Ids of the rooms a thing hangs on. */
const roomsOf = (item: Item): unknown[] => [item.from, item.to, item.roomId].filter((id) => id !== undefined);
const hangsOn = (item: Item, roomId: string) => roomsOf(item).includes(roomId);

/** Whether one side changed what hangs on a thing: a door, spot or planned change of a room, a room sprayed from a batch. */
function leansOn(list: PlanList, id: string, side: PlanDoc, base: PlanDoc): boolean {
  if (list === "batches") {
    const before = byId(itemsOf(base, "rooms"));
    return itemsOf(side, "rooms").some((room) => room.batchId === id && before.get(room.id)?.batchId !== id);
  }
  if (list !== "rooms") return false;
  return LISTS_OF_ROOMS.some((hanging) => {
    const before = byId(itemsOf(base, hanging));
    return itemsOf(side, hanging).some((item) => hangsOn(item, id) && !deepEqual(item, before.get(item.id)));
  });
}

/**
 * Joins two plans made from one: `base` is what both were made from. Different things, or different fields of one, join;
 * a field given two values, or a thing changed on one side and taken out on the other, is a clash. With the sides'
 * roles changed it takes a change back: base after it, mine before it, theirs now.
 */
export function mergePlans<T extends PlanDoc>(base: T, local: T, remote: T): Merged<T> {
  const conflicts: MergeConflict[] = [];
  const plan: Record<string, unknown> = {
    ...mergeFields(base, local, remote, [], conflicts, PLAN_LISTS),
  };
  let joinedRooms: readonly Item[] = [];
  /** Rooms kept although a side took them out: what hung on them there is kept along. */
  const held = new Set<string>();
  for (const list of PLAN_LISTS) {
    const mapOf = (side: PlanDoc) => byId(itemsOf(side, list));
    const [was, here, there] = [mapOf(base), mapOf(local), mapOf(remote)];
    const items = new Map<string, Item>();
    for (const id of new Set([...there.keys(), ...here.keys()])) {
      const [b, m, t] = [was.get(id), here.get(id), there.get(id)];
      if (m && t) items.set(id, { ...mergeFields(b ?? {}, m, t, [list, id], conflicts), id });
      const left = m && t ? undefined : (m ?? t);
      if (left) {
        const changed =
          b !== undefined && (!deepEqual(left, b) || leansOn(list, id, m ? local : remote, base));
        if (b === undefined || changed || roomsOf(left).some((room) => held.has(String(room))))
          items.set(id, left);
        if (!changed) continue;
        held.add(id);
        conflicts.push({ kind: m ? "removed-there" : "removed-here", path: [list, id], mine: m, theirs: t });
      }
    }
    if (list === "batches") restoreBatches(joinedRooms, items, [remote, local, base]);
    if (isOfRooms(list)) dropHanging(joinedRooms, items);
    const idsOf = (side: PlanDoc) => itemsOf(side, list).map(({ id }) => id);
    const order = mergeOrder(idsOf(base), idsOf(local), idsOf(remote), new Set(items.keys()));
    if (order.clash)
      conflicts.push({ kind: "order", path: [list], mine: idsOf(local), theirs: idsOf(remote) });
    const rest = [...items.keys()].filter((id) => !order.ids.includes(id));
    const joined = [...order.ids, ...rest].map((id) => valueAt(items, id));
    if (list === "rooms") joinedRooms = joined;
    if (joined.length > 0 || local[list] !== undefined || remote[list] !== undefined) plan[list] = joined;
  }
  return { plan: plan as T, conflicts };
}

/** A room kept against its removal may be sprayed from a batch that went with it. */
function restoreBatches(rooms: readonly Item[], batches: Map<string, Item>, sides: readonly PlanDoc[]): void {
  for (const { batchId } of rooms) {
    if (typeof batchId !== "string" || batches.has(batchId)) continue;
    const found = sides.map((side) => byId(itemsOf(side, "batches")).get(batchId)).find(Boolean);
    if (found) batches.set(batchId, found);
  }
}

/** What hangs on a room both sides are rid of goes with it. */
function dropHanging(rooms: readonly Item[], items: Map<string, Item>): void {
  const there = new Set(rooms.map(({ id }) => id));
  for (const [id, item] of items)
    if (roomsOf(item).some((room) => !there.has(String(room)))) items.delete(id);
}
