import { dayText } from "../../format/time.ts";
import { useTimes } from "../../state/useTimes.ts";

/** Moments of accounts, with their day, as the crew tells hours. */
export function useMoments() {
  const { clock, dayOf } = useTimes();
  const day = (instant: string) => dayText(dayOf(Date.parse(instant)));
  return { day, moment: (instant: string) => `${day(instant)}, ${clock(Date.parse(instant))}` };
}
