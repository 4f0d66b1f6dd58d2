import type { ScenarioPlan } from "@scutch/core/plan";
import type { JobPrice, PriceBook } from "@scutch/core/quote";
import { useMemo } from "react";
import { selectCrew } from "../state/crewSlice.ts";
import { useAppSelector } from "../state/store.ts";
import { useMoney } from "../state/useMoney.ts";
import { useUnits } from "../state/useUnits.ts";
import type { JobDesk } from "./desk.ts";
import {
  bookOf,
  earningsOfJob,
  heldBook,
  isWhole,
  type JobEarnings,
  priceOf,
  priceOfWay,
} from "./jobPrice.ts";
import { useTimeRange } from "./learnedPace.ts";
import { useQuotes } from "./useQuotes.ts";

/** The prices an open job goes by: those told to its customer, else the crew's; undefined while this device doesn't have them. */
export function useBook({ log }: Pick<JobDesk, "log">): PriceBook | undefined {
  const { settings } = useAppSelector(selectCrew);
  const { digits } = useMoney();
  const { system } = useUnits();
  const { holding } = useQuotes(log);
  return useMemo(() => {
    const now = settings && bookOf(settings, { digits, system });
    return now && holding ? heldBook(holding.book, now) : now;
  }, [settings, digits, system, holding]);
}

/** An open job's price; undefined while this device doesn't have the prices. */
export function useJobPrice(desk: Pick<JobDesk, "job" | "input" | "work" | "log">): JobPrice | undefined {
  const { job, input, work } = desk;
  const book = useBook(desk);
  return useMemo(() => book && priceOf({ job, input, work }, book), [book, job, input, work]);
}

/** What an open job earns at its price; undefined while that isn't known. */
export function useJobEarnings(
  { job, input, work, shelf, log }: Pick<JobDesk, "job" | "input" | "work" | "shelf" | "log">,
  price: JobPrice | undefined,
): JobEarnings | undefined {
  const { settings } = useAppSelector(selectCrew);
  const { digits } = useMoney();
  const time = useTimeRange(settings?.pace);
  return useMemo(
    () =>
      settings && price && isWhole(price)
        ? earningsOfJob({ job, input, work }, price, { settings, shelf, digits }, log, time)
        : undefined,
    [settings, price, digits, job, input, work, shelf, log, time],
  );
}

/** Prices ways of doing an open job; undefined while this device doesn't have the prices. */
export function useWayPrices(desk: Pick<JobDesk, "job" | "shelf" | "log">) {
  const { job, shelf } = desk;
  const { settings } = useAppSelector(selectCrew);
  const { digits } = useMoney();
  const book = useBook(desk);
  return (plan: ScenarioPlan) => settings && book && priceOfWay(plan, job, book, { settings, shelf, digits });
}
