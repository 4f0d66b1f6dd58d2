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
  {
    title: "Wet and dry strokes",
    steps: [
      "One wet stroke, slow and even, trigger held. Release it a hand before the end.",
      "Then dry strokes over the same lane, two or more, until the tube runs clear.",
      "Overlap each lane by a hand’s width.",
    ],
    caution: "A wet stroke too many costs hours of drying; a dry one costs seconds.",
    source: COMMON,
  },
  {
    title: "Dwell time",
    steps: [
      "The label says how long a pre-spray works: often 5 to 15 minutes. Shorter cleans less.",
      "Spray only what you can clean before it dries. Run shows how far ahead.",
      "Drying early? Mist with plain water, not with more product.",
    ],
    caution: "Past the label’s longest time: rinse it out, and don’t let it dry in.",
    source: "the product’s label",
  },
  {
    title: "Vacuuming first",
    steps: [
      "Most soil is dry. Vacuum before anything is wet: wet grit turns to mud and wicks back.",
      "Slowly, twice, across and along; traffic lanes four times.",
      "Edges with the crevice tool where there are pets or a grey line.",
    ],
    source: COMMON,
  },
  {
    title: "Hot-water extraction",
    steps: [
      "Vacuum, pre-spray, wait for the dwell time, agitate.",
      "Rinse and extract: one wet stroke, then dry strokes until the tube runs clear.",
      "Groom, then move air over it. Nothing stays in the pile that wasn’t rinsed.",
    ],
    caution: "Mind the heat: wool, olefin and some dyes don’t take hot water. See Safe combinations.",
    source: COMMON,
  },
  {
    title: "Encapsulation and low moisture",
    steps: [
      "Vacuum well: nothing is rinsed away.",
      "Spray an encapsulant at the label’s rate, work it in with a brush or pad.",
      "Let it dry hard, usually 1 to 2 hours, and vacuum out the crystals.",
    ],
    caution: "Not for caked soil, urine or old detergent. A product that dries sticky isn’t an encapsulant.",
    source: COMMON,
  },
  {
    title: "Bonnet and pad cleaning",
    steps: [
      "Vacuum, spray lightly, then a damp pad on a rotary machine, without pressing.",
      "Turn or change the pad as soon as it is grey: a full pad puts soil back.",
      "Groom at the end.",
    ],
    caution: "A rotary pad can fuzz and swirl cut pile: test a corner. Not on loose loops.",
    source: COMMON,
  },
  {
    title: "Berber and other loops",
    steps: [
      "Find out the fibre: loops are often wool or olefin, and the two want different products.",
      "Soft brush or pad only. Little water: thick loops hold it, and it wicks back.",
      "Dry strokes along the rows, then move air.",
    ],
    caution: "A snagged loop can run. Cut it, never pull.",
    source: COMMON,
  },
  {
    title: "Drying time",
    steps: [
      "Usual: 4 to 8 hours after extraction, 1 to 2 after low moisture. Dry works it out for your rooms and air.",
      "Faster: more dry strokes, air movers across the floor, dry air. Open a window only if it’s drier outside.",
      "Touch-dry: socks stay dry. Dry: furniture can go back.",
    ],
    caution: "Wet for more than a day smells, browns and can grow mould.",
    source: COMMON,
  },
  {
    title: "Stain protector",
    steps: [
      "Only on clean, rinsed carpet: residue stops it holding.",
      "Even fan at the label’s rate, damp carpet or dry as the label says.",
      "Groom it in and keep people off until it is dry.",
    ],
    caution:
      "Don’t breathe the mist: open windows, wear what the data sheet says. Not on every fibre: read the label.",
    source: "the product’s label",
  },
  {
    title: "Moving furniture",
    steps: [
      "Agree before what is moved, by whom, and what it costs.",
      "Foil, tabs or blocks under every foot that goes back on damp carpet.",
      "Leave what is heavy, fragile, full or plugged in.",
    ],
    caution: "Lift with two. Wet carpet slides on hard floor.",
    source: COMMON,
  },
  {
    title: "Order of rooms",
    steps: [
      "Furthest from the exit first, so that you never walk over what is clean.",
      "Rooms promised first, and slow dryers, come early where the exit route allows it.",
      "Survey works the order out from doors and exit, and names what can’t be left dry-footed.",
    ],
    source: COMMON,
  },
  {
    title: "Label and data sheet",
    steps: [
      "The label: dose, dwell time, floors it is for, what never to mix it with.",
      "The safety data sheet: section 2 dangers, section 4 first aid, section 7 storage, section 8 gloves and mask, section 9 pH.",
      "Carry both in the van, for every bottle. A bottle you filled needs a label too.",
    ],
    caution: "No label, no use.",
    source: "UN Globally Harmonized System (GHS), annex 4, memory",
  },
  {
    title: "Charging for stairs",
    steps: [
      "Stairs go by the step, not by area: they take longer than the same area on the flat.",
      "A landing goes by area. Set the price for a step in Settings.",
    ],
    source: COMMON,
  },
];
