import type { Fault, Interview, Product, Room, Vessel } from "@scutch/contract";
import type { Covering, Origin } from "@scutch/core/care";
import type { BatchFault } from "@scutch/core/mix";
import type { AssumedField, EffectKind } from "@scutch/core/plan";
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
  unknown: "Nobody knows",
};
export const IDENTIFIED_NAMES: Named<NonNullable<Room["identifiedBy"]>> = {
  label: "Label on the back",
  "burn-test": "Burn test",
  "float-test": "Float test",
  customer: "Customer said",
  look: "Look and feel",
};
export const BACKING_NAMES: Named<NonNullable<Room["backing"]>> = {
  synthetic: "Woven synthetic",
  jute: "Jute",
  foam: "Foam or rubber",
  unknown: "Nobody knows",
};
export const SOIL_NATURE_NAMES: Named<NonNullable<Room["soilNature"]>> = {
  dry: "Dry grit",
  greasy: "Greasy",
};
export const WEAR_NAMES: Named<NonNullable<Room["wear"]>> = {
  none: "None",
  shading: "Pile lying down",
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
export const SOIL_NAMES = { 1: "Dusty", 2: "Light", 3: "Ordinary", 4: "Heavy", 5: "Caked" } as const;
export const WINDOW_NAMES: Named<NonNullable<Room["windows"]>> = {
  shut: "Shut",
  "one-open": "One open",
  "cross-ventilated": "Through draught",
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
  "extra-rinse": "One more wet stroke",
  "odour-step": "Odour treatment last; dries later",
  "find-accidents": "To do: find them with the lamp, put each on the plan",
  edges: "Edges by hand",
  "slow-vacuum": "Vacuum slowly, twice over",
};
export const LAST_CLEANED_NAMES: Named<NonNullable<Interview["lastCleaned"]>> = {
  never: "Never",
  "this-year": "This year",
  "one-to-three-years": "1–3 years ago",
  longer: "Longer ago",
};
export const OCCUPANCY_NAMES: Named<NonNullable<Interview["occupancy"]>> = {
  "lived-in": "Lived in",
  empty: "Empty",
  "move-in": "Moving in",
  "move-out": "Moving out",
};
/** What is charged apart. */
export const EXTRA_NAMES: Named<Extra> = {
  "extra-rinse": "Rinsing old detergent out",
  odour: "Odour treatment",
  stain: "Stains, each",
  spot: "Spots, each",
  stairs: "Stairs, a step",
  edges: "Edges by hand",
  matting: "Entrance matting",
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
  unknown: "Not known",
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

const EXAMPLES: Readonly<Record<string, string>> = {
  length: "3.8 m or 12'6",
  area: "14 m² or 150 sq ft",
  volume: "8 L, 2 gal or 265 ml",
  temperature: "21 °C or 70 F",
  share: "48 %",
  applicationRate: "70 ml/m² or 600 sq ft/gal",
  mass: "300 g or 10 oz",
  time: "10 min or 1h30",
  speed: "0.3 m/s or 60 ft/min",
  strength: "1:24, 6 oz/gal, 47 ml/L or 4 %",
  massPerArea: "1.2 kg/m² or 36 oz/yd2",
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
      return `Type ${example}.`;
    case "not-a-quantity":
      return `“${fault.text}” can’t be read. Type it like ${example}.`;
    case "ambiguous":
      return `“${fault.text}” could mean two things. Tap the one you mean:`;
    case "unit-missing":
      return `Say the unit of every number in “${fault.text}”. Type it like ${example}.`;
    case "unit-order":
      return `The larger unit comes first, each once, in “${fault.text}”. Type it like ${example}.`;
    case "unknown-unit":
      return `“${fault.text}” isn’t a unit Scutch knows. Type it like ${example}.`;
    case "wrong-unit":
      return `“${fault.text}” doesn’t measure this. Type it like ${example}.`;
    case "strength-out-of-range":
      return `“${fault.text}” can’t be mixed: a strength lies between 1:1 and 1:100,000. Read the label again.`;
  }
}

/** Why a batch has no fills, and the way out. */
export function batchFault(fault: BatchFault, units: UnitFormatter): string {
  const small = (volume: number) => formatAmount(units.amount(volume));
  const large = (volume: number) => formatAmount(units.volume(volume));
  switch (fault.code) {
    case "label-range-reversed":
      return "The label’s light strength is stronger than its heavy one. Correct the product.";
    case "strength-outside-label":
      return "This strength is outside what the label allows. Choose one between its light and heavy strength.";
    case "vessel-holds-nothing":
      return "Nothing is left in this sprayer once its heel and head space are taken off. Correct its volumes or take another.";
    case "vessel-below-measure":
      return `A full sprayer (${large(fault.usable)}) takes ${small(fault.concentrate)}, less than one mark of the measure (${small(fault.measure)}). Take a finer measure or a larger sprayer.`;
    case "tip-too-lean":
      return `Through a 1:${readable(fault.ratio)} tip even a jug of half and half lies weaker on the floor than the label’s weakest, 1:${readable(1 / fault.weakest)}. Take a tip of 1:${decimal(Math.floor(fault.most * 10) / 10, 1)} or less, or another sprayer.`;
    case "pot-life-too-short":
      return "The mix goes off before even one mark of it is sprayed. Take a sprayer with a larger nozzle.";
    case "measure-too-coarse":
      return `${fault.booster ? "A booster’s " : ""}${fault.powder ? formatAmount(units.powder(fault.concentrate)) : small(fault.concentrate)} for ${large(fault.volume)} can’t be measured in steps of ${fault.powder ? formatAmount(units.powder(fault.measure)) : small(fault.measure)} and stay inside the label’s range. Take a finer measure${fault.powder ? " or scoop" : ""}, or make more at once.`;
  }
}

/** A fault of the contract as a sentence; `show` writes limits in the field's own unit. */
export function contractFault(fault: Fault, show: (limit: number) => string = String): string {
  const limit = fault.limit === undefined ? "" : show(fault.limit);
  switch (fault.code) {
    case "too-small":
      return `Too small: at least ${limit}.`;
    case "too-big":
      return `Too large: at most ${limit}.`;
    case "missing":
      return "Fill this in.";
    case "strength-out-of-range":
      return "A strength lies between 1:1 and 1:100,000. Read the label again.";
    case "label-range-reversed":
      return "Weaker than the one before it. Light, ordinary, heavy must get stronger.";
    case "dwell-range-reversed":
      return "Shorter than the least dwell time.";
    case "vessel-holds-nothing":
      return "Nothing is left once heel and head space are taken off. Check the volumes.";
    case "not-taken-out":
      return "Take the job out first: only then can it be purged.";
    case "line-above-brim":
      return "A line lies above the brim. Check what it holds, or the lines.";
    case "vessel-below-measure":
      return "A full sprayer takes less than one mark of the measure. Take a finer measure or a larger sprayer.";
    case "unknown-reference":
      return "This isn’t on the shelf or in the van any more. Choose another.";
    case "powder-or-liquid":
      return "A powder’s strength is by weight, like 30 g/L or 8 oz per 2 gal; a liquid’s like 1:24. Check the scoop too.";
    case "door-to-nowhere":
      return "This door leads to a room that isn’t there. Choose another, or the way out.";
    case "door-into-itself":
      return "A door can’t lead from a room into itself. Choose the room on its other side.";
    case "part-off-wall":
      return "It doesn’t fit where it was put: longer than its wall, or through the room. Check its sides and its wall.";
    case "parts-overlap":
      return "It lies over another one. Move it along the wall.";
    case "part-not-here":
      return "Landings belong to stairs; alcoves, hearths and fixed units to rooms.";
    case "wings-overlap":
      return "The two wings are longer together than the room between them. Check the sizes.";
    case "more-winders-than-steps":
      return "More turning steps than steps. Count again.";
    case "runner-wider-than-stairs":
      return "The runner is wider than the stairs. Measure again.";
    case "method-not-here":
      return "The spinner is for hard floors. Choose another method.";
    case "not-a-picture":
      return "This file isn’t a picture Scutch can read. Take a photo, or choose a JPEG, PNG or WebP.";
    case "too-many-photos":
      return `This job has ${limit} pictures, which is the most. Take some away first.`;
    case "year-out-of-range":
      return "From 1970 to 2199. Check the year, or this device’s clock.";
    case "broken-text":
      return "A letter or sign in it was cut in half. Type it again.";
    case "bad-format":
      return "This can’t be read. Check the spelling.";
    default:
      return "This isn’t allowed here. Change it and try again.";
  }
}
