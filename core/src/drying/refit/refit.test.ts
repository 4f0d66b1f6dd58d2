import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import { numberAt } from "../../itemAt.ts";
import { seededRandom, standardNormal } from "../../numeric/index.ts";
import {
  type Building,
  departed,
  dryingRange,
  type HourRange,
  type Reading,
  refit,
  refitInSteps,
  regain,
  simulateDrying,
} from "../index.ts";

interface Truth {
  readonly touchDryHours: number;
  readonly dryHours: number;
}
interface Case extends Building {
  readonly name: string;
  readonly readings: readonly Reading[];
  readonly truth: readonly Truth[];
}
const { cases } = JSON.parse(
  readFileSync(new URL("../../../test-data/refit.json", import.meta.url), "utf8"),
) as { readonly cases: readonly Case[] };

const holds = ({ early, late }: HourRange, hours: number) =>
  hours >= (early ?? Infinity) && hours <= (late ?? Infinity);
const width = ({ early, late }: HourRange) => (late ?? Infinity) - (early ?? Infinity);
const median = (values: readonly number[]) =>
  numberAt(
    values.toSorted((a, b) => a - b),
    values.length >> 1,
  );
const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;

test("over 40 buildings whose truth another program drew, the true times lie inside 10–90 % four times in five, and readings make the ranges less than half as wide", () => {
  const rooms = cases.flatMap((each) => {
    const before = dryingRange(each, { samples: 64 });
    const { ranges, doubtful } = refit(each, each.readings, { samples: 64 });
    expect([each.name, doubtful]).toEqual([each.name, []]);
    return each.truth.map((truth, i) => ({ truth, before: before[i], after: ranges[i] }));
  });
  const inside = (when: "before" | "after", which: "dry" | "touchDry") =>
    mean(
      rooms.map(({ truth, ...ranges }) => {
        const range = ranges[when]?.[which];
        return range && holds(range, truth[which === "dry" ? "dryHours" : "touchDryHours"]) ? 1 : 0;
      }),
    );
  // Of 49 rooms with four in five inside, two standard deviations are 0.11.
  for (const when of ["before", "after"] as const)
    for (const which of ["dry", "touchDry"] as const) {
      expect(inside(when, which)).toBeGreaterThan(0.69);
      expect(inside(when, which)).toBeLessThan(0.91);
    }
  const pairs = rooms.flatMap(({ truth, before, after }) =>
    before && after ? [{ truth, before, after }] : [],
  );
  expect(median(pairs.map(({ before, after }) => width(after.dry) / width(before.dry)))).toBeLessThan(0.45);
  const off = ({ likely }: HourRange, { dryHours }: Truth) => Math.abs((likely ?? Infinity) / dryHours - 1);
  expect(mean(pairs.map(({ truth, before }) => off(before.dry, truth)))).toBeGreaterThan(0.2);
  expect(mean(pairs.map(({ truth, after }) => off(after.dry, truth)))).toBeLessThan(0.13);
});

/** Two heated rooms with a door between them, and what would be read in them if they were off by these factors. */
const flat: Building = {
  outdoor: { temperature: 8, relativeHumidity: 0.75 },
  links: [{ a: 0, b: 1, flow: 150 / 3600 }],
  rooms: [0, 1].map((i) => ({
    area: 14 + 6 * i,
    height: 2.4,
    temperature: 20,
    relativeHumidity: 0.5,
    outdoorAirChangesPerHour: i === 0 ? 3 : 0.5,
    fibre: "nylon",
    faceWeight: 1.1,
    pileHeight: 0.009,
    residual: 0.2,
    finishedAt: 0.5 * i,
    climate: { mode: "heated", setpoint: 20, capacity: 2000 },
  })),
};
function readAt(
  hours: readonly number[],
  factor: { residual: number; rate: number },
  noise = () => 0,
): Reading[] {
  const truth: Building = {
    ...flat,
    rooms: flat.rooms.map((room) => ({
      ...room,
      residual: room.residual * factor.residual,
      rateFactor: factor.rate,
    })),
  };
  const looks = flat.rooms.flatMap((_, room) => hours.map((each) => ({ hours: each, room })));
  const { seen } = simulateDrying(truth, { looks });
  const rest = 1.1 * regain("nylon", 0.5);
  const dry = flat.rooms.map(
    (_, room): Reading => ({ kind: "untouched", hours: 0, room, value: 8 * (1 + noise()) }),
  );
  return [
    ...dry,
    ...looks.flatMap(({ hours: at, room }, k): Reading[] => {
      const { water, relativeHumidity, temperature } = seen[k] as NonNullable<(typeof seen)[number]>;
      const value = (8 + 110 * (water - rest)) * (1 + noise());
      return [
        { kind: "carpet", hours: at, room, value },
        { kind: "air", hours: at, room, relativeHumidity, temperature },
      ];
    }),
  ];
}

test("rooms that dry slower than planned are found out, though nobody knows the meter: the end moves most of the way", () => {
  const slow = { residual: 1, rate: 0.7 };
  const { ranges, departure } = refit(flat, readAt([0.7, 2, 4, 6], slow));
  const truth = simulateDrying({ ...flat, rooms: flat.rooms.map((room) => ({ ...room, rateFactor: 0.7 })) });
  const planned = simulateDrying(flat);
  flat.rooms.forEach((_, i) => {
    const [likely, now, before] = [
      ranges[i]?.dry.likely,
      truth.rooms[i]?.dryHours,
      planned.rooms[i]?.dryHours,
    ];
    expect(Math.abs((likely as number) / (now as number) - 1)).toBeLessThan(0.1);
    expect((likely as number) - (before as number)).toBeGreaterThan(
      0.6 * ((now as number) - (before as number)),
    );
    expect(departure.rooms[i]?.rate).toBeLessThan(0.85);
  });
});

test("one reading that can't be is named and left out, and the others say what they said; a clock, a scale and a pinned meter are told apart", () => {
  const uniform = seededRandom(3);
  const readings = readAt([0.7, 2, 3, 4], { residual: 1.1, rate: 0.9 }, () => 0.03 * standardNormal(uniform));
  const plain = refit(flat, readings);
  expect(plain.doubtful).toEqual([]);
  const more: readonly (readonly [Reading, string])[] = [
    [{ kind: "carpet", hours: 3.5, room: 0, value: 90 }, "unlikely"],
    [{ kind: "air", hours: 3, room: 1, temperature: 20, relativeHumidity: 0.95 }, "unlikely"],
    [{ kind: "carpet", hours: 0.2, room: 1, value: 30 }, "before-finish"],
    [{ kind: "carpet", hours: 9, room: 0, value: 20 }, "future"],
    [{ kind: "carpet", hours: 4, room: 0, value: 0.21 }, "other-scale"],
    [{ kind: "carpet", hours: 1, room: 0, value: 100 }, "meter-end"],
  ];
  const all = refit(flat, [...readings, ...more.map(([reading]) => reading)], { now: 5 });
  expect(all.doubtful.toSorted((a, b) => a.reading - b.reading)).toEqual(
    more.map(([, why], i) => ({ reading: readings.length + i, why })),
  );
  all.ranges.forEach(({ dry }, i) => {
    expect(dry.likely as number).toBeCloseTo(plain.ranges[i]?.dry.likely as number, 1);
  });
  const withoutStandard = readings.filter(({ kind }) => kind !== "untouched");
  expect(new Set(refit(flat, withoutStandard).doubtful.map(({ why }) => why))).toEqual(
    new Set(["no-dry-standard"]),
  );
});

test("the order of readings doesn't matter, the answer is the same twice, and a first one comes after few runs", () => {
  const readings = readAt([0.7, 2, 3], { residual: 1.2, rate: 0.9 });
  const once = refit(flat, readings);
  expect(refit(flat, readings)).toEqual(once);
  refit(flat, readings.toReversed()).ranges.forEach(({ dry }, i) => {
    expect(dry.likely as number).toBeCloseTo(once.ranges[i]?.dry.likely as number, 2);
  });
  let runs = 0;
  for (const answer of refitInSteps(flat, readings)) {
    runs++;
    if (answer) break;
  }
  expect(runs).toBeLessThan(40);
});

test("from the first answer on, what is likeliest lies in the range told with it", () => {
  for (const each of cases.slice(0, 12))
    for (const answer of refitInSteps(each, each.readings, { samples: 64 }))
      if (answer)
        simulateDrying(departed(each, answer.departure)).rooms.forEach(({ dryHours, touchDryHours }, i) => {
          const { dry, touchDry } = answer.ranges[i] as NonNullable<(typeof answer.ranges)[number]>;
          // A range of sixteen samples may be a minute or two wide.
          expect(dryHours).toBeGreaterThan((dry.early as number) * 0.97);
          expect(dryHours).toBeLessThan((dry.late as number) * 1.03);
          expect(touchDryHours).toBeGreaterThan((touchDry.early as number) * 0.97);
          expect(touchDryHours).toBeLessThan((touchDry.late as number) * 1.03);
        });
});

test("no readings leave the range as it was; a room without any is narrowed only by its neighbour's", () => {
  const before = dryingRange(flat);
  refit(flat, []).ranges.forEach(({ dry }, i) => {
    expect((dry.likely as number) / (before[i]?.dry.likely as number)).toBeCloseTo(1, 1);
    expect(width(dry) / width((before[i] as NonNullable<(typeof before)[number]>).dry)).toBeCloseTo(1, 0);
  });
});
