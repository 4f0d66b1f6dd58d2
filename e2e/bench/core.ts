import { dryingRange, simulateDrying } from "@scutch/core/drying";
import { planBatch } from "@scutch/core/mix";
import { type JobInput, planJob, planWork, vesselsFor } from "@scutch/core/plan";
import { scheduleJob, THOROUGH } from "@scutch/core/run";
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
const first = planWork(job).run;
const standing = new Map(
  first.outcome === "planned" ? first.steps.map(({ id, start }) => [id, start] as const) : [],
);
const onPage = await median(200, () =>
  simulateDrying(
    planWork(job, (input) => scheduleJob(input, { rough: true, previousStarts: standing })).building,
  ),
);
row(
  "core: plan and drying of a 6-room job, as on the page",
  `${onPage.toFixed(2)} ms`,
  "≤ 5 ms",
  times(onPage, loop, "loop"),
);
const whole = await median(20, () => planJob(job));
row("core: the same with its run found", `${whole.toFixed(1)} ms`, "≤ 100 ms", times(whole, loop, "loop"));
const six = await median(400, () => simulateDrying(building));
row("core: drying of six rooms", `${six.toFixed(2)} ms`, "≤ 1 ms", times(six, loop, "loop"));

/** An office in warm air: sections as the film dries, two people, the machine's tanks run out on the way. */
const office: JobInput = {
  ...job,
  indoor: { temperature: 28, relativeHumidity: 0.33 },
  run: { people: 2 },
  rooms: Array.from({ length: 6 }, (_, i) => ({
    id: String(i),
    name: `Office ${i}`,
    shape: { kind: "rectangle", length: 8 + i, width: 6 },
    fibre: fibres[i] ?? "nylon",
    covering: "loop-pile",
    soil: 3,
  })),
};
const { run } = planWork(office);
if (run.outcome !== "planned") throw new Error("the office can't be scheduled");
const found = await median(20, () => planWork(office));
row(
  `core: plan and schedule, ${run.sections.length} sections, two people`,
  `${found.toFixed(0)} ms`,
  "≤ 100 ms",
  `${times(found, loop, "loop")}, ${run.steps.length} steps, ${(100 * (run.makespan / run.lowerBound - 1)).toFixed(1)} % over the bound`,
);
const long = await median(3, () => planWork(office, (input) => scheduleJob(input, THOROUGH)));
const better = planWork(office, (input) => scheduleJob(input, THOROUGH)).run;
if (better.outcome !== "planned") throw new Error("the office can't be scheduled");
row(
  "core: the same searched on, as the command line and the worker do",
  `${long.toFixed(0)} ms`,
  "≤ 2 s",
  `${times(long, loop, "loop")}, ${(100 * (better.makespan / better.lowerBound - 1)).toFixed(1)} % over the bound`,
);
const begun: JobInput = { ...office, finishedHours: { 0: run.makespan / 3600 / 4 } };
const previousStarts = new Map(run.steps.map(({ id, start }) => [id, start] as const));
const again = await median(40, () =>
  planWork(begun, (input) => scheduleJob(input, { rough: true, previousStarts })),
);
row(
  "core: the same again on the page, a room finished late",
  `${again.toFixed(0)} ms`,
  "≤ 50 ms",
  times(again, loop, "loop"),
);

const weather = Array.from({ length: 97 }, (_, hours) => ({
  hours,
  temperature: 12 + 6 * Math.sin(hours / 4),
  relativeHumidity: 0.7,
}));
const hardFloor = { fibre: "olefin", faceWeight: 0.1, pileHeight: 0.002, residual: 0.05 } as const;
const held = building.rooms.map(({ climate: _, ...room }, i) => (i === 5 ? { ...room, ...hardFloor } : room));
const withHard = await median(400, () => simulateDrying({ ...building, rooms: held }));
row(
  "core: drying of six rooms, one a hard floor",
  `${withHard.toFixed(2)} ms`,
  "≤ 1 ms",
  times(withHard, loop, "loop"),
);
const { outdoor: _outdoor, ...withoutOutdoor } = building;
const warm = held.map((room) => ({
  ...room,
  climate: { mode: "heated", setpoint: 21, capacity: 80 * room.area } as const,
}));
const heated = await median(400, () => simulateDrying({ ...withoutOutdoor, weather, rooms: warm }));
row("core: the same with heat and weather", `${heated.toFixed(2)} ms`, "≤ 3 ms", times(heated, loop, "loop"));

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
row("core: drying of 60 rooms", `${dry60.toFixed(1)} ms`, "≤ 20 ms", times(dry60, loop, "loop"));
const halls = {
  demands: Array.from({ length: 60 }, (_, i) => ({ roomId: String(i), volume: 20 })),
  vessel: { ...batch.vessel, nominal: 1, heel: 0.01, headSpace: 0.04, graduation: 0.01 },
  strength: ratio(24),
  weakest: ratio(32),
  strongest: ratio(16),
  measure: 5e-6,
};
const fills60 = await median(10, () => planBatch(halls));
row(
  "core: a batch of 60 rooms of 20 m³",
  `${fills60.toFixed(1)} ms`,
  "≤ 50 ms",
  times(fills60, loop, "loop"),
);
const start = performance.now();
dryingRange(big.building, { samples: 20 });
const range60 = (performance.now() - start) * 4;
row("core: range of 60 rooms, 80 runs", `${range60.toFixed(0)} ms`, "", times(range60, dry60, "one drying"));
