import { describe, expect, test } from "@jest/globals";
import { findAll } from "./search.ts";
import { aboutOf } from "./words.ts";

const first = (asked: string) => findAll(asked).found[0]?.sections[0]?.key;
const keys = (asked: string) =>
  findAll(asked).found.flatMap(({ sections }) => sections.map(({ key }) => key));

describe("the reference is asked as people speak", () => {
  test.each([
    ["red wine", "wine-fruit"],
    ["red drink", "red-drink"],
    ["pee", "urine"],
    ["dog accident", "urine"],
    ["ice melt", "ice-melt"],
    ["how long does it keep", "How long to use a mix"],
    ["pot life", "How long to use a mix"],
    ["shut down", "Shutting a machine down"],
    ["frozen pump", "Frost"],
    ["staircase", "Stairs"],
    ["breaker", "Circuits"],
    ["uncoupling a hose", "Release pressure before you uncouple"],
  ])("%s finds %s", (asked, key) => {
    expect(keys(asked)).toContain(key);
  });

  test("words in any order find the same, and one letter off still finds", () => {
    expect(keys("acid and chlorine bleach").toSorted()).toEqual(keys("chlorine bleach acid").toSorted());
    expect(keys("olefine")).toContain("olefin");
    expect(first("stairs")).toBe("Stairs");
  });

  test("what nothing speaks of finds nothing; what no entry says all of finds the nearest and says so", () => {
    expect(findAll("marzipan").found).toEqual([]);
    expect(findAll("frost marzipan")).toMatchObject({ all: false });
    expect(findAll("frost").all).toBe(true);
  });

  test("a spot on a fibre is told apart from both, by any of their names", () => {
    expect(aboutOf("wine on wool")).toMatchObject({ origin: "wine-fruit", fibre: "wool" });
    expect(aboutOf("Pee on polypropylene")).toMatchObject({ origin: "urine", fibre: "olefin" });
    expect(aboutOf("biro, loop pile")).toMatchObject({ origin: "ink", covering: "loop-pile" });
    expect(aboutOf("frost")).toEqual({ origin: undefined, fibre: undefined, covering: undefined });
  });
});
