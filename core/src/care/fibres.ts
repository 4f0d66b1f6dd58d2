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
    character: "Hard-wearing, cleans easily, takes dye and so stains from red drink.",
    burns: "Melts and drips, smells of celery, leaves a hard grey or tan bead.",
  },
  polyester: {
    density: 1.38,
    character: "Keeps its colour, holds on to oil, mats in lanes.",
    burns: "Melts with black smoke, sweet smell, leaves a hard shiny black bead.",
  },
  olefin: {
    density: 0.91,
    character: "Takes up no water and no dye; holds oil, crushes, melts under heat.",
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
    character: "As wool and more so: spots with plain water, loses pile.",
    burns: "Burns slowly, smells of burnt hair, leaves black ash that crushes.",
  },
  cotton: {
    density: 1.52,
    character: "Strong when wet, browns, dries slowly.",
    burns: "Burns like paper and glows on, leaves soft grey ash.",
  },
  viscose: {
    density: 1.52,
    character: "Looks like silk, weak when wet, browns, pile gone for good.",
    burns: "Burns like paper, leaves little ash.",
  },
  plant: {
    density: 1.5,
    character: "Sisal, jute, coir, seagrass: shrinks and browns when wet; no wet cleaning.",
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
      "Ask the owner. Cut a few tufts where nobody will look: a cupboard, under a threshold.",
      "Hold them with tweezers over a metal dish with water in it, outdoors.",
      "Bring a flame to the ends. Watch: melts, or chars? Smell the smoke from a distance. Feel the ash when it is cold.",
    ],
    cautions: [
      "Outdoors, away from solvent, aerosols and dry grass; water at hand.",
      "Melted drops burn skin and go on burning.",
      "A blend shows both; treat it as the more delicate one.",
    ],
  },
  "float-test": {
    name: "Float test",
    steps: [
      "Cut a few tufts of face yarn, no backing on them.",
      "Push them under water in a glass so that no air hangs on them.",
      "Comes up again: olefin. Stays down: anything else.",
    ],
    cautions: ["A drop of washing-up liquid gets rid of the air that makes others float."],
  },
};
