import type { FloorFibre, IdentifiedBy } from "./floor.ts";

/** What there is to know of a fibre before it is cleaned. */
export interface FibreFacts {
  /** g/cm³ (textbook values; memory). */
  readonly density: number;
  readonly character: string;
  readonly burns: string;
}

export type KnownFibre = Exclude<FloorFibre, "unknown">;

/** Densities: textbook, memory. Burning and character: common practice. */
export const FIBRE_FACTS: Readonly<Record<KnownFibre, FibreFacts>> = {
  nylon: {
    density: 1.14,
    character: "Hard-wearing and cleans easily. Takes dye, so red drinks stain it.",
    burns: "Melts and drips, smells of celery, leaves a hard grey or tan bead.",
  },
  polyester: {
    density: 1.38,
    character: "Keeps its colour, holds oil, mats in traffic lanes.",
    burns: "Melts with black smoke, sweet smell, leaves a hard shiny black bead.",
  },
  olefin: {
    density: 0.91,
    character: "Takes up no water or dye. Holds oil, crushes, melts under heat.",
    burns: "Melts like wax, smells of candle, leaves a hard tan bead.",
  },
  acrylic: {
    density: 1.17,
    character: "Feels like wool, fuzzes, flattens under heat.",
    burns: "Burns fast with black smoke, sharp fishy smell, leaves a brittle black lump.",
  },
  wool: {
    density: 1.31,
    character: "Delicate: pH 4.5 to 8.5, no strong alkali, no oxidiser, no heat; dries slowly.",
    burns: "Burns slowly and goes out, smells of burnt hair, leaves ash that crushes.",
  },
  silk: {
    density: 1.33,
    character: "Like wool but more delicate: plain water spots it, and it loses pile.",
    burns: "Burns slowly, smells of burnt hair, leaves black ash that crushes.",
  },
  cotton: {
    density: 1.52,
    character: "Strong when wet, browns, dries slowly.",
    burns: "Burns like paper and glows on, leaves soft grey ash.",
  },
  viscose: {
    density: 1.52,
    character: "Looks like silk. Weak when wet, browns, and the pile never recovers.",
    burns: "Burns like paper, leaves little ash.",
  },
  plant: {
    density: 1.5,
    character: "Sisal, jute, coir, seagrass: shrinks and browns when wet. No wet cleaning.",
    burns: "Burns like rope and glows on, leaves grey ash.",
  },
};

/** Floats on water: only what is lighter than it does. */
export const floats = (fibre: KnownFibre): boolean => FIBRE_FACTS[fibre].density < 1;

export interface FibreTest {
  readonly name: string;
  readonly steps: readonly string[];
  readonly cautions: readonly string[];
}

/** How to find out (common practice). */
export const FIBRE_TESTS: Readonly<Record<Extract<IdentifiedBy, "burn-test" | "float-test">, FibreTest>> = {
  "burn-test": {
    name: "Burn test",
    steps: [
      "Ask the customer. Cut a few tufts from a hidden spot: a cupboard, under a threshold.",
      "Hold them with tweezers outdoors, over a metal dish with water in it.",
      "Bring a flame to the ends. Does it melt or char? Smell the smoke from a distance. Feel the ash once cold.",
    ],
    cautions: [
      "Work outdoors, away from solvent, aerosols and dry grass. Keep water at hand.",
      "Melted drops burn skin and keep burning.",
      "A blend shows both fibres. Treat it as the more delicate one.",
    ],
  },
  "float-test": {
    name: "Float test",
    steps: [
      "Cut a few tufts of face yarn without backing.",
      "Push them under water in a glass until no air clings to them.",
      "Floats up again: olefin. Stays down: any other fibre.",
    ],
    cautions: ["A drop of washing-up liquid removes the air that makes other fibres float."],
  },
};
