import { type Covering, isHardFloor } from "../care/index.ts";
import type { Method } from "../clean/index.ts";
import type { StepKind } from "./stepKinds.ts";

/** How a step is done by hand: three to six short lines, the reason and the usual mistake. Common practice, no published source. */
export interface Technique {
  readonly title: string;
  readonly lines: readonly string[];
  readonly why: string;
  readonly mistake: string;
}

/** Where a step is done, as far as its technique goes. */
export interface TechniqueFloor {
  readonly covering: Covering;
  readonly method: Method;
  readonly stairs: boolean;
}

const VACUUM: Technique = {
  title: "Vacuum carpet",
  lines: [
    "Push fast, pull back slowly: the pull lifts the soil.",
    "Overlap each pull by a third.",
    "Go over entries, turns and sofa fronts from two directions.",
    "Empty the bag outside when it is two thirds full.",
  ],
  why: "About seven tenths of the soil is dry. It comes out dry or not at all.",
  mistake: "Skipping it. Wet dust turns to mud, and the lanes come back grey.",
};
const VACUUM_RIBS: Technique = {
  title: "Vacuum a ribbed mat",
  lines: [
    "Vacuum along the ribs first, never only across.",
    "Brush the ribs to loosen the grit.",
    "Vacuum along the ribs again, then once across.",
    "Lift the edge and vacuum under it if it is loose.",
  ],
  why: "Grit sits between the ribs. Air only reaches it along them.",
  mistake: "One pass across: it looks clean until it gets wet.",
};
const VACUUM_HARD: Technique = {
  title: "Vacuum a hard floor",
  lines: [
    "Use the hard-floor tool, or lift the brush.",
    "Follow the grout lines, then the corners.",
    "Vacuum along the skirting with the crevice tool.",
  ],
  why: "Loose grit scratches the floor under the spinner.",
  mistake: "Leaving sand in the corners. The spinner drags it over the tiles.",
};
const VACUUM_STAIRS: Technique = {
  title: "Vacuum stairs",
  lines: [
    "Start at the top and work down.",
    "Each step: tread, nose, riser, then the crease.",
    "Use the stair tool, three steps at a time.",
    "Stand below the step you clean, never reach far.",
  ],
  why: "Most of the grit is in the crease and on the nose.",
  mistake: "Missing a riser. It shows as a grey band later.",
};

const STROKES_CARPET: Technique = {
  title: "Extract carpet",
  lines: [
    "Start at the far corner. Work back to the door in strips.",
    "Pull the wand towards you with the trigger on.",
    "Let go of the trigger a hand before the stroke ends. Keep sucking.",
    "Make the dry strokes over the same strip, slowly.",
    "Overlap the next strip by 5 cm.",
    "Look at the tube: dry strokes go on until it runs clear of water.",
  ],
  why: "Dry strokes take the water out. What stays in is drying time.",
  mistake: "Trigger on to the end of the stroke. It leaves wet stripes.",
};
const STROKES_STAIRS: Technique = {
  title: "Extract stairs",
  lines: [
    "Use the hand tool. Start at the top, three steps at a time.",
    "Each step: tread, nose, riser, then the crease.",
    "Spray on the pull only, then one dry stroke more.",
    "Suck the drips off the nose before you go down.",
  ],
  why: "Water runs down to the crease and the nose and dries last there.",
  mistake: "Missing a riser, or standing on a wet tread: stairs are slippery.",
};
const CLEAN: Readonly<Record<Method, Technique>> = {
  extraction: STROKES_CARPET,
  "self-contained": {
    title: "Clean with a self-contained machine",
    lines: [
      "Put plain warm water in the tank, defoamer in the recovery tank.",
      "Pull it slowly backwards, brush down, spray on.",
      "Stop the spray a hand before the end of the strip.",
      "Go over the strip again dry, slowly.",
      "Overlap the next strip by 5 cm.",
    ],
    why: "It sucks less than a big machine. Slow dry passes make up for it.",
    mistake: "Pulling at walking speed. The carpet stays wet for a day.",
  },
  "low-moisture": {
    title: "Clean with a pad",
    lines: [
      "Lay the damp pad down before you start the motor.",
      "Move side to side, half a pad further each pass.",
      "Cross the lanes a second time from the other direction.",
      "Turn or change the pad when it looks as dirty as the carpet.",
      "Keep the cord over your shoulder.",
    ],
    why: "The pad takes the soil out. A full pad only spreads it.",
    mistake: "One pad for too long. It leaves swirls that show when dry.",
  },
  "dry-foam": {
    title: "Clean with dry foam",
    lines: [
      "Lay foam on 3 m² at most, then work it in.",
      "Work it in from two directions.",
      "Go on to the next part while the foam is still wet.",
      "Leave it to dry, then vacuum slowly.",
    ],
    why: "The foam holds the soil as it dries. The vacuum takes both.",
    mistake: "Foam on the whole room first. It dries before you reach it.",
  },
  "dry-compound": {
    title: "Clean with dry compound",
    lines: [
      "Spread it evenly, more on the lanes.",
      "Brush it in from two directions.",
      "Leave it for the time on its label.",
      "Vacuum slowly from two directions, and empty the bag.",
    ],
    why: "It works like many small damp cloths. They must come out again.",
    mistake: "A quick vacuum. What is left in the pile feels gritty.",
  },
  spinner: {
    title: "Clean a hard floor with the spinner",
    lines: [
      "Keep the spinner flat and moving before you press the trigger.",
      "Go in straight lines, overlapping by a third.",
      "Pass once wet, then once more without water.",
      "Do edges and corners with the hand tool.",
      "Wipe water out of the grout with a dry cloth.",
    ],
    why: "The second pass lifts the dirty water before it dries on the tile.",
    mistake: "Stopping with the trigger on. It cuts into soft grout.",
  },
};

const AGITATE: Technique = {
  title: "Agitate the pre-spray",
  lines: [
    "Start right after the spray, where you began it.",
    "Go once with the pile and once against it.",
    "Go across the lanes a third time.",
    "Stop before you reach a loose seam or a fringe.",
  ],
  why: "Chemistry, heat, time and rubbing share the work. Rubbing is free.",
  mistake: "Waiting until it is half dry. The brush then only moves the soil.",
};
const AGITATE_HARD: Technique = {
  title: "Scrub a hard floor",
  lines: [
    "Brush along the grout lines, not only across the tiles.",
    "Keep it wet: mist it where it dries.",
    "Do edges and corners with the hand brush.",
    "Use nylon bristles. Metal scratches.",
  ],
  why: "Grout is lower than the tile. Only bristles reach it.",
  mistake: "Scrubbing tiles and leaving the grout. The lines stay dark.",
};

const SPOT_CARE: Technique = {
  title: "Work on a spot",
  lines: [
    "Wool or unknown dye: put the spotter on the cloth, not on the carpet.",
    "Lift off what is loose with a spoon, towards the middle.",
    "Dab from the edge to the middle. Never rub.",
    "Turn the cloth to a clean part after each dab.",
    "Rinse with a little water and blot before the next product.",
  ],
  why: "A ring comes from liquid that spreads. Dabbing inwards keeps it small.",
  mistake: "Rubbing. It frays the pile, and that stays for good.",
};

/** Of each kind of step the technique on a floor; undefined where there is nothing to do by hand. */
const TECHNIQUES: Readonly<Record<StepKind, Technique | ((floor: TechniqueFloor) => Technique) | undefined>> =
  {
    furniture: {
      title: "Move furniture",
      lines: [
        "Take a photo of the room first.",
        "Empty shelves and glass before you lift.",
        "Lift, don’t drag. Two people for anything heavy.",
        "Put tabs or blocks under legs before they go back.",
      ],
      why: "Wet carpet and wood or metal legs stain each other.",
      mistake: "Dragging. It tears the backing and scratches the floor behind.",
    },
    vacuum: ({ covering, stairs }) => {
      if (isHardFloor(covering)) return VACUUM_HARD;
      if (stairs) return VACUUM_STAIRS;
      return covering === "ribbed-mat" || covering === "coir" ? VACUUM_RIBS : VACUUM;
    },
    edges: {
      title: "Vacuum the edges",
      lines: [
        "Use the crevice tool along every wall.",
        "Keep it at a slant, its mouth to the skirting.",
        "Go behind doors and round radiator pipes.",
      ],
      why: "Fine dust and pet hair collect where the vacuum head doesn’t reach.",
      mistake: "Doing it after the spray. Wet hair sticks to the skirting.",
    },
    bag: {
      title: "Empty the bag",
      lines: ["Carry it outside.", "Tie it before you lift it out.", "Wipe the filter, then check the belt."],
      why: "A full bag halves the suction.",
      mistake: "Emptying it in the house. The dust settles on what is cleaned.",
    },
    "pre-spot": SPOT_CARE,
    "pre-spray": ({ covering, stairs }) => ({
      title: isHardFloor(covering) ? "Pre-spray a hard floor" : "Pre-spray carpet",
      lines: [
        stairs ? "Start at the top step and go down." : "Start at the far corner and walk back to the door.",
        "Hold the nozzle at knee height, fan flat.",
        "Spray even strips that just touch.",
        "Go twice over the lanes, a mist along the edges.",
        isHardFloor(covering) ? "Wet the grout lines, too." : "Stop at the section’s end. Don’t run ahead.",
      ],
      why: "Even wetting cleans evenly. What dries before you come doesn’t clean.",
      mistake: "Spraying the whole house first. The first room is dry when you reach it.",
    }),
    "re-mist": {
      title: "Mist with water",
      lines: [
        "Use plain water in a clean sprayer.",
        "Mist until it just glistens.",
        "Brush it in once.",
        "Clean this section next.",
      ],
      why: "The product works only while it is wet.",
      mistake: "Adding more product. It leaves residue that soils fast.",
    },
    agitate: ({ covering }) => (isHardFloor(covering) ? AGITATE_HARD : AGITATE),
    clean: ({ method, stairs }) => (stairs && method === "extraction" ? STROKES_STAIRS : CLEAN[method]),
    pad: {
      title: "Dry with an absorbent pad",
      lines: [
        "Use a dry cotton pad under the rotary.",
        "Go slowly, half a pad further each pass.",
        "Turn the pad when it feels wet.",
        "Change it when both sides are wet.",
      ],
      why: "It takes up water that suction leaves, and the soil at the tips with it.",
      mistake: "A wet pad. It puts back what the last one took.",
    },
    spots: SPOT_CARE,
    odour: {
      title: "Treat an odour",
      lines: [
        "Find the edge with the lamp or the nose. Treat a hand beyond it.",
        "Wet it down to the backing, slowly.",
        "Cover it if the label says so, for its time.",
        "Extract it, and tell the customer it dries later.",
      ],
      why: "Urine sits in the backing and the pad below. Surface spray doesn’t reach it.",
      mistake: "A mist on top. It smells again on the next damp day.",
    },
    groom: {
      title: "Groom the pile",
      lines: [
        "Pull the groomer towards you, in straight strips.",
        "Work back to the door, in clean shoe covers.",
        "Lift flat lanes against the pile first.",
      ],
      why: "Upright pile dries sooner and dries without stroke marks.",
      mistake: "Grooming in dirty shoes over what is clean.",
    },
    fans: {
      title: "Place air movers",
      lines: [
        "Point each along the floor, not down at it.",
        "Set them to blow the same way round the room.",
        "Keep a door or window open only if the outside air is drier.",
        "Tape the cords, and put up signs on hard floors.",
      ],
      why: "Moving air takes the damp layer off the carpet.",
      mistake: "All of them in one corner. The other end stays wet.",
    },
    "last-vacuum": {
      title: "Vacuum what has dried",
      lines: [
        "Wait until the floor is dry to the touch.",
        "Vacuum slowly from two directions.",
        "Empty the bag outside.",
      ],
      why: "Dried product holds the soil. It has to come out.",
      mistake: "Vacuuming damp carpet. It cakes in the pile and in the machine.",
    },
    "set-up": {
      title: "Set up",
      lines: [
        "Park so that the hose runs without sharp bends.",
        "Put corner guards where the hose rubs.",
        "Check filter, jets and belts.",
        "Find the tap, the drain and two separate circuits.",
      ],
      why: "A short, straight hose sucks more and leaves less water.",
      mistake: "A hose over a painted corner. It rubs the paint off.",
    },
    rinse: {
      title: "Rinse the sprayer",
      lines: [
        "Release the pressure, then open it.",
        "Pour the rest down the sewer (foul drain) if its label allows.",
        "Fill a tenth with clean water, close it and shake it.",
        "Spray it through the nozzle until it runs clear.",
        "Empty it. Do it all again where the step says twice.",
      ],
      why: "The hose holds the old mix. It comes out on the next floor.",
      mistake: "Rinsing the bottle and not the hose.",
    },
    fill: {
      title: "Mix a fill",
      lines: [
        "Put on what the label asks for.",
        "Fill in half the water first.",
        "Measure at eye level, then add the product.",
        "Top up to the mark, then stir it or turn it over.",
      ],
      why: "Product on water doesn’t foam over and doesn’t splash.",
      mistake: "Guessing the amount. Too strong leaves residue and can harm the carpet.",
    },
    "tank-trip": {
      title: "Dump and refill",
      lines: [
        "Switch off, then release the pressure.",
        "Empty the waste into the sewer (foul drain).",
        "Rinse the filter before you close the tank.",
        "Fill with clean water. Two to lift.",
      ],
      why: "A full recovery tank stops the suction, or pulls water into the motor.",
      mistake: "Emptying it into the yard. A storm drain leads to a river.",
    },
    break: undefined,
    "pack-up": {
      title: "Pack up",
      lines: [
        "Release the pressure before you uncouple a hose.",
        "Empty and rinse the tanks. Leave them open to dry.",
        "Stand brushes off their bristles.",
        "Walk the rooms: risers, behind doors, lights, keys.",
      ],
      why: "What stays wet in the van smells, freezes or rots.",
      mistake: "Leaving pressure in the hose. It kicks when you uncouple it.",
    },
    own: undefined,
  };

/** How a kind of step is done on a floor; undefined where it takes no technique. */
export function techniqueFor(kind: StepKind, floor: TechniqueFloor): Technique | undefined {
  const found = TECHNIQUES[kind];
  return typeof found === "function" ? found(floor) : found;
}

/** Every technique once, for a reference to list. */
export const ALL_TECHNIQUES: readonly Technique[] = [
  VACUUM,
  VACUUM_RIBS,
  VACUUM_STAIRS,
  VACUUM_HARD,
  AGITATE,
  AGITATE_HARD,
  STROKES_STAIRS,
  ...Object.values(CLEAN),
  ...Object.values(TECHNIQUES).flatMap((each) => (each && typeof each !== "function" ? [each] : [])),
].filter((each, i, all) => all.findIndex(({ title }) => title === each.title) === i);
