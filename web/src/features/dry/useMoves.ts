import { departed } from "@scutch/core/drying";
import { DEFAULT_CIRCUITS } from "@scutch/core/plan";
import { useMemo } from "react";
import type { JobDesk } from "../../planning/desk.ts";
import { type GearHere, leversFor } from "../../planning/dryingGear.ts";
import { useAsked } from "../../planning/useAsked.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { askMoves, type MovesAnswer, type MovesQuestion } from "../../planning/workerClient.ts";

const HOUR = 3_600_000;
/** The hour moves are made from goes on in steps, so that they aren’t searched for at every tick; it is never before what was logged last. */
const STEP = 5 * 60_000;

interface Wanted {
  readonly aim: MovesQuestion["aim"];
  /** Gear that stands at other jobs. */
  readonly elsewhere: GearHere["elsewhere"];
  readonly now: number;
}

/** What to move on a job from now on, searched for in the worker once the changes pause; undefined while it isn’t known. */
export function useMoves(
  { job, shelf, startMs }: Pick<JobDesk, "job" | "shelf" | "startMs">,
  { work, readings }: DryingForecast,
  { aim, elsewhere, now }: Wanted,
): MovesAnswer | undefined {
  const from = Math.max(0, Math.ceil((now - startMs) / STEP) * STEP) / HOUR;
  const departure = readings?.departure;
  const circuits = job.run?.circuits ?? DEFAULT_CIRCUITS;
  const question = useMemo((): MovesQuestion => {
    const { own, rented } = leversFor(work, { gear: shelf.gear, elsewhere, circuits }, departure, from);
    const building = departure ? departed(work.building, departure) : work.building;
    return { building, levers: own, rented, aim };
  }, [work, shelf.gear, elsewhere, circuits, departure, from, aim]);
  return useAsked(question, askMoves);
}
