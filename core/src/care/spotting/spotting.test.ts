import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  AGENT_FACTS,
  AGENTS,
  ATTEMPT_RESULTS,
  type Attempt,
  COVERINGS,
  FLOOR_FIBRES,
  fitsAgent,
  guideFor,
  type KnownSpot,
  NATURES,
  ORIGIN_FACTS,
  ORIGINS,
  SPOT_AGES,
  type SpotAge,
} from "../index.ts";
import { wettingOf } from "./agentFacts.ts";

const NYLON = { covering: "cut-pile", fibre: "nylon" } as const;
const WOOL = { covering: "deep-pile", fibre: "wool" } as const;
const COFFEE: KnownSpot = { origin: "coffee-tea", nature: "not-sure", age: "old", area: 0.02 };
const agents = (guide: ReturnType<typeof guideFor>) => guide.steps.map(({ agent }) => agent);
const next = (spot: KnownSpot, floor: Parameters<typeof guideFor>[1], attempts: readonly Attempt[]) => {
  const { outcome } = guideFor(spot, floor, attempts);
  return outcome.kind === "work" ? outcome.step.agent : outcome.kind === "stop" ? outcome.why : "clean";
};

describe("a spot worked step by step", () => {
  test("coffee on nylon goes from lifting to acid, repeating what helps and leaving what doesn't", () => {
    const done: Attempt[] = [];
    const walk = (agent: Attempt["agent"], result: Attempt["result"]) => {
      expect(next(COFFEE, NYLON, done)).toBe(agent);
      done.push({ agent, result });
    };
    walk("lift-off", "no-change");
    walk("water", "better");
    walk("water", "no-change");
    walk("neutral", "better");
    walk("neutral", "better");
    walk("neutral", "better"); // three times is enough
    walk("acid", "gone");
    expect(next(COFFEE, NYLON, done)).toBe("clean");
  });

  test("a product that lifts matter stands longer on an old spot and twice as long on a set one; the others don't", () => {
    const stand = (age: SpotAge) =>
      guideFor({ ...COFFEE, origin: "blood", age }, NYLON, []).steps.map(({ agent, contact }) => ({
        agent,
        contact,
        base: AGENT_FACTS[agent].contact * (AGENT_FACTS[agent].takes === "matter" ? 1 : 0),
      }));
    for (const [age, longer] of [
      ["fresh", 1],
      ["old", 1.5],
      ["set", 2],
    ] as const) {
      const fresh = stand("fresh");
      for (const [i, { contact, base }] of stand(age).entries())
        expect(contact).toBe((fresh[i]?.contact ?? 0) + base * (longer - 1));
    }
    expect(stand("set").some(({ base }) => base > 0)).toBe(true);
    expect(stand("set").some(({ base }) => base === 0)).toBe(true);
  });

  test("what makes it worse ends the work; with every step tried there is nothing left to do", () => {
    expect(next(COFFEE, NYLON, [{ agent: "lift-off", result: "worse" }])).toBe("worse");
    const tried = ORIGIN_FACTS["coffee-tea"].steps.map((agent): Attempt => ({ agent, result: "no-change" }));
    expect(next(COFFEE, NYLON, tried)).toBe("nothing-left");
  });

  test("wool bars oxygen and alkali with their reason; an iron never meets wool, olefin or an unknown fibre", () => {
    const blood = guideFor({ ...COFFEE, origin: "blood" }, WOOL, []);
    expect(blood.steps.filter(({ state }) => state === "barred").map(({ agent }) => agent)).toEqual([
      "alkali",
      "peroxide",
    ]);
    for (const floor of [
      WOOL,
      { covering: "cut-pile", fibre: "olefin" },
      { covering: "carpet-tile" },
    ] as const) {
      const heat = guideFor({ ...COFFEE, origin: "red-drink" }, floor, []).steps.find(
        ({ agent }) => agent === "heat-transfer",
      );
      expect(heat).toMatchObject({ state: "barred", judgement: { verdict: "stop" } });
    }
    expect(guideFor({ ...COFFEE, origin: "red-drink" }, NYLON, []).steps.at(-1)).toMatchObject({
      state: "later",
      facts: { gated: true },
    });
  });

  test("a spot of matter gets no colour step; a stain is told and priced apart", () => {
    expect(agents(guideFor({ ...COFFEE, nature: "spot" }, NYLON, []))).not.toContain("peroxide");
    const stain = guideFor({ ...COFFEE, nature: "stain" }, NYLON, []);
    expect(agents(stain)).toContain("peroxide");
    expect(stain.price).toBe("stain");
    expect(stain.tell).toHaveLength(2);
    expect(guideFor({ ...COFFEE, origin: "urine" }, NYLON, []).price).toBe("odour");
  });

  test("a reducer after an oxidiser says what they make of each other; the amount follows the spot's size", () => {
    const after = guideFor({ ...COFFEE, origin: "red-drink" }, NYLON, [
      { agent: "peroxide", result: "no-change" },
    ]);
    expect(after.steps.find(({ agent }) => agent === "reducer")?.after).toMatchObject([
      { pair: ["peroxide", "reducer"], onOneFloor: "rinse-between" },
    ]);
    const water = guideFor(COFFEE, NYLON, []).steps.find(({ agent }) => agent === "water");
    expect((water?.amount as number) * 1e6).toBeCloseTo(10, 9); // 0.5 L/m² on 200 cm² is 10 ml
  });
});

describe("what a step is and what it does to the floor", () => {
  test("water and soaks are judged as wetting is: plant fibre takes none, silk and viscose no soak", () => {
    const states = (fibre: "plant" | "silk" | "viscose") =>
      Object.fromEntries(
        guideFor({ ...COFFEE, origin: "urine" }, { covering: "rug", fibre }, []).steps.map(
          ({ agent, state, judgement }) => [agent, [state, judgement?.reasons[0]?.trait]],
        ),
      );
    expect(states("plant").water).toEqual(["barred", "wet"]);
    expect(states("silk").water).toEqual(["barred", "wet"]);
    expect(states("viscose").enzyme?.[0]).toBe("barred");
    const plant = guideFor({ ...COFFEE, origin: "soil" }, { covering: "rug", fibre: "plant" }, []);
    expect(
      plant.steps.filter(({ agent }) => agent !== "lift-off").every(({ state }) => state === "barred"),
    ).toBe(true);
  });

  test("an iron never meets acrylic; a rust remover on nylon is a caution, on wool a stop", () => {
    const find = (origin: "red-drink" | "rust", floor: Parameters<typeof guideFor>[1], agent: string) =>
      guideFor({ ...COFFEE, origin }, floor, []).steps.find((step) => step.agent === agent)?.judgement
        ?.verdict;
    expect(find("red-drink", { covering: "cut-pile", fibre: "acrylic" }, "heat-transfer")).toBe("stop");
    expect(find("rust", NYLON, "rust-remover")).toBe("caution");
    expect(find("rust", WOOL, "rust-remover")).toBe("stop");
  });

  test("a product fits a step by what it is and where it stands in use", () => {
    expect(fitsAgent("neutral", { phInUse: 7, chemistry: ["anionic"] })).toBe(true);
    expect(fitsAgent("neutral", { phInUse: 7 })).toBe(true);
    expect(fitsAgent("neutral", { phInUse: 7, chemistry: ["cationic"] })).toBe(false);
    expect(fitsAgent("neutral", { phInUse: 7, chemistry: ["peroxide"] })).toBe(false);
    expect(fitsAgent("neutral", {})).toBe(false);
    expect(fitsAgent("enzyme", { phInUse: 9, chemistry: ["enzyme"] })).toBe(true);
    expect(fitsAgent("enzyme", { phInUse: 9 })).toBe(false);
    expect(fitsAgent("alkali", { phInUse: 10.5 })).toBe(true);
    expect(fitsAgent("peroxide", { phInUse: 9.8, chemistry: ["percarbonate"] })).toBe(true);
    expect(fitsAgent("peroxide", { phInUse: 9.8, chemistry: ["percarbonate", "chlorine"] })).toBe(false);
    expect(fitsAgent("spirit", { chemistry: ["alcohol"] })).toBe(true);
    expect(fitsAgent("water", { phInUse: 7 })).toBe(false);
  });

  test("a step passed over is nothing done: not tried, no chemistry on the floor, and the next is offered", () => {
    const lifted: Attempt[] = [{ agent: "lift-off", result: "no-change" }];
    const guide = guideFor({ ...COFFEE, origin: "red-drink" }, NYLON, lifted, ["water", "peroxide"]);
    expect(guide.steps.find(({ agent }) => agent === "water")).toMatchObject({
      state: "skipped",
      attempts: [],
    });
    expect(guide.outcome).toMatchObject({ kind: "work", step: { agent: "neutral" } });
    expect(guide.steps.find(({ agent }) => agent === "reducer")?.after).toEqual([]);
    // Done after all, it counts as done.
    const done = guideFor(COFFEE, NYLON, [...lifted, { agent: "water", result: "better" }], ["water"]);
    expect(done.outcome).toMatchObject({ kind: "work", step: { agent: "water" } });
  });

  test("it never steps back to a gentler agent than was tried, and a step that made it better is offered again (fuzz)", () => {
    expect(next(COFFEE, NYLON, [{ agent: "acid", result: "no-change" }])).toBe("peroxide");
    expect(next(COFFEE, NYLON, [{ agent: "acid", result: "better" }])).toBe("acid");
    const skipped = guideFor(COFFEE, NYLON, [{ agent: "acid", result: "better" }]).steps;
    expect(skipped.map(({ state }) => state)).toEqual(["passed", "passed", "passed", "next", "later"]);
    fc.assert(
      fc.property(
        fc.constantFrom(...ORIGINS),
        fc.constantFrom(NYLON, WOOL, { covering: "rug" } as const),
        fc.array(
          fc.record({
            agent: fc.constantFrom(...AGENTS),
            result: fc.constantFrom("better" as const, "no-change" as const),
          }),
          { maxLength: 5 },
        ),
        (origin, floor, attempts) => {
          const guide = guideFor({ ...COFFEE, origin }, floor, attempts);
          if (guide.outcome.kind !== "work") return;
          const order = agents(guide);
          const place = order.indexOf(guide.outcome.step.agent);
          for (const { agent } of attempts)
            if (order.includes(agent)) expect(place).toBeGreaterThanOrEqual(order.indexOf(agent));
          const last = attempts.at(-1);
          const strongest = Math.max(-1, ...attempts.map(({ agent }) => order.indexOf(agent)));
          const repeats = attempts.filter(({ agent }) => agent === last?.agent);
          const known = attempts.every(({ agent }) => order.includes(agent));
          const barred = guide.steps.find(({ agent }) => agent === last?.agent)?.state === "barred";
          if (
            known &&
            last?.result === "better" &&
            order.indexOf(last.agent) === strongest &&
            repeats.length < 3 &&
            !barred
          )
            expect(guide.outcome.step.agent).toBe(last.agent);
        },
      ),
      { seed: 59, numRuns: 500 },
    );
  });
});

test("whatever the spot, floor and history: at most one step is next, none that is barred, gated ones carry a caution (fuzz)", () => {
  fc.assert(
    fc.property(
      fc.record({
        origin: fc.constantFrom(...ORIGINS),
        nature: fc.constantFrom(...NATURES),
        age: fc.constantFrom(...SPOT_AGES),
        area: fc.double({ min: 1e-4, max: 2, noNaN: true }),
      }),
      fc.record({ covering: fc.constantFrom(...COVERINGS), fibre: fc.constantFrom(...FLOOR_FIBRES) }),
      fc.array(
        fc.record({
          agent: fc.constantFrom("lift-off" as const, "water" as const, "neutral" as const, "acid" as const),
          result: fc.constantFrom(...ATTEMPT_RESULTS),
        }),
        { maxLength: 6 },
      ),
      (spot, floor, attempts) => {
        const { steps, outcome } = guideFor(spot, floor, attempts);
        const nexts = steps.flatMap(({ agent, state }) => (state === "next" ? [agent] : []));
        expect(nexts).toEqual(outcome.kind === "work" ? [outcome.step.agent] : []);
        // Work ends when it got worse or is gone, and a step never follows that is gentler than one that was used.
        const last = attempts.at(-1)?.result;
        if (last === "worse" || last === "gone") expect(outcome.kind).not.toBe("work");
        const strength = (agent: string) => steps.findIndex((step) => step.agent === agent);
        if (outcome.kind === "work")
          for (const { agent } of attempts)
            expect(strength(outcome.step.agent)).toBeGreaterThanOrEqual(strength(agent));
        // Bleaches, solvents and irons come with a caution and never on wool, silk or plant fibre by themselves.
        if (outcome.kind === "work" && outcome.step.agent === "heat-transfer")
          expect(["wool", "silk", "olefin", "plant", "unknown"]).not.toContain(floor.fibre);
        if (outcome.kind === "work" && /peroxide|reducing|solvent|heat|rust/.test(outcome.step.agent))
          expect(AGENT_FACTS[outcome.step.agent].caution).toMatch(/\.$/);
      },
    ),
    { seed: 53, numRuns: 500 },
  );
});

test("steps of every origin run from gentle to strong, but for the order that finds out what an unknown spot is", () => {
  const matterBeforeColour = (origin: (typeof ORIGINS)[number]) => {
    const takes = ORIGIN_FACTS[origin].steps.map((agent) => AGENT_FACTS[agent].takes);
    return takes.lastIndexOf("matter") < (takes.indexOf("colour") + takes.length + 1) % (takes.length + 1);
  };
  for (const origin of ORIGINS) {
    expect(ORIGIN_FACTS[origin].steps[0]).toBe("lift-off");
    expect(matterBeforeColour(origin)).toBe(true);
  }
});

test("a step on the cloth keeps the floor dry, what dampens is damp, a soak is wet (common practice)", () => {
  const wetting = (...agents: Parameters<typeof wettingOf>[0][]) => agents.map(wettingOf);
  expect(wetting("lift-off", "freeze", "spirit", "solvent")).toEqual(["dry", "dry", "dry", "dry"]);
  expect(
    wetting("neutral", "acid", "alkali", "rust-remover", "peroxide", "reducer", "heat-transfer"),
  ).toEqual(Array(7).fill("damp"));
  expect(wetting("water", "enzyme")).toEqual(["wet", "wet"]);
});
