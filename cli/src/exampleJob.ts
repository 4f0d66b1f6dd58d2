import type { JobFile } from "@scutch/contract";
import { JobFile as Schema } from "@scutch/contract";

/** The job of docs/job-format.md: small, but with one of everything that isn't obvious. */
export const EXAMPLE_JOB: JobFile = Schema.parse({
  format: "scutch-job",
  formatVersion: 1,
  job: {
    id: "01930000-0000-7000-8400-0000000000e1",
    siteId: "01930000-0000-7000-8100-0000000000e1",
    title: "Two bedrooms and a hall",
    day: "2026-03-09",
    startsAt: "09:00",
    indoor: { temperature: 21, relativeHumidity: 0.48 },
    outdoor: { temperature: 12, relativeHumidity: 0.8 },
    rooms: [
      {
        id: "01930000-0000-7000-8500-0000000000e1",
        name: "Back bedroom",
        shape: { kind: "rectangle", length: 3.8, width: 4.2 },
        covering: "cut-pile",
        fibre: "polyester",
        soil: 3,
        windows: "one-open",
        airMovers: [{ flow: 0.9, jetSpeed: 8 }],
      },
      {
        id: "01930000-0000-7000-8500-0000000000e2",
        name: "Front bedroom",
        shape: { kind: "area", area: 14 },
      },
      {
        id: "01930000-0000-7000-8500-0000000000e3",
        name: "Hall",
        shape: { kind: "l-shape", main: { length: 5, width: 1.2 }, wing: { length: 2, width: 1.5 } },
        fibre: "wool",
        soil: 4,
        method: "low-moisture",
        batchId: "01930000-0000-7000-8600-0000000000e2",
      },
    ],
    batches: [
      {
        id: "01930000-0000-7000-8600-0000000000e1",
        productId: "01930000-0000-7000-8200-0000000000e1",
        vesselId: "01930000-0000-7000-8300-0000000000e1",
        measure: 5e-6,
      },
      {
        id: "01930000-0000-7000-8600-0000000000e2",
        productId: "01930000-0000-7000-8200-0000000000e2",
        vesselId: "01930000-0000-7000-8300-0000000000e1",
        measure: 5e-6,
        strength: { spelling: "percent", value: 3 },
      },
    ],
  },
  site: { id: "01930000-0000-7000-8100-0000000000e1", name: "4 Orchard Rise", elevation: 120 },
  products: [
    {
      id: "01930000-0000-7000-8200-0000000000e1",
      name: "Meadow pre-spray",
      kind: "pre-spray",
      ratioMeans: "one-to-n",
      light: { spelling: "one-to-n", value: 32 },
      ordinary: { spelling: "one-to-n", value: 24 },
      heavy: { spelling: "one-to-n", value: 16 },
      dwellLeast: 480,
      dwellMost: 900,
      waterTemperature: 45,
      cautions: ["Gloves and goggles while mixing."],
    },
    {
      id: "01930000-0000-7000-8200-0000000000e2",
      name: "Teasel wool pre-spray",
      kind: "pre-spray",
      ratioMeans: "one-to-n",
      light: { spelling: "ml-per-litre", value: 20 },
      ordinary: { spelling: "ml-per-litre", value: 30 },
      heavy: { spelling: "ml-per-litre", value: 40 },
      dwellLeast: 600,
      dwellMost: 1200,
      potLife: 14400,
      cautions: [],
    },
  ],
  vessels: [
    {
      id: "01930000-0000-7000-8300-0000000000e1",
      name: "Pump sprayer, 8 L",
      nominal: 0.008,
      heel: 0.0002,
      headSpace: 0.0008,
      graduation: 0.0001,
      sprayFlow: 2e-5,
    },
  ],
  log: [
    {
      id: "01930000-0000-7000-8700-0000000000e1",
      at: "2026-03-09T09:50:00.000Z",
      by: "Mira",
      kind: "room-finished",
      roomId: "01930000-0000-7000-8500-0000000000e1",
    },
  ],
});
