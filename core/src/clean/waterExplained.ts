import { type Explanation, explain, figure } from "../explain/index.ts";
import type { MethodFigures } from "./method.ts";
import { nozzleFlow } from "./nozzle.ts";
import { type CleanedRoom, type WaterBalance, waterBalance } from "./water.ts";

/** A room as planned: what its water was computed from, and what came out. */
interface WetRoom extends CleanedRoom {
  readonly area: number;
  readonly batchId: string | undefined;
  readonly zones: { readonly lane: number; readonly field: number; readonly edge: number };
  readonly figures: MethodFigures;
  readonly padAfter: boolean;
  readonly extraWetStrokes: number;
  readonly water: WaterBalance;
  readonly residual: number;
  readonly residualMeasured: boolean;
  /** m² soaked against odour, and kg/m² of it. */
  readonly odourArea: number;
  readonly patchResidual: number;
  /** kg/m² that this adds, spread over the room: its air dries all of it. */
  readonly soaked: number;
  /** Fields nobody has said. */
  readonly assumed: readonly string[];
}

/** Pre-spray one room takes. */
export function explainPreSpray(room: WetRoom): Explanation {
  return explain({
    name: "pre-spray",
    kind: "volume",
    formula: `area × pre-spray rate; the rate ${room.chosenRate === undefined ? "by method, soil and pile" : "as chosen"}, traffic lanes 1.3 times it, edges half`,
    source: "application-rates",
    inputs: {
      area: figure("area", room.area, "area"),
      pile: figure("pile height", room.pileHeight, "length", room.assumed.includes("pileHeight")),
    },
    compute: ({ area, pile }) =>
      room.batchId === undefined ? 0 : area * waterBalance({ ...room, pileHeight: pile }).applicationRate,
    steps: () => [
      figure("soil level", room.soil, "count", room.assumed.includes("soil")),
      figure("pre-spray rate", room.water.applicationRate, "applicationRate"),
      figure("lane", room.zones.lane, "area"),
      figure("field", room.zones.field, "area"),
      figure("edge", room.zones.edge, "area"),
    ],
  });
}

/** Water left in the pile when the room is finished. */
export function explainResidual(room: WetRoom): Explanation {
  const { figures, odourArea, soaked } = room;
  const patch = odourArea > 0 ? "; extra water in an area soaked for odour, spread over the room" : "";
  const patchSteps =
    odourArea > 0
      ? [
          figure("soaked for odour", odourArea, "area"),
          figure("residual there", room.patchResidual, "massPerArea"),
        ]
      : [];
  if (room.residualMeasured)
    return explain({
      name: "residual",
      kind: "massPerArea",
      formula: `(pre-spray + solution used − recovered) ⁄ area, from the tank readings${patch}`,
      source: "survey",
      inputs: { residual: figure("measured", room.residual - soaked, "massPerArea") },
      compute: ({ residual }) => residual + soaked,
      steps: () => patchSteps,
    });
  return explain({
    name: "residual",
    kind: "massPerArea",
    formula: `pre-spray + rinse applied; each stroke recovers 0.5 √(airflow) of the water above the pile’s hold, each pad side half of the rest${patch}`,
    source: "pile-balance",
    inputs: { pile: figure("pile height", room.pileHeight, "length", room.assumed.includes("pileHeight")) },
    compute: ({ pile }) => waterBalance({ ...room, pileHeight: pile }).residual + soaked,
    steps: () => [
      figure(
        "wet strokes",
        figures.wetStrokes + (figures.wetStrokes > 0 ? room.extraWetStrokes : 0),
        "count",
      ),
      figure("dry strokes", figures.dryStrokes, "count"),
      figure("pad passes", figures.padPasses + (room.padAfter ? 1 : 0), "count"),
      figure("flow of the jets", nozzleFlow(figures.ratedJetFlow, figures.pressure) * 60, "volume"),
      figure("airflow at the head over the reference", figures.relativeAirflow, "share"),
      figure("applied", room.water.applied, "massPerArea"),
      figure("recovered", room.water.recoveredShare, "share"),
      ...patchSteps,
    ],
  });
}
