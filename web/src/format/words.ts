import type { Fault, Interview, LogEntryOf, Product, Room, Vessel } from "@scutch/contract";
import type { Covering, Origin } from "@scutch/core/care";
import type { SecondLookResult, WalkRoundItem } from "@scutch/core/log";
import type { BatchFault } from "@scutch/core/mix";
import type { AssumedField, EffectKind, RoleChoice } from "@scutch/core/plan";
import { type Ambiguous, decimal, type ParseFault, readable } from "@scutch/core/quantity";
import type { Extra } from "@scutch/core/quote";
import { formatAmount, type UnitFormatter } from "./units.ts";

type Named<T extends string> = Readonly<Record<T, string>>;

export const COVERING_NAMES: Named<Covering> = {
  "cut-pile": "Cut pile",
  "deep-pile": "Deep pile",
  "loop-pile": "Loop pile",
  "carpet-tile": "Carpet tile",
  "ribbed-mat": "Ribbed mat",
  coir: "Coir mat",
  rug: "Rug",
  ceramic: "Ceramic tile",
  stone: "Marble, limestone, unknown stone",
  granite: "Granite, slate",
  vinyl: "Vinyl",
};
export const FIBRE_NAMES: Named<NonNullable<Room["fibre"]>> = {
  nylon: "Nylon",
  polyester: "Polyester",
  olefin: "Olefin",
  wool: "Wool",
  acrylic: "Acrylic",
  silk: "Silk",
  cotton: "Cotton",
  viscose: "Viscose",
  plant: "Sisal, jute, seagrass",
  unknown: "Unknown",
};
export const IDENTIFIED_NAMES: Named<NonNullable<Room["identifiedBy"]>> = {
  label: "Label on the backing",
  "burn-test": "Burn test",
  "float-test": "Float test",
  customer: "Customer said",
  look: "Look and feel",
};
export const BACKING_NAMES: Named<NonNullable<Room["backing"]>> = {
  synthetic: "Woven synthetic",
  jute: "Jute",
  foam: "Foam or rubber",
  unknown: "Unknown",
};
export const SOIL_NATURE_NAMES: Named<NonNullable<Room["soilNature"]>> = {
  dry: "Dry grit",
  greasy: "Greasy",
};
export const WEAR_NAMES: Named<NonNullable<Room["wear"]>> = {
  none: "None",
  shading: "Pile flattened",
  worn: "Worn through",
};
export const METHOD_NAMES: Named<NonNullable<Room["method"]>> = {
  extraction: "Extraction",
  "self-contained": "Self-contained",
  "low-moisture": "Low moisture",
  "dry-foam": "Dry foam",
  "dry-compound": "Dry compound",
  spinner: "Hard-floor spinner",
};
export const SOIL_NAMES = { 1: "Dusty", 2: "Light", 3: "Normal", 4: "Heavy", 5: "Caked" } as const;
export const WINDOW_NAMES: Named<NonNullable<Room["windows"]>> = {
  shut: "Closed",
  ajar: "Ajar",
  "one-open": "One open",
  "cross-ventilated": "Open both sides",
};
export const PRODUCT_KIND_NAMES: Named<Product["kind"]> = {
  "pre-spray": "Pre-spray",
  "acid-rinse": "Acid rinse",
  encapsulant: "Encapsulant",
  spotter: "Spotter",
  defoamer: "Defoamer",
  "odour-treatment": "Odour treatment",
  "hard-floor": "Hard-floor cleaner",
};
/** What an answer of the customer's changes in the plan. */
export const EFFECT_NAMES: Named<EffectKind> = {
  defoamer: "Defoamer in the recovery tank",
  "extra-rinse": "One extra wet stroke",
  "odour-step": "Odour treatment last; dries later",
  "find-accidents": "To do: find with UV lamp, mark each on the plan",
  edges: "Edges by hand",
  "slow-vacuum": "Vacuum slowly, twice",
};
export const LAST_CLEANED_NAMES: Named<NonNullable<Interview["lastCleaned"]>> = {
  never: "Never",
  "this-year": "This year",
  "one-to-three-years": "1–3 years ago",
  longer: "Longer ago",
};
export const ROLE_NAMES: Named<RoleChoice> = {
  "first-cleans": "the first person",
  "second-cleans": "the second person",
  none: "either",
};

export const OCCUPANCY_NAMES: Named<NonNullable<Interview["occupancy"]>> = {
  "lived-in": "Lived in",
  empty: "Empty",
  "move-in": "Moving in",
  "move-out": "Moving out",
};
/** What is charged apart. */
export const EXTRA_NAMES: Named<Extra> = {
  "extra-rinse": "Rinsing out old detergent",
  odour: "Odour treatment",
  stain: "Stains",
  spot: "Spots",
  stairs: "Stairs",
  edges: "Edges by hand",
  matting: "Entrance matting",
  vacuuming: "Vacuuming",
  grease: "Heavy grease",
  furniture: "Moving furniture",
  protector: "Protector",
  waiting: "Waiting",
};
export const VESSEL_KIND_NAMES: Named<NonNullable<Vessel["kind"]>> = {
  "pump-sprayer": "Pump sprayer",
  "battery-sprayer": "Battery sprayer",
  "injection-sprayer": "Injection sprayer",
  "on-board-tank": "On-board tank",
  "solution-tank": "Solution tank",
  "recovery-tank": "Recovery tank",
};
/** What a spot came from, in a word or two. */
export const ORIGIN_SHORT: Named<Origin> = {
  unknown: "Unknown",
  soil: "Mud, soil",
  "coffee-tea": "Coffee, tea",
  "wine-fruit": "Wine, fruit",
  "red-drink": "Red drink, food dye",
  "milk-egg": "Milk, egg, food",
  blood: "Blood",
  vomit: "Vomit, faeces",
  urine: "Urine",
  "food-grease": "Cooking grease",
  "oil-tar": "Oil, tar, polish",
  ink: "Ink, marker",
  "make-up": "Make-up",
  "paint-glue": "Paint, glue",
  "gum-wax": "Gum, wax",
  rust: "Rust",
  "ice-melt": "Ice-melt salt",
  soot: "Soot, toner",
};
export const ASSUMED_NAMES: Named<AssumedField> = {
  size: "size",
  height: "ceiling",
  covering: "covering",
  fibre: "fibre",
  pileHeight: "pile",
  faceWeight: "weight",
  soil: "soil",
  method: "method",
  windows: "windows",
  heating: "heating",
  air: "air",
};

export const PAID_BY_NAMES: Named<LogEntryOf<"payment">["paidBy"]> = {
  cash: "Cash",
  card: "Card",
  transfer: "Bank transfer",
  other: "Another way",
};
export const WALK_ROUND_NAMES: Named<WalkRoundItem> = {
  lights: "Lights and heating as found",
  risers: "Stair risers done",
  "behind-doors": "Behind the doors",
  edges: "Edges and corners",
  keys: "Keys and codes returned",
  signs: "Wet-floor signs up",
  windows: "Windows as agreed",
};
export const SECOND_LOOK_NAMES: Named<SecondLookResult> = {
  fine: "All well",
  "wick-back": "Wicked back",
  odour: "Smells again",
  "spot-back": "Spot came back",
};

const EXAMPLES: Readonly<Record<string, string>> = {
  length: "3.8 m or 12'6",
  area: "14 m² or 150 sq ft",
  volume: "8 L, 2 gal or 265 ml",
  temperature: "21 °C or 70 F",
  share: "48%",
  applicationRate: "70 ml/m² or 600 sq ft/gal",
  mass: "300 g or 10 oz",
  time: "10 min or 1h30",
  speed: "0.3 m/s or 60 ft/min",
  strength: "1:24, 6 oz/gal, 47 ml/L or 4%",
  massPerArea: "1.2 kg/m² or 36 oz/sq yd",
  size: "3.8 x 4.2, or 4 x 3 + 2 x 1.5 for an L, or 14 m²",
};

export type TypedFault<T> =
  | ParseFault
  | Ambiguous<T>
  | { readonly code: "strength-out-of-range"; readonly text: string };

/** What is wrong with something typed, and what to type instead. */
export function typedFault(fault: TypedFault<unknown>, what: string): string {
  const example = EXAMPLES[what] ?? "a number";
  switch (fault.code) {
    case "empty":
      return `Enter ${example}.`;
    case "not-a-quantity":
      return `Can’t read “${fault.text}”. Try ${example}.`;
    case "ambiguous":
      return `“${fault.text}” could mean two things. Tap the right one:`;
    case "unit-missing":
      return `Add a unit to every number in “${fault.text}”. Try ${example}.`;
    case "unit-order":
      return `In “${fault.text}”, put the larger unit first and use each unit once. Try ${example}.`;
    case "unknown-unit":
      return `“${fault.text}” isn’t a unit Scutch knows. Try ${example}.`;
    case "wrong-unit":
      return `“${fault.text}” is the wrong kind of unit. Try ${example}.`;
    case "strength-out-of-range":
      return `“${fault.text}” can’t be mixed: a strength is 1:1 to 1:100,000. Check the label.`;
  }
}

/** Why a batch has no fills, and the way out. */
export function batchFault(fault: BatchFault, units: UnitFormatter): string {
  const small = (volume: number) => formatAmount(units.amount(volume));
  const large = (volume: number) => formatAmount(units.volume(volume));
  switch (fault.code) {
    case "label-range-reversed":
      return "The light strength is stronger than the heavy one. Correct the product.";
    case "strength-outside-label":
      return "The label doesn’t allow this strength. Choose one between its light and heavy strengths.";
    case "vessel-holds-nothing":
      return "This sprayer has no usable volume. Check its volumes or use another.";
    case "vessel-below-measure":
      return `A full sprayer (${large(fault.usable)}) needs ${small(fault.concentrate)}, less than one mark of the measure (${small(fault.measure)}). Use a finer measure or a larger sprayer.`;
    case "tip-too-lean":
      return `Through a 1:${readable(fault.ratio)} tip, even a half-and-half jug is weaker on the floor than the label’s weakest, 1:${readable(1 / fault.weakest)}. Use a tip of 1:${decimal(Math.floor(fault.most * 10) / 10, 1)} or less, or another sprayer.`;
    case "pot-life-too-short":
      return "The mix expires before you can spray one mark. Use a sprayer with a bigger nozzle.";
    case "measure-too-coarse":
      return `${fault.booster ? "A booster’s " : ""}${fault.powder ? formatAmount(units.powder(fault.concentrate)) : small(fault.concentrate)} for ${large(fault.volume)} can’t be measured in steps of ${fault.powder ? formatAmount(units.powder(fault.measure)) : small(fault.measure)} within the label’s range. Use a finer measure${fault.powder ? " or scoop" : ""}, or mix more at once.`;
  }
}

/** A fault of the contract as a sentence; `show` writes limits in the field's own unit. */
export function contractFault(fault: Fault, show: (limit: number) => string = String): string {
  const limit = fault.limit === undefined ? "" : show(fault.limit);
  switch (fault.code) {
    case "too-small":
      return `Too small. Enter at least ${limit}.`;
    case "too-big":
      return `Too large. Enter ${limit} at most.`;
    case "too-many":
      return `Too many: ${fault.limit} at most. Remove one first.`;
    case "too-long":
      return `Too long. Use ${fault.limit} characters at most.`;
    case "missing":
      return "Fill this in.";
    case "strength-out-of-range":
      return "A strength is 1:1 to 1:100,000. Check the label.";
    case "label-range-reversed":
      return "Weaker than the one before. Strengths must rise: light, normal, heavy.";
    case "dwell-range-reversed":
      return "Shorter than the dwell time.";
    case "vessel-holds-nothing":
      return "No usable volume after heel and head space. Check the volumes.";
    case "not-taken-out":
      return "Remove the job first. Then you can delete it for good.";
    case "line-above-brim":
      return "A line is above the brim. Check the volume or the lines.";
    case "vessel-below-measure":
      return "A full sprayer needs less than one mark of the measure. Use a finer measure or a larger sprayer.";
    case "unknown-reference":
      return "This isn’t on the shelf or in the van any more. Choose another.";
    case "amount-or-powder":
      return "Enter how much: a volume, or a weight for a powder.";
    case "powder-or-liquid":
      return "Enter a powder’s strength by weight, like 30 g/L or 8 oz per 2 gal, and a liquid’s like 1:24. Check the scoop too.";
    case "door-to-nowhere":
      return "This door leads to a room that no longer exists. Choose another room, or the exit.";
    case "door-into-itself":
      return "A door can’t lead back into its own room. Choose the room on its other side.";
    case "part-off-wall":
      return "It doesn’t fit there: longer than its wall, or through the room. Check its size and wall.";
    case "parts-overlap":
      return "It overlaps another one. Move it along the wall.";
    case "part-not-here":
      return "Landings belong to stairs; alcoves, hearths and fixed units to rooms.";
    case "wings-overlap":
      return "The two wings together are longer than the room between them. Check the sizes.";
    case "more-winders-than-steps":
      return "There are more turning steps than steps. Count again.";
    case "runner-wider-than-stairs":
      return "The runner is wider than the stairs. Measure again.";
    case "method-not-here":
      return "The spinner is for hard floors. Choose another method.";
    case "not-a-picture":
      return "Scutch can’t read this file as a photo. Take a photo, or choose a JPEG, PNG or WebP.";
    case "too-many-photos":
      return `This job has ${limit} photos, the maximum. Remove some first.`;
    case "too-many-jobs":
      return `The crew has ${limit} jobs, the maximum. Delete old ones for good first.`;
    case "year-out-of-range":
      return "Use a year from 1970 to 2199. Check the year, or this device’s clock.";
    case "too-deep":
      return "Nothing here is nested so deeply. Check the file.";
    case "broken-text":
      return "A character is incomplete. Enter the text again.";
    case "bad-format":
      return "Can’t read this. Check the spelling.";
    default:
      return "This isn’t allowed here. Change it and try again.";
  }
}
