import type { FloorFibre, Soil } from "../care/index.ts";
import { WATER_DENSITY } from "../physical.ts";
import { applicationRate } from "./application.ts";
import { effectiveWidth, METHOD_FIGURES, type Method, type MethodFigures } from "./method.ts";
import { appliedPerStroke, nozzleFlow } from "./nozzle.ts";
import { afterPads, afterStrokes, retainedByPile } from "./residual.ts";

export interface CleanedRoom {
  readonly method: Method;
  readonly soil: Soil;
  /** m. */
  readonly pileHeight: number;
  /** Nylon where absent. */
  readonly fibre?: FloorFibre;
  /** An absorbent pad over the extracted carpet. */
  readonly padAfter?: boolean;
  /** Rate chosen by hand for the field, m³/m², 0 for none; the method's for soil and pile where absent. */
  readonly chosenRate?: number | undefined;
  /** What zones make of the field's application rate; 1 where absent. */
  readonly zoneFactor?: number;
  /** Wet strokes on top of the method's, to rinse old detergent out. */
  readonly extraWetStrokes?: number;
  /** The van's own head, jets and suction; the method's usual ones where absent. */
  readonly figures?: MethodFigures;
}

/** Water through a room's cleaning, kg/m² but for the rates in m³/m² and the time in s/m². */
export interface WaterBalance {
  readonly applicationRate: number;
  readonly rinseRate: number;
  readonly applied: number;
  readonly residual: number;
  readonly recoveredShare: number;
  readonly cleaningTimePerArea: number;
}

/** What goes on, what comes back and what stays per m² (docs/model.md §3–4), and how long the head or pad takes for 1 m². */
export function waterBalance(room: CleanedRoom): WaterBalance {
  const figures = room.figures ?? METHOD_FIGURES[room.method];
  const width = effectiveWidth(figures, room.soil);
  const field = room.chosenRate ?? applicationRate(room.method, room.soil, room.pileHeight);
  const application = field * (room.zoneFactor ?? 1);
  const flow = nozzleFlow(figures.ratedJetFlow, figures.pressure);
  const wetStrokes = figures.wetStrokes > 0 ? figures.wetStrokes + (room.extraWetStrokes ?? 0) : 0;
  const perStroke = appliedPerStroke(flow, width, figures.strokeSpeed);
  const rinse = wetStrokes * perStroke;
  const applied = (application + rinse) * WATER_DENSITY;
  const strokes = wetStrokes + figures.dryStrokes;
  const vacuumed = afterStrokes({
    before: application * WATER_DENSITY,
    rinse: perStroke * WATER_DENSITY,
    wet: wetStrokes,
    dry: figures.dryStrokes,
    hold: retainedByPile(room.pileHeight, room.fibre),
    relativeAirflow: figures.relativeAirflow,
  });
  const padPasses = figures.padPasses + (room.padAfter ? 1 : 0);
  const residual = Math.min(figures.film ?? Number.POSITIVE_INFINITY, afterPads(vacuumed, padPasses));
  return {
    applicationRate: application,
    rinseRate: rinse,
    applied,
    residual,
    recoveredShare: applied > 0 ? 1 - residual / applied : 0,
    cleaningTimePerArea: (strokes + padPasses) / (width * figures.strokeSpeed),
  };
}
