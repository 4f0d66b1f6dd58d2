import type { Job } from "@scutch/contract";
import type { MergeConflict } from "@scutch/core/plan";
import { priceLineName } from "../format/priceLineName.ts";
import type { UnitFormatter } from "../format/units.ts";
import { nameById } from "../planning/nameById.ts";
import { type AnyFields, fieldsOf } from "./planFields.ts";

export const KINDS: Readonly<Record<string, string>> = {
  rooms: "Room",
  former: "Removed room",
  batches: "Mix",
  doors: "Door",
  spots: "Spot",
  breaks: "Break",
  pins: "Locked step",
  plannedAir: "Planned change of air",
  priceLines: "Price",
};
export const ORDERS: Readonly<Record<string, string>> = {
  rooms: "Room order",
  former: "Removed rooms order",
  batches: "Mix order",
  doors: "Door order",
  spots: "Spot order",
  breaks: "Break order",
  pins: "Locked step order",
  plannedAir: "Order of the planned changes",
  priceLines: "Order of the price lines",
};

const hasName = (value: unknown): value is { readonly name: unknown } =>
  typeof value === "object" && value !== null && "name" in value;

const hasWhat = (value: unknown): value is { readonly what: string } =>
  typeof value === "object" && value !== null && "what" in value && typeof value.what === "string";

function lineNameAt({ path: [, id = ""], mine, theirs }: MergeConflict, job: Job): string {
  const what = [job.priceLines?.find((line) => line.id === id), mine, theirs].find(hasWhat)?.what;
  return priceLineName({ id, what }, (roomId) => nameById(job.rooms, roomId, "a removed room"));
}

function thingName(clash: MergeConflict, job: Job): string {
  const [list = "", id] = clash.path;
  if (list === "priceLines") return `Price of ${lineNameAt(clash, job)}`;
  if (list !== "rooms") return KINDS[list] ?? "";
  const values = [job.rooms.find((room) => room.id === id), clash.mine, clash.theirs];
  const name = values.map((value) => (hasName(value) ? value.name : undefined)).find(Boolean);
  return typeof name === "string" ? name : "A room";
}

/** Names of the fields along a path, and how to show the value at its end. */
function alongPath(fields: AnyFields, path: readonly string[]) {
  const names: string[] = [];
  let inside: AnyFields | undefined = fields;
  let show: AnyFields[string]["show"];
  for (const key of path) {
    const field: AnyFields[string] | undefined = inside?.[key];
    names.push(field?.name ?? key);
    show = field?.show;
    inside = field?.fields;
  }
  return { names, show };
}

/** A clash in plain words: what it is about, and what each side says. */
export function conflictText(clash: MergeConflict, job: Job, units: UnitFormatter) {
  const { kind, path, mine, theirs } = clash;
  const [list = ""] = path;
  if (kind === "order")
    return { what: ORDERS[list] ?? "Order", mine: "this device’s", theirs: "the other device’s" };
  if (kind === "plan")
    return { what: "The whole job", mine: "keep this device’s", theirs: "use the other device’s" };
  if (kind === "full")
    return {
      what: `No room left in the list for ${thingName(clash, job)}`,
      mine: "add it",
      theirs: "leave it out",
    };
  if (kind === "removed-here")
    return {
      what: `${thingName(clash, job)}: removed here, changed there`,
      mine: "remove it",
      theirs: "keep it",
    };
  if (kind === "removed-there")
    return {
      what: `${thingName(clash, job)}: changed here, removed there`,
      mine: "keep it",
      theirs: "remove it",
    };
  const inThing = list in KINDS;
  const fields = inThing ? path.slice(2) : path;
  const { names, show } = alongPath(fieldsOf(list), fields);
  const name = names.join(", ");
  const text = (value: unknown, other: string) => {
    if (value === undefined) return "not set";
    return show ? show(value as never, units) : other;
  };
  return {
    what: inThing ? `${thingName(clash, job)}: ${name}` : name,
    mine: text(mine, "this device’s"),
    theirs: text(theirs, "the other device’s"),
  };
}
