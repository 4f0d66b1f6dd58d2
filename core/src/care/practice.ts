import { MACHINE_CARE, MACHINES } from "./machines.ts";

/** Something of the work that is looked up: what to do, in order, and what to mind. */
export interface Practice {
  readonly title: string;
  readonly steps: readonly string[];
  readonly caution?: string;
  readonly source: string;
}

const COMMON = "common practice";
const cautionOf = (which: "startCaution" | "stopCaution") => ({
  caution: MACHINES.flatMap((machine) => MACHINE_CARE[machine][which] ?? []).join(" "),
});

/** The work round the chemistry: stairs, signs, how long a mix keeps, machines and their care. */
export const PRACTICES: readonly Practice[] = [
  {
    title: "Stairs",
    steps: [
      "Top to bottom, three steps at a time: tread, nose, riser and the crease between.",
      "Use a hand tool. Pull towards the nose and release the trigger before the end.",
      "Vacuum drips at the nose, or they leave a line.",
      "Count the steps again before you leave: risers are easy to miss.",
    ],
    caution: "Keep hose and cord to one side. Put a sign at top and bottom until dry.",
    source: COMMON,
  },
  {
    title: "Signs",
    steps: [
      "Put a sign at every entrance before anything is wet, and on hard floors beside the carpet.",
      "Signs stay until the floor is dry, not until you leave. Agree who takes them in.",
    ],
    caution: "Wet soles slip more on hard floors than on wet carpet.",
    source: COMMON,
  },
  {
    title: "How long to use a mix",
    steps: [
      "Follow the label: most mixes one day, activated oxygen products a few hours.",
      "Write on the bottle: what it is, when you mixed it, when to use it by.",
      "Pour expired mix to the sewer if the label allows, never back in the pack.",
    ],
    caution: "Never close an oxygen mix tightly: it gives off gas.",
    source: "the product’s label",
  },
  {
    title: "Starting a machine",
    steps: MACHINES.flatMap((machine) => MACHINE_CARE[machine].start),
    ...cautionOf("startCaution"),
    source: COMMON,
  },
  {
    title: "Shutting a machine down",
    steps: MACHINES.flatMap((machine) => MACHINE_CARE[machine].stop),
    ...cautionOf("stopCaution"),
    source: COMMON,
  },
  {
    title: "Frost",
    steps: [
      "Below freezing, drain pump, lines, wand and hoses, or charge them with machine antifreeze.",
      "Take meters, spotters and peroxide indoors.",
      "Thaw a frozen machine in the warm. Never run it to thaw it.",
    ],
    caution: "Rinse antifreeze out to the sewer before the next carpet, never onto it.",
    source: COMMON,
  },
  {
    title: "Filters",
    steps: [
      "Empty the vacuum bag outdoors before it is half full: a fuller bag loses suction.",
      "Clean the lint basket after every room, the inlet filter weekly, the recovery filter daily.",
    ],
    source: COMMON,
  },
  {
    title: "Jets",
    steps: [
      "Fans should be even and meet. A stripe of dry carpet means a blocked jet.",
      "Soak overnight in white vinegar against lime, then rinse. Never use a wire.",
      "A worn jet lays too much water: change the set.",
    ],
    source: COMMON,
  },
  {
    title: "Release pressure before you uncouple",
    steps: [
      "Pump off.",
      "Hold the trigger until nothing comes out.",
      "Only then open the coupling, pointed away from you.",
    ],
    caution: "Hot water under pressure cuts and scalds.",
    source: COMMON,
  },
  {
    title: "Brushes",
    steps: [
      "Counter-rotating brush on thick pile and grease. Soft pad or brush on low pile and wool.",
      "Cut hair and threads out after each job. Store brushes off their bristles.",
    ],
    source: COMMON,
  },
  {
    title: "Circuits",
    steps: [
      "Two motors need two circuits. To check: switch one off and see whether a lamp on the other stays lit.",
      "Keep continuous current at 80% of the breaker or less.",
      "Uncoil cords, keep joints off the wet floor, use residual-current (GFCI) protection.",
    ],
    caution: "Advice only: local code and a licensed electrician decide.",
    source: "NEC continuous-load rule (memory)",
  },
  {
    title: "Edges and skirting",
    steps: [
      "Use the crevice tool by hand if there are pets, children moving in, or a grey line.",
      "Only a light pre-spray there: water under the skirting dries last.",
    ],
    source: COMMON,
  },
];
