import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { itemAt } from "../itemAt.ts";
import { type CourseSample, simplifyCourse } from "./course.ts";

const at = (course: readonly CourseSample[], hours: number, of: (moment: CourseSample) => number): number => {
  const right = course.findIndex((moment) => moment.hours >= hours);
  const [a, b] = [itemAt(course, Math.max(0, right - 1)), itemAt(course, right)];
  return b.hours > a.hours ? of(a) + ((hours - a.hours) / (b.hours - a.hours)) * (of(b) - of(a)) : of(b);
};

test("a thinned course keeps its ends and lies nowhere further off than a line is wide (fuzz)", () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(
          fc.double({ min: 0.01, max: 2, noNaN: true }),
          fc.double({ min: 0, max: 1, noNaN: true }),
          fc.double({ min: 0.2, max: 1, noNaN: true }),
        ),
        {
          minLength: 2,
          maxLength: 60,
        },
      ),
      (steps) => {
        let hours = 0;
        const course = steps.map(([step, freeWater, relativeHumidity]): CourseSample => {
          hours += step;
          return { hours, freeWater, relativeHumidity, temperature: 20 };
        });
        const thin = simplifyCourse(course);
        expect([thin[0], thin.at(-1)]).toEqual([course[0], course.at(-1)]);
        for (const value of [(m: CourseSample) => m.freeWater, (m: CourseSample) => m.relativeHumidity]) {
          const values = course.map(value);
          const allowed = 0.002 * (Math.max(...values) - Math.min(...values)) + 1e-9;
          for (const moment of course)
            expect(Math.abs(at(thin, moment.hours, value) - value(moment))).toBeLessThanOrEqual(allowed);
        }
      },
    ),
    { seed: 3, numRuns: 200 },
  );
});

test("a smooth course of hundreds of moments comes down to what a picture needs", () => {
  const course = Array.from({ length: 600 }, (_, i): CourseSample => {
    const hours = i / 20;
    return {
      hours,
      freeWater: 0.3 * Math.exp(-hours / 5),
      relativeHumidity: 0.5 + 0.3 * Math.exp(-hours / 8),
      temperature: 20,
    };
  });
  expect(simplifyCourse(course).length).toBeLessThan(60);
});
