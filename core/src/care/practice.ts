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
      "Top down, three steps at a time: tread, nose, riser and the crease between.",
      "Hand tool; pull towards the nose, let go of the trigger before the end.",
      "Vacuum the drips at the nose, or they run and leave a line.",
      "Count them again before you leave: a riser is easily missed.",
    ],
    caution: "Hose and cord lie on the side nobody walks; a sign at the top and at the foot until dry.",
    source: COMMON,
  },
  {
    title: "Signs",
    steps: [
      "A sign at every way in before anything is wet, on hard floors beside the carpet too.",
      "They stay until the floor is dry, not until you leave: tell who takes them in.",
    ],
    caution: "Wet soles on a hard floor slip worse than wet carpet.",
    source: COMMON,
  },
  {
    title: "How long a mix keeps",
    steps: [
      "By its label: most mixes the day, an activated oxygen product a few hours.",
      "Write on the bottle what it is, when it was made and by when it is used.",
      "What is over its time goes to the sewer where the label allows it, never back into the pack.",
    ],
    caution: "An oxygen mix is never closed tight: it gives off gas.",
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
      "Below freezing drain pump, lines, wand and hoses, or charge them with antifreeze for such machines.",
      "Take meters, spotters and peroxide indoors.",
      "Thaw a frozen machine in the warm, never by running it.",
    ],
    caution: "Antifreeze is rinsed out to the sewer before the next carpet, never onto it.",
    source: COMMON,
  },
  {
    title: "Filters",
    steps: [
      "Vacuum bag emptied outdoors as often as it fills; half full it has lost its pull.",
      "Lint basket after every room, the inlet filter every week, the recovery filter every day.",
    ],
    source: COMMON,
  },
  {
    title: "Jets",
    steps: [
      "Even fans that meet: a stripe of dry carpet is a blocked jet.",
      "Overnight in white vinegar against lime, rinsed; never with a wire.",
      "A worn jet lays more water than it is rated for: change the set.",
    ],
    source: COMMON,
  },
  {
    title: "Pressure out before uncoupling",
    steps: [
      "Pump off.",
      "Trigger held until nothing comes.",
      "Only then the coupling, pointed away from you.",
    ],
    caution: "Hot water under pressure cuts and scalds.",
    source: COMMON,
  },
  {
    title: "Brushes",
    steps: [
      "Counter-rotating brush on thick pile and grease; soft pad or brush on low pile and wool.",
      "Hair and threads cut out of them after each job; stored off the bristles.",
    ],
    source: COMMON,
  },
  {
    title: "Circuits",
    steps: [
      "Two motors’ cords on two circuits: try a lamp on one while the other is switched off.",
      "Amperes on a circuit at most 80 % of its breaker while running on.",
      "Cords uncoiled, joints off the wet floor, residual-current protection where there is one.",
    ],
    caution: "Advice: local code and the house’s electrician decide.",
    source: "NEC continuous-load rule (memory)",
  },
  {
    title: "Edges and skirting",
    steps: [
      "By hand with the crevice tool where there are pets, children moving in, or a grey line.",
      "A mist of pre-spray there, no more: what runs under the skirting dries last.",
    ],
    source: COMMON,
  },
];
