import type { Fault, Product, Room } from "@scutch/contract";
import type { BatchFault } from "@scutch/core/mix";
import type { AssumedField, Covering } from "@scutch/core/plan";
import type { ParseFault } from "@scutch/core/quantity";
import { asRatio, joined, type UnitsOfCrew } from "./units.ts";

type Named<T extends string> = Readonly<Record<T, string>>;

export const COVERING_NAMES: Named<Covering> = {
  "cut-pile": "Cut pile",
  "deep-pile": "Deep pile",
  "loop-pile": "Loop pile",
  "carpet-tile": "Carpet tile",
  "ribbed-mat": "Ribbed mat",
};
export const FIBRE_NAMES: Named<NonNullable<Room["fibre"]>> = {
  nylon: "Nylon",
  polyester: "Polyester",
  olefin: "Olefin",
  wool: "Wool",
  cotton: "Cotton",
};
export const METHOD_NAMES: Named<NonNullable<Room["method"]>> = {
  extraction: "Extraction",
  "self-contained": "Self-contained",
  "low-moisture": "Low moisture",
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
  air: "air",
};

const EXAMPLES: Readonly<Record<string, string>> = {
  length: "3.8 m or 12'6",
  area: "14 m² or 150 sq ft",
  volume: "8 L, 2 gal or 265 ml",
  temperature: "21 °C or 70 F",
  share: "48 %",
  strength: "1:24, 6 oz/gal, 47 ml/L or 4 %",
  size: "3.8 x 4.2, or 4 x 3 + 2 x 1.5 for an L, or 14 m²",
};

/** What is wrong with something typed, and what to type instead. */
export function typedFault(
  fault: ParseFault | { readonly code: "strength-out-of-range"; readonly text: string },
  what: string,
): string {
  const example = EXAMPLES[what] ?? "a number";
  switch (fault.code) {
    case "empty":
      return `Type ${example}.`;
    case "not-a-quantity":
      return `“${fault.text}” can’t be read. Type it like ${example}.`;
    case "unknown-unit":
      return `“${fault.text}” isn’t a unit Scutch knows. Type it like ${example}.`;
    case "wrong-unit":
      return `“${fault.text}” doesn’t measure this. Type it like ${example}.`;
    case "strength-out-of-range":
      return `“${fault.text}” can’t be mixed: a strength lies between 1:1 and 1:100,000. Read the label again.`;
  }
}

/** Why a batch has no fills, and the way out. */
export function batchFault(fault: BatchFault, units: UnitsOfCrew): string {
  const small = (volume: number) => joined(units.amount(volume));
  const large = (volume: number) => joined(units.volume(volume));
  switch (fault.code) {
    case "label-range-reversed":
      return "The label’s light strength is stronger than its heavy one. Correct the product.";
    case "strength-outside-label":
      return "This strength is outside what the label allows. Choose one between its light and heavy strength.";
    case "vessel-holds-nothing":
      return "Nothing is left in this sprayer once its heel and head space are taken off. Correct its volumes or take another.";
    case "vessel-below-measure":
      return `A full sprayer (${large(fault.usable)}) takes ${small(fault.concentrate)}, less than one mark of the measure (${small(fault.measure)}). Take a finer measure or a larger sprayer.`;
    case "pot-life-too-short":
      return "The mix goes off before even one mark of it is sprayed. Take a sprayer with a larger nozzle.";
    case "measure-too-coarse":
      return `${small(fault.concentrate)} for ${large(fault.volume)} can’t be measured in steps of ${small(fault.measure)} and stay inside the label’s range. Take a finer measure.`;
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
    case "vessel-below-measure":
      return "A full sprayer takes less than one mark of the measure. Take a finer measure or a larger sprayer.";
    case "unknown-reference":
      return "This isn’t on the shelf or in the van any more. Choose another.";
    case "bad-format":
      return "This can’t be read. Check the spelling.";
    default:
      return "This isn’t allowed here. Change it and try again.";
  }
}

/** The range a mix must stay in, both ends as 1:n. */
export const labelRange = (light: number, heavy: number) => `${asRatio(heavy)} to ${asRatio(light)}`;
