import { expect, test } from "@jest/globals";
import { simulateDrying } from "../drying/index.ts";
import { type JobInput, levelAt, planWork, vesselLevels } from "../plan/index.ts";
import { sprayBatch } from "../testing/sprayBatch.ts";
import {
  explainFinish,
  lanesOf,
  nextAfter,
  type RunSection,
  roomState,
  sectionState,
  sectionWetness,
  stepAt,
} from "./index.ts";

const vessel = sprayBatch().vessel;
const input: JobInput = {
  rooms: [
    { id: "a", name: "A", shape: { kind: "rectangle", length: 5, width: 3.5 }, fibre: "nylon" },
    { id: "b", name: "B", shape: { kind: "rectangle", length: 6, width: 3.5 }, fibre: "nylon", soil: 4 },
    {
      id: "c",
      name: "C",
      shape: { kind: "rectangle", length: 7, width: 3.5 },
      fibre: "nylon",
      method: "low-moisture",
      batchId: "spray",
    },
  ],
  batches: [sprayBatch()],
};
const work = planWork(input);
if (work.run.outcome !== "planned") throw new Error(JSON.stringify(work.run.fault));
const { run } = work;
const lanes = lanesOf(work.rooms, run, simulateDrying(work.building, { keepCourse: true }));

test("a room goes from to do over dwelling and cleaning to dry, one after another, and never back", () => {
  const order = ["to-do", "preparing", "prepared", "dwelling", "under-way", "wet", "touch-dry", "dry"];
  for (const lane of lanes) {
    const last = (lane.dryAtSeconds ?? lane.finished) + 60;
    let before = 0;
    for (let second = 0; second <= last; second += 20) {
      const { kind } = roomState(lane, second);
      // Between two sections it dwells again.
      const now = order.indexOf(
        kind === "dwelling" && before === order.indexOf("under-way") ? "under-way" : kind,
      );
      expect(now).toBeGreaterThanOrEqual(before);
      before = now;
    }
    expect(order[before]).toBe("dry");
  }
});

test("a section is dry, sprayed, wettest as it is cleaned, and from then on only drier; its tail is its own", () => {
  for (const lane of lanes)
    for (const section of lane.sections) {
      expect(sectionWetness(section, lane, section.sprayStart - 1)).toBe(0);
      expect(sectionState(section, section.sprayEnd)).toBe("sprayed");
      expect(sectionWetness(section, lane, section.cleanStart + 1)).toBe(1);
      let wet = 1;
      for (let after = 0; after < 40_000; after += 500) {
        const next = sectionWetness(section, lane, section.cleanEnd + after);
        expect(next).toBeLessThanOrEqual(wet + 1e-9);
        wet = next;
      }
    }
  // What was cleaned first is drier at every hour than what was cleaned last in the same room.
  const [many] = lanes.filter(({ sections }) => sections.length > 1);
  const [first, last] = [many?.sections[0], many?.sections.at(-1)];
  if (many && first && last)
    expect(sectionWetness(first, many, last.cleanEnd + 1800)).toBeLessThan(
      sectionWetness(last, many, last.cleanEnd + 1800),
    );
});

test("a person does one thing or waits for the next one, and what is done at an hour is what the plan has then", () => {
  for (let second = 0; second < run.makespan; second += 45) {
    const step = stepAt(run.steps, 0, second);
    if (step) expect(step.start <= second && second < step.end).toBe(true);
    else expect(nextAfter(run.steps, 0, second)?.start).toBeGreaterThan(second);
  }
  expect(nextAfter(run.steps, 0, run.makespan)).toBeUndefined();
});

test("a sprayer holds what was filled less what was sprayed, and ends with what is left over", () => {
  const [level] = vesselLevels(input, work);
  if (!level) throw new Error("no vessel");
  const [batch] = work.batches;
  const fills = batch?.batch.outcome === "planned" ? batch.batch.fills : [];
  const filled = fills.reduce((sum, { volume }) => sum + volume, 0);
  const sprayed = work.rooms.reduce((sum, { preSpray }) => sum + preSpray, 0);
  expect(levelAt(level, run.makespan)).toBeCloseTo(filled - sprayed, 9);
  for (const { volume } of level.points) expect(volume).toBeLessThanOrEqual(vessel.nominal + 1e-9);
});

test("a section changes at the very second it is sprayed, cleaned and left; one that isn't sprayed stays dry till it is cleaned", () => {
  const section = { sprayId: "s", sprayStart: 100, cleanStart: 700, cleanEnd: 900 } as unknown as RunSection;
  const { sprayId: _, ...unsprayed } = section;
  const at = (each: object, seconds: readonly number[]) =>
    seconds.map((second) => sectionState(each as RunSection, second));
  expect(at(section, [99, 100, 699, 700, 899, 900])).toEqual([
    "dry",
    "sprayed",
    "sprayed",
    "being-cleaned",
    "being-cleaned",
    "clean",
  ]);
  expect(at(unsprayed, [99, 100, 699, 700])).toEqual(["dry", "dry", "dry", "being-cleaned"]);
});

test("a room's finish is worked out from its last step, and adds up", () => {
  for (const room of work.rooms) {
    const explained = explainFinish(room);
    expect(explained.result.value).toBeCloseTo(room.finishedAtHours, 9);
    const last = Math.max(...room.steps.map(({ end }) => end));
    expect(explained.result.value * 3600).toBeCloseTo(last, 6);
    const spent = explained.steps.map(({ value }) => value);
    const worked = room.steps.reduce((sum, { start, end }) => sum + end - start, 0);
    expect(spent.reduce((sum, each) => sum + each, 0)).toBeCloseTo(worked, 6);
    expect(explained.steps.map(({ name }) => name)).toContain("clean");
    expect(explainFinish({ ...room, finishLogged: true, finishedAtHours: 1.25 }).result.value).toBe(1.25);
  }
});
