import type { Job } from "@scutch/contract";
import { itemAt } from "@scutch/core";
import { deepEqual, PLAN_LISTS } from "@scutch/core/plan";
import { priceLineName } from "../format/priceLineName.ts";
import { ORIGIN_SHORT } from "../format/words.ts";
import { nameById } from "../planning/nameById.ts";
import { KINDS, ORDERS } from "./conflictText.ts";
import { type AnyFields, fieldsOf, JOB_FIELDS } from "./planFields.ts";

type Thing = Readonly<Record<string, unknown>> & { readonly id: string };
type Plan = Readonly<Record<string, unknown>>;

const thingsOf = (plan: Plan, list: string) => (plan[list] ?? []) as readonly Thing[];
const small = (words: string) => words.charAt(0).toLowerCase() + words.slice(1);

const lineName = (line: { readonly id: string; readonly what?: unknown }, job: Job) =>
  priceLineName({ id: line.id, what: typeof line.what === "string" ? line.what : undefined }, (id) =>
    nameById(job.rooms, id, "a removed room"),
  );

/** What a thing of a plan is called: a room by its name, a spot by what it is from. */
function nameOf(list: string, thing: Thing, job: Job): string {
  if (list === "rooms") return String(thing.name);
  if (list === "priceLines") return lineName(thing, job);
  const room = job.rooms.find(({ id }) => id === (thing.roomId ?? thing.from))?.name;
  const kind =
    list === "spots"
      ? small(ORIGIN_SHORT[thing.origin as keyof typeof ORIGIN_SHORT])
      : small(KINDS[list] ?? "");
  return room ? `${kind} in ${room}` : `the ${kind}`;
}

const fieldsChanged = (before: Plan, after: Plan, leaveOut: readonly string[] = []) =>
  [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    (key) => !leaveOut.includes(key) && !deepEqual(before[key], after[key]),
  );
const fieldName = (fields: AnyFields, field: string) => small(fields[field]?.name ?? field);

/** What one list of a plan has lived through, or undefined where it is as it was. */
function listText(list: string, before: Job, after: Job): string | undefined {
  const [was, is] = [thingsOf(before, list), thingsOf(after, list)];
  const added = is.filter(({ id }) => !was.some((each) => each.id === id));
  const gone = was.filter(({ id }) => !is.some((each) => each.id === id));
  const names = (things: readonly Thing[], job: Job) =>
    things.length > 2
      ? `${things.length} ${list}`
      : things.map((thing) => nameOf(list, thing, job)).join(" and ");
  // An entry is a decision about a line. The line is on the bill with or without it.
  if (list === "priceLines") {
    const [line] = [
      ...added,
      ...gone,
      ...is.filter((each) => !was.some((before) => deepEqual(before, each))),
    ];
    return line && `price of ${lineName(line, after)}`;
  }
  if (added.length > 0) return `adding ${names(added, after)}`;
  if (gone.length > 0) return `removing ${names(gone, before)}`;
  const changed = is.flatMap((thing) => {
    const fields = fieldsChanged(was.find(({ id }) => id === thing.id) ?? {}, thing);
    return fields.length > 0 ? [{ thing, fields }] : [];
  });
  const [first] = changed;
  if (first) {
    const field = fieldName(fieldsOf(list), itemAt(first.fields, 0));
    const things = changed.map(({ thing }) => thing);
    return `${field} of ${names(things, after)}`;
  }
  return deepEqual(
    was.map(({ id }) => id),
    is.map(({ id }) => id),
  )
    ? undefined
    : small(ORDERS[list] ?? "order");
}

/** What a change of a plan was, in a few words: "ceiling of Lounge", "adding Hall", "order of the rooms". */
export function changeText(before: Job, after: Job): string {
  for (const list of PLAN_LISTS) {
    const text = list === "former" ? undefined : listText(list, before, after);
    if (text) return text;
  }
  const [field] = fieldsChanged(before, after, PLAN_LISTS);
  if (field === undefined) return "the last change";
  const partOf = (plan: Plan) => (plan[field] ?? {}) as Plan;
  const [inside] = fieldsChanged(partOf(before), partOf(after));
  return field === "interview" && inside
    ? fieldName(JOB_FIELDS.interview.fields ?? {}, inside)
    : fieldName(JOB_FIELDS, field);
}
