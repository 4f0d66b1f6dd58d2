import type { Method, Soil } from "../clean/index.ts";
import type { Air, AirMover, Fibre, Windows } from "../drying/index.ts";
import type { Strength, Vessel } from "../mix/index.ts";
import type { RoomShape } from "../quantity/index.ts";

/** Coverings the plan can wet-clean in this version; each brings its usual pile. */
export const COVERINGS = ["cut-pile", "deep-pile", "loop-pile", "carpet-tile", "ribbed-mat"] as const;
export type Covering = (typeof COVERINGS)[number];

/** A room as surveyed. What is absent hasn't been said: a default stands in and is named as assumed. SI. */
export interface SurveyedRoom {
  readonly id: string;
  readonly name: string;
  readonly shape: RoomShape;
  readonly height?: number;
  readonly covering?: Covering;
  readonly fibre?: Fibre;
  readonly pileHeight?: number;
  readonly faceWeight?: number;
  readonly soil?: Soil;
  readonly method?: Method;
  readonly padAfter?: boolean;
  /** Which of the job's batches it is sprayed from; the first where absent. */
  readonly batchId?: string;
  readonly air?: Air;
  readonly windows?: Windows;
  readonly airSpeed?: number;
  readonly airMovers?: readonly AirMover[];
  readonly dehumidifierLitresPerDay?: number;
}

/** A product as its label has it. Times s, temperature °C. */
export interface ProductLabel {
  readonly light: Strength;
  readonly ordinary: Strength;
  readonly heavy: Strength;
  readonly dwellLeast: number;
  readonly dwellMost: number;
  readonly potLife?: number;
  readonly waterTemperature?: number;
}

export interface PlannedBatch {
  readonly id: string;
  readonly product: ProductLabel;
  readonly vessel: Vessel;
  /** Step of the measure, m³. */
  readonly measure: number;
  /** Chosen by hand; absent: the label's for the heaviest soil among its rooms. */
  readonly strength?: Strength;
}

/** Everything a plan is computed from. Rooms in walk-out order. */
export interface JobInput {
  /** m above the sea. */
  readonly elevation?: number;
  readonly indoor?: Air;
  readonly outdoor?: Air;
  readonly rooms: readonly SurveyedRoom[];
  readonly batches: readonly PlannedBatch[];
  /** Hours after the job's start at which rooms were really finished, by id: the truth replaces the plan. */
  readonly finished?: Readonly<Record<string, number>>;
}
