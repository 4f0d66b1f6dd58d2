import { itemAt } from "../../itemAt.ts";
import type { MergeConflict } from "./fields.ts";
import { type Item, LISTS_OF_ROOMS, type PlanDoc } from "./mergePlans.ts";
import { type Doc, isDoc } from "./same.ts";

/** A document with the value at a path of keys and ids put in, or taken out where undefined; unchanged where nothing is there. */
function withValue(doc: unknown, [key, ...rest]: readonly string[], value: unknown): unknown {
  if (key === undefined) return value;
  if (Array.isArray(doc))
    return doc.map((item) => (isDoc(item) && item.id === key ? withValue(item, rest, value) : item));
  if (!isDoc(doc)) return rest.length > 0 || value === undefined ? doc : { [key]: value };
  if (rest.length > 0 && doc[key] === undefined && value === undefined) return doc;
  const { [key]: before, ...others } = doc;
  const after = withValue(before ?? (rest.length > 0 ? {} : undefined), rest, value);
  return after === undefined ? others : { ...others, [key]: after };
}

/** A plan without a thing, and without what hangs on it. */
export function removeItem<T extends PlanDoc>(plan: T, list: string, id: string): T {
  const free = (item: Item) => item.id !== id && item.from !== id && item.to !== id && item.roomId !== id;
  return Object.fromEntries(
    Object.entries(plan).map(([key, value]) => [
      key,
      Array.isArray(value) && (key === list || LISTS_OF_ROOMS.some((each) => each === key))
        ? value.filter(free)
        : value,
    ]),
  ) as T;
}

/** The same for good: no room is sprayed from a batch that is gone. */
function without(plan: PlanDoc, [list = "", id = ""]: readonly string[]): PlanDoc {
  const unsprayed = ({ batchId: _, id, ...room }: Item): Item => ({ id, ...room });
  const kept = removeItem(plan, list, id);
  return list === "batches" && kept.rooms
    ? { ...kept, rooms: kept.rooms.map((room) => (room.batchId === id ? unsprayed(room) : room)) }
    : kept;
}

function inOrder(plan: PlanDoc, [list]: readonly string[], ids: readonly string[]): PlanDoc {
  const items = (plan as Doc)[list as string] as readonly Item[];
  const place = (item: Item) => (ids.includes(item.id) ? ids.indexOf(item.id) : ids.length);
  return { ...plan, [list as string]: items.toSorted((a, b) => place(a) - place(b)) };
}

/** The plan with a clash decided for one side. A later change to the same place is overwritten: that is what was asked. */
export function resolveConflict<T extends PlanDoc>(
  plan: T,
  clash: MergeConflict,
  side: "mine" | "theirs",
): T {
  const value = clash[side];
  const list = itemAt(clash.path, 0);
  switch (clash.kind) {
    case "plan":
      return value as T;
    case "order":
      return inOrder(plan, clash.path, value as readonly string[]) as T;
    case "field":
      return withValue(plan, clash.path, value) as T;
    case "full":
      return side === "mine" ? { ...plan, [list]: [...((plan as Doc)[list] as Item[]), value] } : plan;
    default:
      // The thing itself stands in the plan already, as the side that kept it has it now.
      return value === undefined ? (without(plan, clash.path) as T) : plan;
  }
}
