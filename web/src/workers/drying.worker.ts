import {
  type Building,
  type DryingResult,
  dryingRange,
  type Move,
  type MoveEffect,
  type RoomRange,
  rankMoves,
  simulateDrying,
} from "@scutch/core/drying";
import { expose } from "comlink";

/** The drying model, off the page's own thread. */
const dryingWork = {
  course: (building: Building): DryingResult => simulateDrying(building, { keepCourse: true }),
  range: (building: Building): RoomRange[] => dryingRange(building),
  rank: (building: Building, index: number, moves: readonly Move[]): MoveEffect[] =>
    rankMoves(building, index, moves),
};

export type DryingWork = typeof dryingWork;
expose(dryingWork);
