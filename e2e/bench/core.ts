import { dryingRange, simulateDrying } from "@scutch/core/drying";
import { type JobInput, planJob, planWork, vesselsFor } from "@scutch/core/plan";
import { fixedLoop, median, row, times } from "./row.ts";

const L = 1e-3;
const ratio = (value: number) => ({ spelling: "one-to-n", value }) as const;
const fibres = ["nylon", "polyester", "olefin", "nylon", "polyester", "wool"] as const;
const job: JobInput = {
  rooms: fibres.map((fibre, i) => ({
    id: String(i),
    name: `Room ${i}`,
    shape: { kind: "rectangle", length: 3 + i * 0.7, width: 3.5 },
    fibre,
    soil: ((i % 5) + 1) as 1 | 2 | 3 | 4 | 5,
    windows: i % 2 ? "one-open" : "shut",
    airMovers: i % 3 ? [{ flow: 0.9, jetSpeed: 8 }] : [],
  })),
  batches: [
    {
      id: "b",
      product: { light: ratio(32), ordinary: ratio(24), heavy: ratio(16), dwellLeast: 480, dwellMost: 900 },
      vessel: { nominal: 8 * L, heel: 0.2 * L, headSpace: 0.8 * L, graduation: 0.1 * L, sprayFlow: 2e-5 },
      measure: 5e-6,
    },
  ],
};
const { building } = planWork(job);
const loop = fixedLoop();
row("machine: a fixed loop, to compare runs by", `${loop.toFixed(1)} ms`, "");
const whole = await median(400, () => planJob(job));
row("core: whole plan of a 6-room job", `${whole.toFixed(2)} ms`, "≤ 5 ms", times(whole, loop, "loop"));
const six = await median(400, () => simulateDrying(building));
row("core: drying of six rooms", `${six.toFixed(2)} ms`, "≤ 1 ms", times(six, loop, "loop"));

const [batch] = job.batches;
if (!batch) throw new Error("no batch");
const large: JobInput = {
  ...job,
  rooms: Array.from({ length: 20 }, (_, i) => ({
    id: String(i),
    name: `Room ${i}`,
    shape: { kind: "rectangle", length: 3 + (i % 7) * 0.7, width: 3.5 },
  })),
};
const work = planWork(large);
const owned = Array.from({ length: 8 }, (_, i) => ({
  ...batch.vessel,
  id: String(i),
  nominal: (1.5 + i) * L,
  graduation: i % 2 ? 0.1 * L : 0.05 * L,
}));
const choosing = await median(60, () => vesselsFor(batch, work, owned));
row(
  "core: batches of a 20-room job, 8 vessels to choose from",
  `${choosing.toFixed(2)} ms`,
  "≤ 20 ms",
  times(choosing, loop, "loop"),
);

const sixty: JobInput = {
  ...job,
  rooms: Array.from({ length: 60 }, (_, i) => ({
    id: String(i),
    name: `Room ${i}`,
    shape: { kind: "rectangle", length: 3 + (i % 7) * 0.7, width: 3.5 },
    fibre: fibres[i % 6] ?? "nylon",
    windows: i % 2 ? "one-open" : "shut",
  })),
};
const big = planWork(sixty);
const plan60 = await median(20, () => planWork(sixty));
row("core: plan of a 60-room job", `${plan60.toFixed(1)} ms`, "", times(plan60, loop, "loop"));
const dry60 = await median(10, () => simulateDrying(big.building, { keepCourse: true }));
row("core: drying of 60 rooms", `${dry60.toFixed(1)} ms`, "", times(dry60, loop, "loop"));
const start = performance.now();
dryingRange(big.building, 20);
const range60 = (performance.now() - start) * 4;
row("core: range of 60 rooms, 80 runs", `${range60.toFixed(0)} ms`, "", times(range60, dry60, "one drying"));
