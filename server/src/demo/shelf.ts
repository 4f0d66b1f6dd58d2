import type { Product, Site, Vessel } from "@scutch/contract";
import { demoId } from "./demoId.ts";

const LITRE = 1e-3;
const MINUTE = 60;
const HOUR = 3600;
const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;

/** Invented products with invented labels. */
export const PRODUCTS = {
  meadow: {
    id: demoId("product", 1),
    name: "Meadow pre-spray",
    kind: "pre-spray",
    ratioMeans: "one-to-n",
    light: ratio(32),
    ordinary: ratio(24),
    heavy: ratio(16),
    dwellLeast: 8 * MINUTE,
    dwellMost: 15 * MINUTE,
    waterTemperature: 45,
    cautions: ["Gloves and goggles while mixing.", "Water first, or it foams over.", "Not on wool."],
  },
  teasel: {
    id: demoId("product", 2),
    name: "Teasel wool pre-spray",
    kind: "pre-spray",
    ratioMeans: "one-to-n",
    light: { spelling: "ml-per-litre", value: 20 },
    ordinary: { spelling: "ml-per-litre", value: 30 },
    heavy: { spelling: "ml-per-litre", value: 40 },
    dwellLeast: 10 * MINUTE,
    dwellMost: 20 * MINUTE,
    waterTemperature: 30,
    cautions: ["Gloves while mixing.", "Water no hotter than 30 °C on wool."],
  },
  sedge: {
    id: demoId("product", 3),
    name: "Sedge encapsulant",
    kind: "encapsulant",
    ratioMeans: "one-in-n",
    light: { spelling: "percent", value: 4 },
    ordinary: { spelling: "percent", value: 5 },
    heavy: { spelling: "percent", value: 8 },
    dwellLeast: 5 * MINUTE,
    dwellMost: 10 * MINUTE,
    cautions: ["Gloves while mixing."],
  },
  bramble: {
    id: demoId("product", 4),
    name: "Bramble oxygen pre-spray",
    kind: "pre-spray",
    ratioMeans: "one-to-n",
    light: { spelling: "fl-oz-per-gal", value: 4 },
    ordinary: { spelling: "fl-oz-per-gal", value: 6 },
    heavy: { spelling: "fl-oz-per-gal", value: 8 },
    dwellLeast: 10 * MINUTE,
    dwellMost: 15 * MINUTE,
    potLife: 4 * HOUR,
    waterTemperature: 40,
    cautions: [
      "Gloves and goggles: it whitens and burns skin.",
      "Never close the vessel tight: it gives off gas.",
      "Never with acid or bleach.",
      "Not on wool.",
    ],
  },
} satisfies Record<string, Product>;

export const VESSELS = {
  pump: {
    id: demoId("vessel", 1),
    name: "Pump sprayer, 8 L",
    nominal: 8 * LITRE,
    heel: 0.2 * LITRE,
    headSpace: 0.8 * LITRE,
    graduation: 0.1 * LITRE,
    sprayFlow: (1.2 * LITRE) / MINUTE,
  },
  battery: {
    id: demoId("vessel", 2),
    name: "Battery sprayer, 15 L bucket",
    nominal: 15 * LITRE,
    heel: 0.5 * LITRE,
    headSpace: 1.5 * LITRE,
    graduation: 0.5 * LITRE,
    sprayFlow: (2 * LITRE) / MINUTE,
  },
  small: {
    id: demoId("vessel", 3),
    name: "Hand sprayer, 2 L",
    nominal: 2 * LITRE,
    heel: 0.05 * LITRE,
    headSpace: 0.25 * LITRE,
    graduation: 0.05 * LITRE,
    sprayFlow: (0.6 * LITRE) / MINUTE,
  },
} satisfies Record<string, Vessel>;

/** Invented places. */
export const SITES = {
  library: {
    id: demoId("site", 1),
    name: "Quillhaven Library",
    address: "2 Ferry Lane, Quillhaven",
    elevation: 40,
  },
  flat: { id: demoId("site", 2), name: "Flat 6, Weir House", address: "Weir House, Lower Quillhaven" },
  clinic: { id: demoId("site", 3), name: "Saltmarsh Clinic", address: "11 Dune Road, Saltmarsh" },
  guesthouse: { id: demoId("site", 4), name: "The Lantern Guesthouse", address: "Harbour Steps, Saltmarsh" },
} satisfies Record<string, Site>;
