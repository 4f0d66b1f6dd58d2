import type { GearKind } from "@scutch/contract";
import { type Dimension, decimal, formatQuantity, toSi, type UnitId } from "@scutch/core/quantity";
import { formatAmount, type UnitFormatter } from "../../format/units.ts";

export const GEAR_KIND_NAMES: Readonly<Record<GearKind, string>> = {
  tip: "Metering tips",
  measure: "Measures",
  wand: "Wands",
  blower: "Blowers",
  hose: "Hoses",
  "air-mover": "Air movers",
  dehumidifier: "Dehumidifiers",
  pad: "Pads",
  meter: "Meters",
};

/** One figure of a kind of gear: how it is asked for, shown and read. Values are SI; plain numbers have no dimension. */
export interface GearField {
  readonly key: string;
  readonly label: string;
  readonly dimension?: Dimension;
  readonly bare: (units: UnitFormatter) => UnitId;
  readonly show: (value: number, units: UnitFormatter) => string;
  /** What is kept for each SI unit typed; 1 where absent. */
  readonly kept?: number;
}

const plainNumber = (key: string, label: string, show: (value: number) => string): GearField => ({
  key,
  label,
  bare: () => "m",
  show,
});
const length = (key: string, label: string, small: boolean): GearField => ({
  key,
  label,
  dimension: "length",
  bare: (units) => (units.system === "metric" ? (small ? "mm" : "m") : small ? "in" : "ft"),
  show: (value, units) =>
    small
      ? units.system === "metric"
        ? formatQuantity(value, "mm", 0)
        : formatQuantity(value, "in", 2)
      : units.length(value),
});
const MINUTE = 60;
/** Flows are typed and shown by the minute: a volume. */
const perMinute = (key: string, label: string): GearField => ({
  key,
  label: `${label} per minute`,
  dimension: "volume",
  bare: (units) => (units.system === "metric" ? "l" : "gal"),
  show: (value, units) => formatAmount(units.volume(value * MINUTE)),
  kept: 1 / MINUTE,
});
const airflow = (key: string, label: string): GearField => ({
  key,
  label,
  dimension: "airflow",
  bare: (units) => (units.system === "metric" ? "m3h" : "cfm"),
  show: (value, units) =>
    units.system === "metric" ? formatQuantity(value, "m3h", 0) : formatQuantity(value, "cfm", 0),
});

/** Pressures are typed in any unit, kept in `kept` pascals. */
const pressure = (
  key: string,
  label: string,
  kept: number,
  inUnits: readonly [UnitId, UnitId],
): GearField => ({
  key,
  label,
  dimension: "pressure",
  bare: (units) => inUnits[units.system === "metric" ? 0 : 1],
  show: (value, units) => formatQuantity(value * kept, inUnits[units.system === "metric" ? 0 : 1], 1),
  kept: 1 / kept,
});

export const GEAR_FIELDS: Readonly<Record<GearKind, readonly GearField[]>> = {
  tip: [plainNumber("ratio", "Parts water to 1", (value) => `1:${decimal(value, 1)}`)],
  measure: [
    {
      key: "step",
      label: "Smallest mark",
      dimension: "volume",
      bare: (units) => units.bare.amount,
      show: (value, units) => formatAmount(units.amount(value)),
    },
  ],
  wand: [
    length("headWidth", "Head", true),
    perMinute("ratedJetFlow", "All jets at 2.76 bar (40 psi)"),
    pressure("pressure", "Working pressure", 1e5, ["bar", "psi"]),
  ],
  blower: [
    pressure("shutOffPressure", "Suction, sealed", 1, ["kpa", "inHg"]),
    airflow("openFlow", "Airflow, open"),
  ],
  hose: [length("length", "Length", false), length("diameter", "Inside diameter", true)],
  "air-mover": [
    airflow("flow", "Airflow"),
    {
      key: "jetSpeed",
      label: "Air speed at outlet",
      dimension: "speed",
      bare: (units) => (units.system === "metric" ? "mps" : "fpm"),
      show: (value, units) => units.speed(value),
    },
  ],
  dehumidifier: [
    {
      key: "litresPerDay",
      label: "Rated output per day",
      dimension: "volume",
      bare: (units) => (units.system === "metric" ? "l" : "pt"),
      show: (value, units) => formatQuantity(value / 1000, units.system === "metric" ? "l" : "pt", 1),
      kept: 1000,
    },
  ],
  pad: [],
  meter: [],
};

/** First values of a new thing of a kind: usual ones (common practice). */
export const DEFAULT_GEAR: Readonly<Record<GearKind, Readonly<Record<string, number>>>> = {
  tip: { ratio: 8 },
  measure: { step: toSi(5, "ml") },
  wand: { headWidth: 0.3, ratedJetFlow: 4e-5, pressure: 20 },
  blower: { shutOffPressure: 44_000, openFlow: 0.1 },
  hose: { length: 15, diameter: 0.05 },
  "air-mover": { flow: 0.9, jetSpeed: 8 },
  dehumidifier: { litresPerDay: 50 },
  pad: {},
  meter: {},
};
