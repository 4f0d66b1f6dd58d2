import {
  type Building,
  type DryingResult,
  dryingRange,
  type RoomRange,
  simulateDrying,
} from "@scutch/core/drying";
import { expose } from "comlink";

/** The drying model, off the page's own thread. */
const dryingWork = {
  course: (building: Building): DryingResult => simulateDrying(building, { keepCourse: true }),
  range: (building: Building): RoomRange[] => dryingRange(building),
};

export type DryingWork = typeof dryingWork;
expose(dryingWork);
