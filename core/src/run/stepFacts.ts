import type { StepKind } from "./stepKinds.ts";

/** What is known of a kind of step. A new kind doesn't compile until all of it is stated. */
export interface StepFacts {
  /** Before the room is wet; done with the room if it was never logged. */
  readonly beforeWet: boolean;
  /** Once the room has dried: the room is finished before. */
  readonly afterDry: boolean;
  /** How many of the crew it takes. */
  readonly crew: "one" | "everyone";
  /** Whose it is where two people share the work (common practice); undefined: whoever is free. */
  readonly role: "cleans" | "sprays" | undefined;
  /** How far it runs ahead of the cleaning in the orders tried first, in sections; 0: in its turn. */
  readonly sectionsAhead: number;
  /** Another crew member may take it over before it starts. A fill stays with who sprays it, packing up with who is last. */
  readonly canBeTakenOver: boolean;
  /** Figure in the calculation of a room's finish; undefined: not a room's step. */
  readonly figure: string | undefined;
  /** What to mind (common practice); the label, the safety data sheet and local codes come first. */
  readonly caution: string | undefined;
}

const TURNING = "Keep the cord over your shoulder, clear of moving parts. Stop at a loose seam.";
const step = (facts: Partial<StepFacts>): StepFacts => ({
  beforeWet: false,
  afterDry: false,
  crew: "one",
  role: undefined,
  sectionsAhead: 0,
  canBeTakenOver: true,
  figure: undefined,
  caution: undefined,
  ...facts,
});
const cleans = (facts: Partial<StepFacts>): StepFacts => step({ role: "cleans", ...facts });
const sprays = (facts: Partial<StepFacts>): StepFacts => step({ role: "sprays", ...facts });
const before = (facts: Partial<StepFacts>): StepFacts =>
  step({ beforeWet: true, sectionsAhead: 2, ...facts });

export const STEP_FACTS: Readonly<Record<StepKind, StepFacts>> = {
  furniture: before({
    figure: "moving furniture",
    caution: "Two people for heavy items; empty them first. Put tabs under anything that may bleed or rust.",
  }),
  vacuum: before({ figure: "vacuum" }),
  edges: before({ figure: "edges" }),
  bag: before({ figure: "emptying the bag" }),
  "pre-spot": before({ figure: "pre-spotting" }),
  "pre-spray": sprays({
    sectionsAhead: 1,
    figure: "pre-spray",
    caution: "Work from the far corner to the door. Don’t spray cords. Keep everyone off.",
  }),
  "re-mist": sprays({ figure: "misting again" }),
  agitate: sprays({ sectionsAhead: 1, figure: "agitate", caution: TURNING }),
  clean: cleans({ figure: "clean", caution: TURNING }),
  pad: cleans({ figure: "absorbent pad", caution: TURNING }),
  spots: step({ figure: "remaining spots" }),
  odour: step({ figure: "odour treatment" }),
  groom: cleans({ figure: "groom" }),
  fans: step({
    figure: "placing air movers",
    caution:
      "Run cords along the wall or tape them, keep plugs dry, two motors on two circuits. Put signs on hard floors beside it.",
  }),
  "last-vacuum": step({ afterDry: true }),
  "set-up": step({}),
  rinse: sprays({
    sectionsAhead: 1.2,
    canBeTakenOver: false,
    caution:
      "Release the pressure first. Rinse water goes down the sewer (foul drain). Spray some through the nozzle: the hose holds the old mix too.",
  }),
  fill: sprays({ sectionsAhead: 1.1, canBeTakenOver: false }),
  "tank-trip": cleans({
    sectionsAhead: 0.3,
    caution:
      "Release pressure before you uncouple a hose. Waste to the sewer (foul drain), never a storm drain. Two to lift.",
  }),
  break: step({ crew: "everyone" }),
  "pack-up": step({ canBeTakenOver: false }),
  own: step({}),
};
