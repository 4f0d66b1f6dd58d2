import type { Job, Room } from "@scutch/contract";
import type { SpotAge } from "@scutch/core/care";
import type { MergeConflict } from "@scutch/core/plan";
import { SPOT_AGE_NAMES } from "../format/careWords.ts";
import { sizeText } from "../format/readers.ts";
import { longDay } from "../format/time.ts";
import { formatAmount, labelSpelling, percent, type UnitFormatter } from "../format/units.ts";
import {
  BACKING_NAMES,
  COVERING_NAMES,
  FIBRE_NAMES,
  IDENTIFIED_NAMES,
  LAST_CLEANED_NAMES,
  METHOD_NAMES,
  OCCUPANCY_NAMES,
  ORIGIN_SHORT,
  ROLE_NAMES,
  SOIL_NAMES,
  SOIL_NATURE_NAMES,
  WEAR_NAMES,
  WINDOW_NAMES,
} from "../format/words.ts";

type Show = (value: never, units: UnitFormatter, job: Job) => string;
const named =
  (names: Readonly<Record<string, string>>): Show =>
  (value: string) =>
    names[value] ?? value;
const yesNo: Show = (value: boolean) => (value ? "yes" : "no");
const plain: Show = (value: unknown) => String(value);
const length: Show = (value: number, units) => units.length(value);
const count =
  (one: string, many: string): Show =>
  (value: readonly unknown[]) =>
    `${value.length} ${value.length === 1 ? one : many}`;
const air: Show = (
  { temperature, relativeHumidity }: { temperature: number; relativeHumidity: number },
  units,
) => `${units.temperature(temperature)}, ${percent(relativeHumidity)}`;
const asSetThere: Show = () => "as set there";

/** What each field of a plan is called, and how its value is said. */
export const FIELDS: Readonly<Record<string, readonly [name: string, show: Show]>> = {
  title: ["Job description", plain],
  removed: ["Removed", yesNo],
  day: ["Day", (value: string) => longDay(value)],
  startsAt: ["Start", plain],
  siteId: ["Place", asSetThere],
  indoor: ["Indoor air", air],
  outdoor: ["Outdoor air", air],
  air: ["Air", air],
  temperature: ["temperature", (value: number, units) => units.temperature(value)],
  relativeHumidity: ["humidity", (value: number) => percent(value)],
  interview: ["Customer’s answers", asSetThere],
  lastCleaned: ["Last cleaned", named(LAST_CLEANED_NAMES)],
  detergentLeft: ["Product left in the carpet", yesNo],
  pets: ["Pets", yesNo],
  urine: ["Urine accidents", yesNo],
  occupancy: ["Occupancy", named(OCCUPANCY_NAMES)],
  rig: ["Rinse and recovery", asSetThere],
  wandId: ["Wand", asSetThere],
  blowerId: ["Blower", asSetThere],
  hoseId: ["Hose", asSetThere],
  solutionId: ["Solution tank", asSetThere],
  recoveryId: ["Recovery tank", asSetThere],
  bends: ["Bends in the hose", plain],
  wetStrokes: ["Wet strokes", plain],
  dryStrokes: ["Dry strokes", plain],
  strokeSpeed: ["Stroke speed", (value: number, units) => units.speed(value)],
  name: ["name", plain],
  shape: ["size", (value: Room["shape"], units) => sizeText(value, units)],
  height: ["ceiling", length],
  parts: ["alcoves and units", count("part", "parts")],
  zones: ["traffic lanes and edges", asSetThere],
  lane: ["traffic lanes", asSetThere],
  edge: ["edge", asSetThere],
  level: ["level", plain],
  passage: ["walk-through only", yesNo],
  turned: ["turned", yesNo],
  nudge: ["place on the plan", asSetThere],
  covering: ["floor type", named(COVERING_NAMES)],
  fibre: ["fibre", named(FIBRE_NAMES)],
  identifiedBy: ["how the fibre was identified", named(IDENTIFIED_NAMES)],
  carpet: ["carpet", asSetThere],
  rinseTemperature: ["rinse water", (value: number, units) => units.temperature(value)],
  backing: ["backing", named(BACKING_NAMES)],
  // A carpet's in years, a spot's by name.
  age: [
    "age",
    (value: number | SpotAge) =>
      typeof value === "number" ? `${value} years` : SPOT_AGE_NAMES[value].toLowerCase(),
  ],
  soilNature: ["soil type", named(SOIL_NATURE_NAMES)],
  wear: ["wear", named(WEAR_NAMES)],
  pileHeight: ["pile height", length],
  faceWeight: ["face weight", (value: number, units) => units.massPerArea(value)],
  soil: ["soil", (value: keyof typeof SOIL_NAMES) => SOIL_NAMES[value]],
  method: ["method", named(METHOD_NAMES)],
  rate: ["pre-spray", (value: number, units) => units.applicationRate(value)],
  padAfter: ["pad after", yesNo],
  batchId: ["mix", asSetThere],
  unsprayed: ["not pre-sprayed", yesNo],
  windows: ["windows", named(WINDOW_NAMES)],
  airSpeed: ["air speed", (value: number, units) => units.speed(value)],
  airMovers: ["air movers", count("air mover", "air movers")],
  dehumidifierLitresPerDay: [
    "dehumidifier",
    (value: number, units) => `${formatAmount(units.volume(value / 1000))} a day`,
  ],
  heating: ["heating", (value: boolean) => (value ? "on" : "off")],
  from: ["from", asSetThere],
  to: ["to", asSetThere],
  wall: ["wall", plain],
  offset: ["place on its wall", length],
  shut: ["kept closed", yesNo],
  roomId: ["room", asSetThere],
  x: ["place across", (value: number) => percent(value)],
  y: ["place down", (value: number) => percent(value)],
  across: ["size", length],
  long: ["length", length],
  origin: ["cause", named(ORIGIN_SHORT)],
  known: ["identified by", plain],
  nature: ["spot or stain", plain],
  uv: ["under UV light", plain],
  productId: ["product", asSetThere],
  vesselId: ["sprayer", asSetThere],
  measure: ["measure", (value: number, units) => formatAmount(units.amount(value))],
  strength: ["strength", (value: Parameters<typeof labelSpelling>[0]) => labelSpelling(value)],
  tipId: ["tip", asSetThere],
  boosters: ["boosters", count("addition", "additions")],
  run: ["Run settings", asSetThere],
  people: ["people", plain],
  circuits: ["circuits", plain],
  fansRunning: ["ceiling fans while working", yesNo],
  roles: ["who cleans", named(ROLE_NAMES)],
  vacuumFirst: ["vacuuming everything first", yesNo],
  walkOnBy: ["touch-dry by", plain],
  at: ["hour", plain],
  length: ["length", (value: number) => `${Math.round(value / 60)} min`],
  carried: ["already in the sprayer", (value: number, units) => formatAmount(units.volume(value))],
};

export const KINDS: Readonly<Record<string, string>> = {
  rooms: "Room",
  former: "Removed room",
  batches: "Mix",
  doors: "Door",
  spots: "Spot",
  breaks: "Break",
  pins: "Locked step",
};
export const ORDERS: Readonly<Record<string, string>> = {
  rooms: "Room order",
  former: "Removed rooms order",
  batches: "Mix order",
  doors: "Door order",
  spots: "Spot order",
  breaks: "Break order",
  pins: "Locked step order",
};

const hasName = (value: unknown): value is { readonly name: unknown } =>
  typeof value === "object" && value !== null && "name" in value;

function thingName(clash: MergeConflict, job: Job): string {
  const [list = "", id] = clash.path;
  if (list !== "rooms") return KINDS[list] ?? "";
  const values = [job.rooms.find((room) => room.id === id), clash.mine, clash.theirs];
  const name = values.map((value) => (hasName(value) ? value.name : undefined)).find(Boolean);
  return typeof name === "string" ? name : "A room";
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
  const name = fields.map((field) => FIELDS[field]?.[0] ?? field).join(", ");
  const show = FIELDS[fields.at(-1) ?? ""]?.[1] ?? asSetThere;
  const text = (value: unknown, other: string) => {
    if (value === undefined) return "not set";
    const shown = show(value as never, units, job);
    return shown === "as set there" ? other : shown;
  };
  return {
    what: inThing ? `${thingName(clash, job)}: ${name}` : name,
    mine: text(mine, "this device’s"),
    theirs: text(theirs, "the other device’s"),
  };
}
