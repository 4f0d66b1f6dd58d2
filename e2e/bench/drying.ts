/** Drying with heat, its ranges, what readings cost, and what to move: core alone, as the worker runs it. */
import {
  type Building,
  dryingRange,
  jointMovesInSteps,
  type Levers,
  type Reading,
  refitInSteps,
  simulateDrying,
  whatLimits,
} from "@scutch/core/drying";
import { guessColumns, readLoggerRow, thinReadings } from "@scutch/core/logger";
import { fixedLoop, median, row, times } from "./row.ts";

const house = (count: number): Building => ({
  outdoor: { temperature: 8, relativeHumidity: 0.75 },
  rooms: Array.from({ length: count }, (_, i) => ({
    area: 10 + 3 * (i % 4),
    height: 2.4,
    temperature: 20,
    relativeHumidity: 0.5,
    outdoorAirChangesPerHour: i % 2 ? 3 : 0.5,
    fibre: (["nylon", "polyester", "wool"] as const)[i % 3] ?? "nylon",
    faceWeight: 1.1,
    pileHeight: 0.009,
    residual: 0.2,
    finishedAt: 0.4 * i,
    climate: { mode: "heated", setpoint: 20, capacity: 1500 },
  })),
  links: Array.from({ length: count - 1 }, (_, i) => ({ a: i, b: i + 1, flow: 150 / 3600 })),
});
const six = house(6);
const readings = six.rooms.flatMap(({ finishedAt = 0 }, room): Reading[] => [
  { kind: "untouched", hours: finishedAt, room, value: 8 },
  { kind: "carpet", hours: finishedAt + 0.2, room, value: 32 },
  { kind: "carpet", hours: finishedAt + 1.5, room, value: 26 },
  { kind: "air", hours: finishedAt + 1.5, room, temperature: 20, relativeHumidity: 0.56 },
]);
const loop = fixedLoop();
const timed = (work: () => unknown): number => {
  const start = performance.now();
  work();
  return performance.now() - start;
};

const one = await median(60, () => simulateDrying(six));
row("core: drying of six heated rooms", `${one.toFixed(2)} ms`, "≤ 3 ms", times(one, loop, "loop"));
for (const count of [1, 6]) {
  const building = house(count);
  const took = timed(() => dryingRange(building, { samples: 1000 }));
  row(
    `core: range of ${count === 1 ? "a room" : "six rooms"}, 1,000 samples`,
    `${took.toFixed(0)} ms`,
    count === 1 ? "≤ 800 ms" : "",
    times(took, one, "one drying of six"),
  );
}
let first = 0;
const began = performance.now();
for (const answer of refitInSteps(six, readings))
  if (answer && first === 0) first = performance.now() - began;
const refitted = performance.now() - began;
row(
  "core: readings of six rooms, first answer",
  `${first.toFixed(0)} ms`,
  "≤ 150 ms",
  times(first, one, "drying"),
);
row(
  "core: readings of six rooms, whole",
  `${refitted.toFixed(0)} ms`,
  "≤ 1.5 s",
  times(refitted, one, "drying"),
);

const eight = house(8);
const levers: Levers = {
  rooms: eight.rooms.map(() => ({ windows: [0.5, 1.5, 3, 8], takesMovers: true, mostMovers: 2 })),
  airMovers: { each: { flow: 0.9, jetSpeed: 8, power: 250 }, count: 6 },
  dehumidifiers: { each: { litresPerDay: 50, power: 600 }, count: 2 },
  from: 0,
};
let runs = 0;
const placing = timed(() => {
  const steps = jointMovesInSteps(eight, levers, { kind: "all" });
  while (!steps.next().done) runs++;
});
row(
  `core: six movers, two dehumidifiers over eight rooms, ${runs} runs`,
  `${placing.toFixed(0)} ms`,
  "≤ 2 s",
  times(placing, one, "drying of six"),
);

const limits = timed(() =>
  whatLimits({
    building: house(8),
    room: 3,
    isAirAssumed: Array.from({ length: 8 }, () => true),
    outdoor: { temperature: 5, relativeHumidity: 0.12 },
  }),
);
row(
  "core: what holds a room of eight up",
  `${limits.toFixed(0)} ms`,
  "",
  times(limits, one, "one drying of six"),
);

/** A logger's file of 200,000 rows, a minute apart, with a gap a day. */
const loggerRows = Array.from({ length: 200_000 }, (_, i) => [
  new Date(Date.UTC(2026, 0, 1) + (i + 30 * Math.floor(i / 1440)) * 60_000)
    .toISOString()
    .slice(0, 19)
    .replace("T", " "),
  (19 + (i % 30) / 10).toFixed(1),
  (50 + (i % 70) / 10).toFixed(1),
]);
const columns = guessColumns([["Time", "Temp", "RH"], ...loggerRows.slice(0, 200)]);
if (!columns) throw new Error("The logger's columns weren't found.");
const logger = timed(() => {
  const read = loggerRows.flatMap((cells) => {
    const found = readLoggerRow(cells, columns);
    return typeof found === "string" ? [] : [{ ...found, time: Date.parse(`${found.wall}Z`) }];
  });
  return thinReadings(read, { from: 0, to: Number.POSITIVE_INFINITY, most: 96 });
});
row("core: a logger's 200,000 rows", `${logger.toFixed(0)} ms`, "", times(logger, loop, "loop"));
