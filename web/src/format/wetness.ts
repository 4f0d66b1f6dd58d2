import type { CourseSample } from "@scutch/core/drying";

/** Dry to wet: the one use of blue in every picture. */
const RAMP = ["#E9E0CC", "#BFD3D6", "#7FAFC6", "#3C7DA8", "#16466F"];

/** Colour of a share of wetness, 0 dry … 1 as wet as when finished. */
export function wetColour(share: number): string {
  const along = Math.min(1, Math.max(0, share)) * (RAMP.length - 1);
  const left = Math.min(RAMP.length - 2, Math.floor(along));
  return `color-mix(in srgb, ${RAMP[left]}, ${RAMP[left + 1]} ${Math.round(100 * (along - left))}%)`;
}

/** Free water, kg/m², of a course at `hours` after the job's start; straight between its moments, held at its ends. */
export function freeWaterAt(course: readonly CourseSample[], hours: number): number {
  const found = course.findIndex((moment) => moment.hours >= hours);
  const i = found < 0 ? course.length : found;
  const right = course[Math.min(i, course.length - 1)];
  const left = course[Math.max(0, i - 1)];
  if (!left || !right) return 0;
  const span = right.hours - left.hours;
  const share = span > 0 ? Math.min(1, Math.max(0, (hours - left.hours) / span)) : 1;
  return left.freeWater + share * (right.freeWater - left.freeWater);
}

/** How wet a room is, 0…1 of what its cleaning left; a room that kept nothing is dry. */
export const wetShare = (freeWater: number, residual: number) =>
  residual > 0 ? Math.min(1, Math.max(0, freeWater / residual)) : 0;
