import type { ScenarioPlan } from "@scutch/core/plan";
import type { JobPrice } from "@scutch/core/quote";
import { useMemo } from "react";
import { selectCrew } from "../state/crewSlice.ts";
import { useAppSelector } from "../state/store.ts";
import { useMoney } from "../state/useMoney.ts";
import { useUnits } from "../state/useUnits.ts";
import type { JobDesk } from "./desk.ts";
import { bookOf, earningsOfJob, type JobEarnings, priceOf, priceOfWay } from "./jobPrice.ts";

/** An open job's price by the crew's book; undefined while this device doesn't have the book. */
export function useJobPrice(desk: Pick<JobDesk, "job" | "input" | "work">): JobPrice | undefined {
  const { job, input, work } = desk;
  const { settings } = useAppSelector(selectCrew);
  const { digits } = useMoney();
  const { system } = useUnits();
  return useMemo(
    () => settings && priceOf({ job, input, work }, bookOf(settings, { digits, system })),
    [settings, digits, system, job, input, work],
  );
}

/** What an open job earns at its price; undefined while that isn't known. */
export function useJobEarnings(
  { job, input, work, shelf, log }: Pick<JobDesk, "job" | "input" | "work" | "shelf" | "log">,
  price: JobPrice | undefined,
): JobEarnings | undefined {
  const { settings } = useAppSelector(selectCrew);
  const { digits } = useMoney();
  return useMemo(
    () =>
      settings && price && price.fault === undefined && price.unpriced.length === 0
        ? earningsOfJob({ job, input, work }, price, { settings, shelf, digits }, log)
        : undefined,
    [settings, price, digits, job, input, work, shelf, log],
  );
}

/** Prices ways of doing an open job; undefined while this device doesn't have the book. */
export function useWayPrices({ job, shelf }: Pick<JobDesk, "job" | "shelf">) {
  const { settings } = useAppSelector(selectCrew);
  const { digits } = useMoney();
  const { system } = useUnits();
  return (plan: ScenarioPlan) =>
    settings && priceOfWay(plan, job, bookOf(settings, { digits, system }), { settings, shelf, digits });
}
