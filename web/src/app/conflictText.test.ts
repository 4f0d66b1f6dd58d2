import { describe, expect, test } from "@jest/globals";
import type { Job } from "@scutch/contract";
import { aJob, anyJob, aRoom, idFor } from "@scutch/contract/testing";
import { type MergeConflict, mergePlans } from "@scutch/core/plan";
import fc from "fast-check";
import { UNITS_OF } from "../format/units.ts";
import { conflictText } from "./conflictText.ts";

const job = aJob({ title: "House", rooms: [aRoom("Lounge")] });
const say = (clash: Partial<MergeConflict>, units = UNITS_OF.metric) => {
  const { what, mine, theirs } = conflictText(
    { kind: "field", path: [], ...clash } as MergeConflict,
    job,
    units,
  );
  return [what, mine, theirs].map((text) => text.replaceAll("\u00a0", " ")).join(" | ");
};

/** What of a room someone else set: all but its id and size. */
const changed = (job: Job, i: number) => {
  const {
    id: _,
    shape: __,
    parts: ___,
    ...rest
  } = job.rooms[i] ?? { id: "", shape: undefined, parts: undefined };
  return rest;
};

describe("what two edits said differently, in plain words", () => {
  test("whatever two people change of a plan, each question names the thing without a key of the file (fuzz)", () => {
    fc.assert(
      fc.property(anyJob(1), anyJob(2), anyJob(3), (base, one, other) => {
        const theirs = {
          ...other,
          id: base.id,
          rooms: base.rooms.map((room, i) => ({ ...other.rooms[i], ...room, ...changed(other, i) })),
        };
        const mine = {
          ...one,
          id: base.id,
          rooms: base.rooms.map((room, i) => ({ ...one.rooms[i], ...room, ...changed(one, i) })),
        };
        const { conflicts } = mergePlans(base, mine, theirs);
        for (const conflict of conflicts) {
          const { what, mine: left, theirs: right } = conflictText(conflict, base, UNITS_OF.metric);
          // Keys of several words are written together: no word on a screen is.
          expect(`${what} | ${left} | ${right}`).not.toMatch(/\b[a-z]+[A-Z]\w*|undefined|\[object|NaN/);
          expect(what).not.toBe("");
        }
      }),
      { seed: 18, numRuns: 60 },
    );
  });

  test("values are said as the screens say them, in the crew's units, and what wasn't said is said so", () => {
    expect(say({ path: ["rooms", idFor("Lounge"), "covering"], mine: "cut-pile", theirs: "rug" })).toBe(
      "Lounge: floor type | Cut pile | Rug",
    );
    const height = { path: ["rooms", idFor("Lounge"), "height"], mine: 2.5 };
    expect(say(height)).toBe("Lounge: ceiling | 2.5 m | not set");
    expect(say(height, UNITS_OF.us)).toBe("Lounge: ceiling | 8′ 2″ | not set");
    expect(say({ path: ["rooms", idFor("Lounge"), "air", "temperature"], mine: 20, theirs: 21 })).toBe(
      "Lounge: Air, temperature | 20 °C | 21 °C",
    );
    expect(say({ path: ["priceLines", `room:${idFor("Lounge")}`, "amount"], mine: 60, theirs: 55.5 })).toBe(
      "Price of Lounge: price | 60.00 | 55.50",
    );
    expect(say({ path: ["interview", "pets"], mine: true, theirs: false })).toBe(
      "Customer’s answers, Pets | yes | no",
    );
    expect(say({ path: ["rooms", idFor("Lounge"), "zones", "lane"], mine: {}, theirs: {} })).toMatch(
      /this device’s \| the other device’s$/,
    );
  });

  test("a thing taken out on one side is named, even when it isn't in the plan", () => {
    const attic = { id: "x", name: "Attic" };
    expect(say({ kind: "removed-there", path: ["rooms", "x"], mine: attic })).toBe(
      "Attic: changed here, removed there | keep it | remove it",
    );
    expect(say({ kind: "full", path: ["rooms", "x"], mine: attic })).toMatch(
      /^No room left in the list for Attic/,
    );
    expect(say({ kind: "order", path: ["rooms"], mine: [], theirs: [] })).toBe(
      "Room order | this device’s | the other device’s",
    );
  });

  test("the age of a carpet is in years, that of a spot has a name", () => {
    const room = { path: ["rooms", idFor("Lounge"), "age"], mine: 3, theirs: 12 };
    expect(say(room)).toContain("3 years | 12 years");
    expect(say({ path: ["spots", idFor("coffee"), "age"], mine: "fresh", theirs: "set" })).not.toContain(
      "years",
    );
  });
});
