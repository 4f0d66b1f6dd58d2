import type { CareFloor } from "../floor.ts";
import { type Judgement, judgeProduct, judgeTogether, judgeWetting } from "../judge.ts";
import type { HazardousPair } from "../pairs.ts";
import { hazardsAfter } from "../reactions.ts";
import { AGENT_FACTS, type AgentFacts, wettingOf } from "./agentFacts.ts";
import { AGENTS, type Agent } from "./agents.ts";
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
  /** passed: gentler than what was done already, and so not gone back to; skipped: passed over by whoever works it. */
  readonly state: "done" | "next" | "later" | "passed" | "skipped" | "barred";
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
const MAX_REPEATS = 3;
const AGED: Record<SpotAge, number> = { fresh: 1, old: 1.5, set: 2 };
const HEAT_NEVER: readonly string[] = ["wool", "silk", "olefin", "acrylic", "viscose", "plant", "unknown"];
const SET_TELL =
  "It has changed the fibre’s colour, so it’s a stain, not soil. Treating it is an extra charge.";

/** Heat takes wool’s and olefin’s pile with it: the rules speak of water, this of an iron. */
const ironBarred = (agent: Agent, floor: CareFloor) =>
  agent === "heat-transfer" && HEAT_NEVER.includes(floor.fibre ?? "unknown");

/** A drop at a time, rinsed at once, nylon stands what the rules bar from being sprayed. */
function dropwise(agent: Agent, judgement: Judgement): Judgement {
  if (agent !== "rust-remover") return judgement;
  return judgeTogether([
    {
      ...judgement,
      reasons: judgement.reasons.map((reason) =>
        reason.verdict === "stop" && reason.material === "nylon"
          ? {
              ...reason,
              verdict: "caution",
              lift: "One drop at a time, after a dye test. Rinse well at once.",
            }
          : reason,
      ),
    },
  ]);
}

/** What the care rules say of a step: of the agent, and of the water it brings. */
function judged(agent: Agent, floor: CareFloor): Judgement | undefined {
  const { product } = AGENT_FACTS[agent];
  if (!product) return undefined;
  const wetting = judgeWetting(wettingOf(agent), floor);
  const judgement = judgeTogether([dropwise(agent, judgeProduct(product, floor)), wetting]);
  if (!ironBarred(agent, floor)) return judgement;
  return {
    ...judgement,
    verdict: "stop",
    reasons: [
      {
        verdict: "stop",
        trait: "hot",
        material: judgement.reasons[0]?.material ?? "wool",
        why: "An iron ruins this fibre, or a likely one.",
        lift: "Use another step, or leave the stain and tell the customer.",
        source: "common practice",
      },
      ...judgement.reasons,
    ],
  };
}

/** What an agent makes with those tried before it. */
function afterAttempts(agent: Agent, attempts: readonly Attempt[]): readonly HazardousPair[] {
  const { product } = AGENT_FACTS[agent];
  if (!product) return [];
  return hazardsAfter(
    product,
    attempts.flatMap((each) => AGENT_FACTS[each.agent].product ?? []),
  );
}

/** How far a spot has been taken: the place in its steps of the furthest that was done; of an agent that isn't among them, of the last no stronger. */
function reachedIn(agents: readonly Agent[], attempts: readonly Attempt[]): number {
  const places = attempts.map(({ agent }) => {
    const own = agents.indexOf(agent);
    return own >= 0 ? own : agents.findLastIndex((each) => AGENTS.indexOf(each) <= AGENTS.indexOf(agent));
  });
  return Math.max(-1, ...places);
}

/** Done with: it didn’t help, or has helped as often as it will. */
function finished(attempts: readonly AttemptResult[]): boolean {
  const last = attempts.at(-1);
  return last === "no-change" || (last === "better" && attempts.length >= MAX_REPEATS);
}

/**
 * How to work a spot, from its origin, fibre, age and what was tried: gentle to strong, each step judged by the care rules, so
 * that one the fibre can’t take is barred with its reason. The step that helped is repeated while it helps; one that
 * made it worse ends the work; a skipped one counts as nothing done; no step goes back to a gentler one than was done. Contact times, amounts: common practice, the product’s label comes first.
 */
export function guideFor(
  spot: KnownSpot,
  floor: CareFloor,
  attempts: readonly Attempt[],
  skipped: readonly Agent[] = [],
): Guide {
  const facts = ORIGIN_FACTS[spot.origin];
  const agents = facts.steps.filter(
    (agent) => spot.nature !== "spot" || AGENT_FACTS[agent].takes === "matter",
  );
  let next: GuideStep | undefined;
  const reached = reachedIn(agents, attempts);
  const over = attempts.some(({ result }) => result === "worse" || result === "gone");
  const steps = agents.map((agent, place): GuideStep => {
    const own = attempts.filter((each) => each.agent === agent).map(({ result }) => result);
    const judgement = judged(agent, floor);
    const base = {
      agent,
      facts: AGENT_FACTS[agent],
      amount: AGENT_FACTS[agent].rate * spot.area,
      contact: AGENT_FACTS[agent].contact * (AGENT_FACTS[agent].takes === "matter" ? AGED[spot.age] : 1),
      after: afterAttempts(agent, attempts),
      attempts: own,
      ...(judgement ? { judgement } : {}),
    };
    if (judgement?.verdict === "stop" || base.after.some(({ onOneFloor }) => onOneFloor === "never"))
      return { ...base, state: "barred" };
    if (finished(own) || (over && own.length > 0)) return { ...base, state: "done" };
    if (skipped.includes(agent) && own.length === 0) return { ...base, state: "skipped" };
    if (place < reached) return { ...base, state: own.length > 0 ? "done" : "passed" };
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
