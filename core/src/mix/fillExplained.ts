import { type Explanation, explain, figure } from "../explain/index.ts";
import type { Batch } from "./batch.ts";
import type { Fill } from "./batchTypes.ts";
import { MIX_DENSITY } from "./fillContents.ts";
import { partsOf } from "./strength.ts";
import type { Vessel } from "./vessel.ts";

type PlannedFills = Extract<Batch, { readonly outcome: "planned" }>;

/** Concentrate in one fill. */
export function explainConcentrate(fill: Fill, strength: number, measure: number): Explanation {
  return explain({
    name: "concentrate",
    kind: "smallVolume",
    formula:
      "V c ⁄ (1 + c), c = concentrate per water, then to the nearest mark of the measure inside the label’s range",
    source: "dilution",
    inputs: {
      volume: figure("finished mix, V", fill.volume, "volume"),
      strength: figure("strength, c", strength, "strength"),
    },
    compute: (x) => partsOf(x.volume, x.strength).concentrate,
    steps: () => [
      figure("mark of the measure", measure, "smallVolume"),
      figure("measured", fill.concentrate, "smallVolume"),
      figure("water", fill.water, "volume"),
      figure("resulting strength", fill.strength, "strength"),
    ],
  });
}

/** Water in one fill. */
export function explainWater(fill: Fill): Explanation {
  return explain({
    name: "water",
    kind: "volume",
    formula: "finished mix − the concentrate as measured",
    source: "dilution",
    inputs: {
      volume: figure("finished mix", fill.volume, "volume"),
      concentrate: figure("concentrate as measured", fill.concentrate, "smallVolume"),
    },
    compute: ({ volume, concentrate }) => volume - concentrate,
    steps: () =>
      fill.rooms.map(({ volume }, i) => figure(`into room ${i + 1} of this fill`, volume, "volume")),
  });
}

/** What a batch leaves in the vessel. */
export function explainLeftOver(batch: PlannedFills, vessel: Vessel): Explanation {
  return explain({
    name: "left over",
    kind: "volume",
    formula: "mixed − needed: the heel the pump can’t draw, and rounding up to the sprayer’s marks",
    source: "dilution",
    inputs: { made: figure("made", batch.made, "volume"), needed: figure("needed", batch.needed, "volume") },
    compute: ({ made, needed }) => made - needed,
    steps: () => [
      figure("heel", vessel.heel, "volume"),
      figure("mark of the sprayer", vessel.graduation, "volume"),
    ],
  });
}

/** What a full fill weighs. */
export function explainMass(fill: Fill): Explanation {
  return explain({
    name: "weight",
    kind: "mass",
    formula: "volume × 1 kg per litre, without the sprayer",
    source: "dilution",
    inputs: { volume: figure("finished mix", fill.volume, "volume") },
    compute: ({ volume }) => volume * MIX_DENSITY,
  });
}
