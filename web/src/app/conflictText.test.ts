import { describe, expect, test } from "@jest/globals";
import { Interview, Job, RigChoice, Room, RunChoice, Spot, StepPin, WorkBreak } from "@scutch/contract";
import type { MergeConflict } from "@scutch/core/plan";
import { UNITS_OF } from "../format/units.ts";
import { conflictText, FIELDS } from "./conflictText.ts";

const job = { id: "j", title: "House", rooms: [{ id: "r", name: "Lounge" }] } as unknown as Job;
const say = (clash: Partial<MergeConflict>, units = UNITS_OF.metric) => {
  const { what, mine, theirs } = conflictText(
    { kind: "field", path: [], ...clash } as MergeConflict,
    job,
    units,
  );
  return [what, mine, theirs].map((text) => text.replaceAll("\u00a0", " ")).join(" | ");
};

describe("what two edits said differently, in plain words", () => {
  test("every field a plan has is called something: a new one fails here", () => {
    const lists = ["id", "rooms", "former", "doors", "spots", "batches", "breaks", "pins"];
    const keys = [Job, Room, Spot, Interview, RigChoice, RunChoice, WorkBreak, StepPin].flatMap((schema) =>
      Object.keys(schema.shape),
    );
    expect(keys.filter((key) => !lists.includes(key) && !(key in FIELDS))).toEqual([]);
  });

  test("values are said as the screens say them, in the crew's units, and what wasn't said is said so", () => {
    expect(say({ path: ["rooms", "r", "covering"], mine: "cut-pile", theirs: "rug" })).toBe(
      "Lounge: covering | Cut pile | Rug",
    );
    const height = { path: ["rooms", "r", "height"], mine: 2.5 };
    expect(say(height)).toBe("Lounge: ceiling | 2.5 m | not set");
    expect(say(height, UNITS_OF.us)).toBe("Lounge: ceiling | 8′ 2″ | not set");
    expect(say({ path: ["rooms", "r", "air", "temperature"], mine: 20, theirs: 21 })).toBe(
      "Lounge: Air, temperature | 20 °C | 21 °C",
    );
    expect(say({ path: ["interview", "pets"], mine: true, theirs: false })).toBe(
      "Customer’s answers, Pets | yes | no",
    );
    expect(say({ path: ["rooms", "r", "zones", "lane"], mine: {}, theirs: {} })).toMatch(
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
});
