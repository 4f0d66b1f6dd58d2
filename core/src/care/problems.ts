/** Something that goes wrong with a floor, or was wrong before: what it comes from and what is done. */
export interface FloorProblem {
  readonly title: string;
  readonly cause: string;
  readonly steps: readonly string[];
  readonly avoid?: string;
  /** What to say before the work, where it won't come right. */
  readonly tell?: string;
  readonly source: string;
}

const COMMON = "common practice";

/** What goes wrong, and what was wrong before. The label and the floor's maker come before it. */
export const FLOOR_PROBLEMS: readonly FloorProblem[] = [
  {
    title: "Wick-back",
    cause: "Soil or an old spill deep in the pile rises to the tips as it dries: spots come back overnight.",
    steps: [
      "Extract it again with little water, then dry strokes until the tube runs clear.",
      "Lay a folded dry towel on it with a weight, and leave it overnight.",
      "Dry it fast: air mover across it, not down at it.",
    ],
    avoid: "More water or product: it brings up more.",
    source: COMMON,
  },
  {
    title: "Browning",
    cause:
      "Water drew brown out of a jute backing, cotton or another plant fibre. Alkali and slow drying make it worse. It often shows as a brown ring.",
    steps: [
      "Dry the carpet first.",
      "Dye-test an acid rinse or a browning treatment in a hidden spot.",
      "Apply it lightly, extract at once, dry fast.",
    ],
    avoid: "Wetting it through a second time.",
    source: COMMON,
  },
  {
    title: "Shrinkage",
    cause:
      "Jute, cotton and wool shrink as they dry if they got too wet. It shows at seams, walls and door bars.",
    steps: [
      "Stop wetting, extract what you can.",
      "Move air over it at once; keep the room’s air dry.",
      "Call a carpet fitter while it is still damp: it can be stretched back then.",
    ],
    avoid: "Heat, and pulling at it by hand.",
    tell: "Carpet with a natural backing can shrink. Low moisture lowers the risk.",
    source: COMMON,
  },
  {
    title: "Delamination",
    cause:
      "The second backing comes off: the latex is old, solvent softened it, or it stayed wet too long. Bubbles and powder are the signs.",
    steps: [
      "Before you start, lift a corner and bend it: crumbs or a hollow sound mean a low-moisture method.",
      "Extract, dry from above, keep people off it.",
      "A carpet fitter can glue small places.",
    ],
    avoid: "Solvent on the pile, deep wetting, a rotary machine.",
    tell: "The backing is failing from age. Cleaning may show it.",
    source: COMMON,
  },
  {
    title: "Colour run",
    cause: "The dye bleeds: it isn’t fast to water, alkali or heat. The dye test shows it before it happens.",
    steps: [
      "Stop. Extract at once, more dry strokes than wet.",
      "Acid rinse where the label and the fibre allow it, and extract again.",
      "Repeat until a white cloth stays clean. Dry fast.",
    ],
    avoid: "Alkali, oxygen bleach, heat, and leaving it wet.",
    source: COMMON,
  },
  {
    title: "Bleach marks and faded colour",
    cause:
      "Colour is gone, nothing is on the carpet: chlorine, peroxide, acne cream, pool water or sun. A damp white cloth stays clean.",
    steps: ["Show it to the customer before you start.", "A specialist can dye it or set in a patch."],
    avoid: "Cleaning it harder.",
    tell: "This is lost colour. Cleaning can’t bring it back and may make it show more.",
    source: COMMON,
  },
  {
    title: "Yellowing",
    cause:
      "Alkali left in the pile, smoke, or an agent from the backing or underlay that turns yellow with alkali.",
    steps: [
      "Rinse with plain water and extract.",
      "Dye-test an acid rinse, apply it lightly, extract, dry fast.",
    ],
    avoid: "Alkali and oxygen bleach.",
    source: COMMON,
  },
  {
    title: "Filtration lines",
    cause:
      "Dark grey lines along skirting, under doors and on stair edges: air drawn through gaps leaves its dust in the pile.",
    steps: [
      "Vacuum them with the crevice tool.",
      "Work in the pre-spray with a hand brush, wait, extract by hand. Neutral on wool.",
      "Repeat once. Then a solvent gel on a cloth, after a dye test.",
    ],
    avoid: "Much water at the edge: carpet grippers rust and the skirting swells.",
    tell: "They lighten and may not go. They come back until the gap is closed.",
    source: COMMON,
  },
  {
    title: "Sticky residue and fast re-soiling",
    cause:
      "Detergent left in the pile is sticky and draws soil. A softener on top of it makes slime that won’t rinse out.",
    steps: [
      "Defoamer in the recovery tank.",
      "Rinse with plain water or an acid rinse until it stops foaming and feels clean, not slippery.",
      "Next time: mix by the label, spray less, extract more.",
    ],
    avoid: "More detergent.",
    source: COMMON,
  },
  {
    title: "Pile marks and shading",
    cause:
      "Light and dark patches that swap when you look from the other side: the pile leans two ways. It can be permanent, and nothing is on it.",
    steps: [
      "Groom the pile one way while it is damp.",
      "Look from both ends before you start, with the customer.",
    ],
    tell: "Shading is how this pile lies. Cleaning doesn’t cause it and doesn’t end it.",
    source: COMMON,
  },
  {
    title: "Moths and carpet beetles",
    cause:
      "Their grubs eat wool and hair in the dark: under furniture, along edges. Bare patches, threads, sandy grit, empty cases.",
    steps: [
      "Vacuum slowly along edges, under furniture, and both sides where it lifts.",
      "Bag what you took up and bring it outdoors at once.",
      "Clean the wool: they eat soiled wool first.",
      "Insecticide only by its label, and by a licensed person where the law asks for one.",
    ],
    tell: "Eaten pile doesn’t grow back. Move furniture and vacuum under it each season.",
    source: COMMON,
  },
  {
    title: "Mould",
    cause:
      "Damp for more than a day or two: musty smell, grey, green or black bloom, often on the backing first.",
    steps: [
      "Don’t start. Find out where the water comes from; nothing helps until that is mended.",
      "More than about 1 m² (10 sq ft), or anyone with weak lungs in the house: a remediation firm.",
      "Less: wear gloves, goggles and a fine-dust mask, shut the doors, keep air movers off.",
    ],
    avoid: "Brushing it dry, blowing air at it, a vacuum without a fine-dust (HEPA) filter.",
    source: "US EPA, A Brief Guide to Mold, Moisture and Your Home, memory",
  },
  {
    title: "Sewage and flood water",
    cause: "Water from a drain, a toilet or a river carries disease. It isn’t a cleaning job.",
    steps: [
      "Keep people and pets out. No power tools while anything is under water.",
      "Carpet and underlay that sewage reached are removed, not cleaned.",
      "Call a restoration firm; the insurer and local rules come first.",
    ],
    avoid: "Extracting it with your own machine.",
    source: "ANSI/IICRC S500, category 3 water, memory",
  },
  {
    title: "Furniture stains",
    cause: "Damp carpet takes rust from metal feet and colour from wood stain.",
    steps: [
      "Before: foil, a plastic tab or a block under every foot until the carpet is dry.",
      "Rust: see Rust under Spots.",
      "Wood stain: neutral spotter, acid spotter, then a reducing agent after a dye test. It often stays.",
    ],
    source: COMMON,
  },
  {
    title: "What glows under the UV lamp",
    cause:
      "Dry urine glows dull yellow. Laundry powder, lint, highlighter, tonic water and other fluorescent colours glow too, and brighter.",
    steps: [
      "Darken the room, look, mark each place on the plan.",
      "Smell and feel it, then wet a corner: urine smells stronger.",
      "A fluorescent dye isn’t urine: treat it as ink.",
    ],
    avoid: "Looking into the lamp.",
    source: COMMON,
  },
  {
    title: "Turmeric, mustard, curry",
    cause: "Turmeric dyes the fibre yellow, and alkali turns it red.",
    steps: [
      "Lift it off, plain water, neutral spotter, acid spotter.",
      "Oxygen bleach at label strength after a dye test, and time. Never on wool or silk.",
      "Daylight fades what is left over some days.",
    ],
    avoid: "Alkali and heat.",
    tell: "It lightens. A yellow shadow may stay.",
    source: COMMON,
  },
  {
    title: "Seams",
    cause: "An open seam frays, the wand catches in it, and water loosens its tape.",
    steps: [
      "Look for them first and show open ones to the customer.",
      "Clean along a seam, not across it, with little water.",
      "Trim loose tufts with scissors. A carpet fitter mends the seam.",
    ],
    avoid: "A counter-rotating brush over an open seam. Pulling at a thread.",
    source: COMMON,
  },
  {
    title: "Pulled loops and loose tufts",
    cause:
      "Claws, castors and stiff brushes pull loops out; a pulled loop can run like a ladder in a stocking.",
    steps: ["Cut it level with scissors.", "No brush, no spinner there."],
    avoid: "Pulling it out.",
    source: COMMON,
  },
  {
    title: "Burns",
    cause:
      "A cigarette, an iron or a spark melted the tips, or charred them: wool chars, most other fibres melt.",
    steps: [
      "Show it to the customer before you start.",
      "Light: trim the tips with small scissors and vacuum.",
      "Deep: a carpet fitter sets in a patch, from a cupboard for instance.",
    ],
    tell: "The fibre is gone there. Cleaning doesn’t bring it back.",
    source: COMMON,
  },
  {
    title: "Grass and pollen",
    cause:
      "Grass holds a green dye that spirit dissolves. Pollen is a dry dye: it stains once it is rubbed or wet.",
    steps: [
      "Pollen: lift it with sticky tape, vacuum, nothing wet before that.",
      "Grass: neutral spotter, then spirit on a cloth, always a clean side, after a dye test.",
      "What is left: acid spotter, then oxygen bleach at label strength after a dye test. Never on wool or silk.",
    ],
    avoid: "Alkali: it sets the green. Rubbing.",
    source: COMMON,
  },
  {
    title: "Musty smell after cleaning",
    cause: "It stayed wet too long, or old urine and food got wet again.",
    steps: [
      "Dry it: air movers, dehumidifier, and windows only where Dry says they help.",
      "Find what smells with nose and UV lamp; treat urine down to where it went.",
    ],
    avoid: "Perfume over it.",
    source: COMMON,
  },
];
