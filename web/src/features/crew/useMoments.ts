const DAY: Intl.DateTimeFormatOptions = { weekday: "short", day: "numeric", month: "short" };

/** Moments of accounts, by this device's own clock: nothing of a job hangs on them. */
export function useMoments() {
  const day = new Intl.DateTimeFormat(undefined, DAY);
  const moment = new Intl.DateTimeFormat(undefined, { ...DAY, hour: "2-digit", minute: "2-digit" });
  return {
    day: (instant: string) => day.format(new Date(instant)),
    moment: (instant: string) => moment.format(new Date(instant)),
  };
}
