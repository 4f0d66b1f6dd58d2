import type { CareFloor } from "../floor.ts";
import { type Judgement, judgeProduct } from "../judge.ts";
import { type HazardousPair, hazardsBetween } from "../pairs.ts";
import { AGENT_FACTS, type AgentFacts } from "./agentFacts.ts";
import type { Agent } from "./agents.ts";
import { ORIGIN_FACTS } from "./originFacts.ts";
import type { Origin } from "./origins.ts";
import type { AttemptResult, Nature, SpotAge } from "./spot.ts";

/** A step that was done to a spot, as logged. */
export interface Attempt {
  readonly agent: Agent;
  readonly result: AttemptResult;
}

export interface KnownSpot {
  readonly origin: Origin;
  readonly nature: Nature;
  readonly age: SpotAge;
  /** m². */
  readonly area: number;
}

export interface GuideStep {
  readonly agent: Agent;
  readonly facts: AgentFacts;
  readonly state: "done" | "next" | "later" | "barred";
  /** m³ the spot takes of it. */
  readonly amount: number;
  readonly contact: number;
  readonly judgement?: Judgement;
  /** What it makes with something tried before: rinse and extract in between, or never. */
  readonly after: readonly HazardousPair[];
  readonly attempts: readonly AttemptResult[];
}

/** What to do now, or why to do nothing more. */
export type Outcome =
  | { readonly kind: "work"; readonly step: GuideStep }
  | { readonly kind: "clean" }
  | { readonly kind: "stop"; readonly why: "worse" | "nothing-left" };

export interface Guide {
  readonly steps: readonly GuideStep[];
  readonly outcome: Outcome;
  /** What to tell the customer before and after. */
  readonly tell: readonly string[];
  readonly warn?: string;
  readonly when: "before" | "after";
  /** Line of the bill it adds: matter, colour, or smell. */
  readonly price: "spot" | "stain" | "odour";
}

/** So often one step is worth repeating while it still helps (common practice). */
const MOST_REPEATS = 3;
const AGED: Record<SpotAge, number> = { fresh: 1, old: 1.5, set: 2 };
const HEAT_NEVER: readonly string[] = ["wool", "silk", "olefin", "viscose", "plant", "unknown"];
const SET_TELL =
  "It has changed the colour of the fibre: that is a stain, not dirt, and what can be done is priced apart.";

/** Heat takes wool’s and olefin’s pile with it: the rules speak of water, this of an iron. */
const ironBarred = (agent: Agent, floor: CareFloor) =>
  agent === "heat-transfer" && HEAT_NEVER.includes(floor.fibre ?? "unknown");

function judged(agent: Agent, floor: CareFloor): Judgement | undefined {
  const { product } = AGENT_FACTS[agent];
  if (!product) return undefined;
  const judgement = judgeProduct(product, floor);
  if (!ironBarred(agent, floor)) return judgement;
  return {
    ...judgement,
    verdict: "stop",
    reasons: [
      {
        verdict: "stop",
        trait: "hot",
        material: judgement.reasons[0]?.material ?? "wool",
        why: "An iron ruins this fibre, or one that it may be.",
        lift: "Another step; leave the stain and say so.",
        source: "common practice",
      },
      ...judgement.reasons,
    ],
  };
}

function hazardsAfter(agent: Agent, attempts: readonly Attempt[]): HazardousPair[] {
  const { product } = AGENT_FACTS[agent];
  if (!product) return [];
  const tried = attempts.flatMap((each) => AGENT_FACTS[each.agent].product ?? []);
  return [...new Set(tried.flatMap((earlier) => hazardsBetween(earlier, product)))];
}

/** Done with: it didn’t help, or has helped as often as it will. */
function finished(attempts: readonly AttemptResult[]): boolean {
  const last = attempts.at(-1);
  return last === "no-change" || (last === "better" && attempts.length >= MOST_REPEATS);
}

/**
 * How to work a spot, from its origin, fibre, age and what was tried: gentle to strong, each step judged by the care rules, so
 * that one the fibre can’t take is barred with its reason. The step that helped is repeated while it helps; one that
 * made it worse ends the work. Contact times, amounts: common practice, the product’s label comes first.
 */
export function guideFor(spot: KnownSpot, floor: CareFloor, attempts: readonly Attempt[]): Guide {
  const facts = ORIGIN_FACTS[spot.origin];
  const agents = facts.steps.filter(
    (agent) => spot.nature !== "spot" || AGENT_FACTS[agent].takes === "matter",
  );
  let next: GuideStep | undefined;
  const over = attempts.some(({ result }) => result === "worse" || result === "gone");
  const steps = agents.map((agent): GuideStep => {
    const own = attempts.filter((each) => each.agent === agent).map(({ result }) => result);
    const judgement = judged(agent, floor);
    const base = {
      agent,
      facts: AGENT_FACTS[agent],
      amount: AGENT_FACTS[agent].rate * spot.area,
      contact: AGENT_FACTS[agent].contact * (AGENT_FACTS[agent].takes === "matter" ? AGED[spot.age] : 1),
      after: hazardsAfter(agent, attempts),
      attempts: own,
      ...(judgement ? { judgement } : {}),
    };
    if (judgement?.verdict === "stop" || base.after.some(({ onOneFloor }) => onOneFloor === "never"))
      return { ...base, state: "barred" };
    if (finished(own) || (over && own.length > 0)) return { ...base, state: "done" };
    if (next || over) return { ...base, state: "later" };
    next = { ...base, state: "next" };
    return next;
  });
  const colour = spot.nature === "stain" || spot.age === "set";
  return {
    steps,
    outcome: outcomeOf(attempts, next),
    tell: [facts.tell, ...(colour ? [SET_TELL] : [])],
    ...(facts.warn ? { warn: facts.warn } : {}),
    when: facts.when,
    price: spot.origin === "urine" ? "odour" : spot.nature === "stain" ? "stain" : "spot",
  };
}

function outcomeOf(attempts: readonly Attempt[], next: GuideStep | undefined): Outcome {
  if (attempts.some(({ result }) => result === "worse")) return { kind: "stop", why: "worse" };
  if (attempts.some(({ result }) => result === "gone")) return { kind: "clean" };
  return next ? { kind: "work", step: next } : { kind: "stop", why: "nothing-left" };
}
