import type { Job, Room } from "@scutch/contract";
import { SPOT_AGE_NAMES } from "../format/careWords.ts";
import { rateText } from "../format/money.ts";
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

/** Names of a plan's fields and how to show their values, by thing. The types make every field of the schemas have a name here. */

/** A field's name, how to show its value if that is short, and the fields inside it. */
interface Field<V> {
  readonly name: string;
  readonly show?: ((value: V, units: UnitFormatter) => string) | undefined;
  readonly fields?: V extends readonly unknown[] ? never : V extends object ? FieldsOf<V> : never;
}
type FieldsOf<T> = { readonly [K in keyof T]-?: Field<NonNullable<T[K]>> };
type ThingOf<K extends keyof Job> = NonNullable<Job[K]> extends readonly (infer T)[] ? Omit<T, "id"> : never;

const yesNo = (value: boolean) => (value ? "yes" : "no");
const plain = (value: string | number) => String(value);
const named =
  <K extends string>(names: Readonly<Record<K, string>>) =>
  (value: K) =>
    names[value] ?? value;
const length = (value: number, units: UnitFormatter) => units.length(value);
const temperature = (value: number, units: UnitFormatter) => units.temperature(value);
const speed = (value: number, units: UnitFormatter) => units.speed(value);
const count = (one: string, many: string) => (value: readonly unknown[]) =>
  `${value.length} ${value.length === 1 ? one : many}`;
type AirOf = NonNullable<Job["indoor"]>;
const airField = (name: string): Field<AirOf> => ({
  name,
  show: (value, units) => `${units.temperature(value.temperature)}, ${percent(value.relativeHumidity)}`,
  fields: {
    temperature: { name: "temperature", show: temperature },
    relativeHumidity: { name: "humidity", show: percent },
  },
});

type Lists =
  | "rooms"
  | "former"
  | "doors"
  | "spots"
  | "batches"
  | "breaks"
  | "pins"
  | "plannedAir"
  | "priceLines";

export const JOB_FIELDS: FieldsOf<Omit<Job, "id" | Lists>> = {
  title: { name: "Job description", show: plain },
  removed: { name: "Removed", show: yesNo },
  day: { name: "Day", show: longDay },
  startsAt: { name: "Start", show: plain },
  siteId: { name: "Place" },
  indoor: airField("Indoor air"),
  outdoor: airField("Outdoor air"),
  interview: {
    name: "Customer’s answers",
    fields: {
      lastCleaned: { name: "Last cleaned", show: named(LAST_CLEANED_NAMES) },
      detergentLeft: { name: "Product left in the carpet", show: yesNo },
      pets: { name: "Pets", show: yesNo },
      urine: { name: "Urine accidents", show: yesNo },
      occupancy: { name: "Occupancy", show: named(OCCUPANCY_NAMES) },
    },
  },
  rig: {
    name: "Rinse and recovery",
    fields: {
      wandId: { name: "Wand" },
      blowerId: { name: "Blower" },
      hoseId: { name: "Hose" },
      bends: { name: "Bends in the hose", show: plain },
      wetStrokes: { name: "Wet strokes", show: plain },
      dryStrokes: { name: "Dry strokes", show: plain },
      strokeSpeed: { name: "Stroke speed", show: speed },
      rinseTemperature: { name: "rinse water", show: temperature },
      solutionId: { name: "Solution tank" },
      recoveryId: { name: "Recovery tank" },
    },
  },
  run: {
    name: "Run settings",
    fields: {
      people: { name: "people", show: plain },
      circuits: { name: "circuits", show: plain },
      fansRunning: { name: "ceiling fans while working", show: yesNo },
      vacuumFirst: { name: "vacuuming everything first", show: yesNo },
      roles: { name: "who cleans", show: named(ROLE_NAMES) },
    },
  },
  weather: {
    name: "Weather",
    show: ({ points }) => (points.length === 1 ? "1 hour" : `${points.length} hours`),
    fields: { source: { name: "source" }, name: { name: "name", show: plain }, points: { name: "hours" } },
  },
  discount: {
    name: "Discount",
    show: (value) => ("share" in value ? rateText(value.share) : value.amount.toFixed(2)),
  },
};

const ROOM_FIELDS: FieldsOf<ThingOf<"rooms">> = {
  name: { name: "name", show: plain },
  shape: { name: "size", show: (value: Room["shape"], units) => sizeText(value, units) },
  sizeAssumed: { name: "size assumed", show: yesNo },
  height: { name: "ceiling", show: length },
  parts: { name: "alcoves and units", show: count("part", "parts") },
  zones: {
    name: "traffic lanes and edges",
    fields: { lane: { name: "traffic lanes" }, edge: { name: "edge" } },
  },
  level: { name: "level", show: plain },
  passage: { name: "walk-through only", show: yesNo },
  turned: { name: "turned", show: yesNo },
  nudge: {
    name: "place on the plan",
    fields: { x: { name: "across", show: length }, y: { name: "down", show: length } },
  },
  covering: { name: "floor type", show: named(COVERING_NAMES) },
  fibre: { name: "fibre", show: named(FIBRE_NAMES) },
  identifiedBy: { name: "how the fibre was identified", show: named(IDENTIFIED_NAMES) },
  backing: { name: "backing", show: named(BACKING_NAMES) },
  carpet: { name: "carpet", show: plain },
  age: { name: "age", show: (value) => `${value} years` },
  soilNature: { name: "soil type", show: named(SOIL_NATURE_NAMES) },
  wear: { name: "wear", show: named(WEAR_NAMES) },
  pileHeight: { name: "pile height", show: length },
  faceWeight: { name: "face weight", show: (value, units) => units.massPerArea(value) },
  soil: { name: "soil", show: (value) => SOIL_NAMES[value] },
  method: { name: "method", show: named(METHOD_NAMES) },
  rate: { name: "pre-spray", show: (value, units) => units.applicationRate(value) },
  padAfter: { name: "pad after", show: yesNo },
  batchId: { name: "mix" },
  unsprayed: { name: "not pre-sprayed", show: yesNo },
  walkOnBy: { name: "touch-dry by", show: plain },
  air: airField("Air"),
  windows: { name: "windows", show: named(WINDOW_NAMES) },
  airSpeed: { name: "air speed", show: speed },
  airMovers: { name: "air movers", show: count("air mover", "air movers") },
  dehumidifierLitresPerDay: {
    name: "dehumidifier",
    show: (value, units) => `${formatAmount(units.volume(value / 1000))} a day`,
  },
  fromVisit: { name: "taken over from a visit", show: longDay },
  pastTests: { name: "earlier tests", show: count("test", "tests") },
  heating: { name: "heating", show: (value) => (value ? "on" : "off") },
};

const FORMER_FIELDS: FieldsOf<ThingOf<"former">> = {
  name: ROOM_FIELDS.name,
  covering: ROOM_FIELDS.covering,
  fibre: ROOM_FIELDS.fibre,
  carpet: ROOM_FIELDS.carpet,
};

const DOOR_FIELDS: FieldsOf<ThingOf<"doors">> = {
  from: { name: "from" },
  to: { name: "to" },
  wall: { name: "wall", show: plain },
  offset: { name: "place on its wall", show: length },
  shut: { name: "kept closed", show: yesNo },
};

const SPOT_FIELDS: FieldsOf<ThingOf<"spots">> = {
  roomId: { name: "room" },
  x: { name: "place across", show: percent },
  y: { name: "place down", show: percent },
  across: { name: "size", show: length },
  long: { name: "length", show: length },
  origin: { name: "cause", show: named(ORIGIN_SHORT) },
  known: { name: "identified by", show: plain },
  nature: { name: "spot or stain", show: plain },
  age: { name: "age", show: (value) => SPOT_AGE_NAMES[value].toLowerCase() },
  fromVisit: { name: "stayed at a visit", show: longDay },
  uv: { name: "under UV light", show: plain },
};

const BATCH_FIELDS: FieldsOf<ThingOf<"batches">> = {
  productId: { name: "product" },
  vesselId: { name: "sprayer" },
  measure: { name: "measure", show: (value, units) => formatAmount(units.amount(value)) },
  strength: { name: "strength", show: labelSpelling },
  tipId: { name: "tip" },
  boosters: { name: "boosters", show: count("addition", "additions") },
  carried: { name: "already in the sprayer", show: (value, units) => formatAmount(units.volume(value)) },
};

const TIME_FIELD: Field<string> = { name: "time", show: plain };
const BREAK_FIELDS: FieldsOf<ThingOf<"breaks">> = {
  at: TIME_FIELD,
  length: { name: "length", show: (value) => `${Math.round(value / 60)} min` },
};
const PIN_FIELDS: FieldsOf<ThingOf<"pins">> = { at: TIME_FIELD };

const PLANNED_AIR_FIELDS: FieldsOf<ThingOf<"plannedAir">> = {
  at: TIME_FIELD,
  daily: { name: "every day", show: yesNo },
  roomId: { name: "room" },
  windows: ROOM_FIELDS.windows,
  heating: ROOM_FIELDS.heating,
  setpoint: { name: "heating set to", show: temperature },
  gearOut: { name: "gear taken away", show: yesNo },
};

const PRICE_LINE_FIELDS: FieldsOf<ThingOf<"priceLines">> = {
  what: { name: "description", show: plain },
  asked: { name: "asked for", show: yesNo },
  struck: { name: "left out of the price", show: yesNo },
  quantity: { name: "quantity", show: plain },
  amount: { name: "price", show: (value) => value.toFixed(2) },
};

/** Fields as they are looked up by the path of a change. */
interface AnyField {
  readonly name: string;
  readonly show?: ((value: never, units: UnitFormatter) => string) | undefined;
  readonly fields?: AnyFields;
}
export type AnyFields = Readonly<Record<string, AnyField>>;

/** Fields of the things in each list of a plan. */
export const THING_FIELDS: Readonly<Record<Lists, AnyFields>> = {
  rooms: ROOM_FIELDS,
  former: FORMER_FIELDS,
  doors: DOOR_FIELDS,
  spots: SPOT_FIELDS,
  batches: BATCH_FIELDS,
  breaks: BREAK_FIELDS,
  pins: PIN_FIELDS,
  plannedAir: PLANNED_AIR_FIELDS,
  priceLines: PRICE_LINE_FIELDS,
};

/** Fields of a list's things, or of the plan itself for what is no list. */
export const fieldsOf = (list: string): AnyFields =>
  (THING_FIELDS as Readonly<Record<string, AnyFields>>)[list] ?? JOB_FIELDS;
