import type { Gear, ProductId, StockLot, Vessel } from "@scutch/contract";
import { demoId } from "./demoId.ts";
import { PRODUCTS } from "./shelf.ts";

const LITRE = 1e-3;
const MINUTE = 60;

/** Invented vessels of usual sizes. */
export const VESSELS = {
  pump: {
    id: demoId("vessel", 1),
    name: "Pump sprayer, 8 L",
    kind: "pump-sprayer",
    nominal: 8 * LITRE,
    heel: 0.2 * LITRE,
    headSpace: 0.8 * LITRE,
    graduation: 0.1 * LITRE,
    sprayFlow: (1.2 * LITRE) / MINUTE,
  },
  battery: {
    id: demoId("vessel", 2),
    name: "Battery sprayer, 15 L bucket",
    kind: "battery-sprayer",
    nominal: 15 * LITRE,
    heel: 0.5 * LITRE,
    headSpace: 1.5 * LITRE,
    graduation: 0.5 * LITRE,
    sprayFlow: (2 * LITRE) / MINUTE,
  },
  small: {
    id: demoId("vessel", 3),
    name: "Hand sprayer, 2 L",
    kind: "pump-sprayer",
    nominal: 2 * LITRE,
    heel: 0.05 * LITRE,
    headSpace: 0.25 * LITRE,
    graduation: 0.05 * LITRE,
    sprayFlow: (0.6 * LITRE) / MINUTE,
  },
  injection: {
    id: demoId("vessel", 4),
    name: "Injection sprayer, 5 L jug",
    kind: "injection-sprayer",
    nominal: 5 * LITRE,
    heel: 0.1 * LITRE,
    headSpace: 0.4 * LITRE,
    graduation: 0.1 * LITRE,
    sprayFlow: (4 * LITRE) / MINUTE,
  },
  solution: {
    id: demoId("vessel", 5),
    name: "Portable’s solution tank",
    kind: "solution-tank",
    nominal: 45 * LITRE,
    heel: 1 * LITRE,
    headSpace: 1 * LITRE,
    graduation: 1 * LITRE,
    sprayFlow: (4 * LITRE) / MINUTE,
  },
  recovery: {
    id: demoId("vessel", 6),
    name: "Portable’s recovery tank",
    kind: "recovery-tank",
    nominal: 42 * LITRE,
    heel: 0,
    headSpace: 5 * LITRE,
    graduation: 1 * LITRE,
    sprayFlow: (4 * LITRE) / MINUTE,
  },
} satisfies Record<string, Vessel>;

const SIZE_1_FLOW = (0.1 * 3.785411784e-3) / 60;

/** Invented gear of usual sizes. */
export const GEAR = {
  tip8: { id: demoId("gear", 1), kind: "tip", name: "Green tip", count: 1, ratio: 8 },
  tip16: { id: demoId("gear", 2), kind: "tip", name: "Amber tip", count: 1, ratio: 16 },
  tip300: { id: demoId("gear", 3), kind: "tip", name: "Rinse tip", count: 2, ratio: 300 },
  cup: { id: demoId("gear", 4), kind: "measure", name: "Measuring cup", count: 2, step: 5e-6 },
  jug: { id: demoId("gear", 5), kind: "measure", name: "Jug", count: 1, step: 10e-6 },
  wand: {
    id: demoId("gear", 6),
    kind: "wand",
    name: "Wand, four jets",
    count: 1,
    headWidth: 0.3,
    ratedJetFlow: 4 * 1.5 * SIZE_1_FLOW,
    pressure: 20,
  },
  blower: {
    id: demoId("gear", 7),
    kind: "blower",
    name: "Portable, two motors",
    count: 1,
    shutOffPressure: 47_000,
    openFlow: 0.09,
  },
  hose: { id: demoId("gear", 8), kind: "hose", name: "Hose, 15 m", count: 1, length: 15, diameter: 0.05 },
  longHose: {
    id: demoId("gear", 9),
    kind: "hose",
    name: "Thin hose, 25 m",
    count: 1,
    length: 25,
    diameter: 0.038,
  },
  fan: { id: demoId("gear", 10), kind: "air-mover", name: "Air mover", count: 4, flow: 0.9, jetSpeed: 8 },
  drier: { id: demoId("gear", 11), kind: "dehumidifier", name: "Dehumidifier", count: 1, litresPerDay: 50 },
  pad: { id: demoId("gear", 12), kind: "pad", name: "Absorbent pad", count: 12 },
  meter: { id: demoId("gear", 13), kind: "meter", name: "Pin meter", count: 1 },
} satisfies Record<string, Gear>;

const DAY = 86_400_000;
const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10);

/** What came in over the last weeks; of one product hardly anything is left. */
export const STOCK = (now: Date): StockLot[] => {
  const came = (
    n: number,
    productId: ProductId,
    lot: string,
    packs: number,
    packSize: number,
    days: number,
  ) => ({
    id: demoId("lot", n),
    productId,
    lot,
    packs,
    packSize,
    receivedOn: dayOf(now.getTime() - days * DAY),
  });
  return [
    came(1, PRODUCTS.meadow.id, "M-2291", 1, 0.5 * LITRE, 40),
    came(2, PRODUCTS.teasel.id, "T-118", 2, 1 * LITRE, 33),
    came(3, PRODUCTS.sedge.id, "S-7", 1, 5 * LITRE, 60),
    came(4, PRODUCTS.bramble.id, "B-40", 1, 2.5, 21),
    came(5, PRODUCTS.fern.id, "F-3", 1, 5 * LITRE, 90),
    came(6, PRODUCTS.clover.id, "C-55", 2, 0.5 * LITRE, 12),
  ];
};
