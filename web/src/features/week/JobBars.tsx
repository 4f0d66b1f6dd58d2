import { formatDuration } from "@scutch/core/quantity";
import { fromMinor } from "@scutch/core/quote";
import { crewHours, perHour } from "@scutch/core/review";
import { max, min, scaleLinear } from "d3";
import { Link } from "react-router";
import type { MoneyFormat } from "../../format/money.ts";
import { longDay } from "../../format/time.ts";
import { SECOND_LOOK_NAMES } from "../../format/words.ts";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import type { NamedReview } from "./useReview.ts";

interface Props {
  readonly jobs: readonly NamedReview[];
  readonly money: MoneyFormat;
}

/** Jobs with what each left for an hour as a bar; the crew’s minimum is a line across them. */
export function JobBars({ jobs, money }: Props) {
  const { leastEarned } = useAppSelector(selectCrew).settings?.priceBook ?? {};
  const earned = jobs.map((job) => perHour(job));
  const values = [0, leastEarned ?? 0, ...earned.map((minor) => fromMinor(minor ?? 0, money.digits))];
  const place = scaleLinear([min(values) ?? 0, max(values) || 1], [0, 100]);
  return (
    <ol aria-label="Jobs" className="border-rule border-b">
      {jobs.map((job, i) => {
        const minor = earned[i];
        const amount = fromMinor(minor ?? 0, money.digits);
        const isLow = minor !== undefined && leastEarned !== undefined && amount < leastEarned;
        const [from, to] = [Math.min(place(0), place(amount)), Math.max(place(0), place(amount))];
        return (
          <li key={job.jobId} className="border-rule border-t">
            <Link to={`/jobs/${job.jobId}/price`} className="block py-2 hover:text-accent">
              <span className="flex justify-between gap-3">
                <span className="min-w-0">
                  <strong className="font-semibold">{job.place}</strong>
                  <span className="block text-sm text-soft">{factsOf(job)}</span>
                </span>
                <span className={`shrink-0 font-mono ${isLow ? "text-stop" : ""}`}>
                  {minor === undefined ? "no price" : money.showMinor(minor)}
                </span>
              </span>
              <span aria-hidden className="relative mt-1 block h-3 bg-paper">
                <span
                  className={`absolute inset-y-0 ${isLow ? "bg-stop" : "bg-accent"}`}
                  style={{ left: `${from}%`, width: `${to - from}%` }}
                />
                {leastEarned !== undefined && (
                  <span
                    className="absolute -inset-y-0.5 w-0.5 bg-ink"
                    style={{ left: `${place(leastEarned)}%` }}
                  />
                )}
              </span>
            </Link>
          </li>
        );
      })}
      {leastEarned !== undefined && (
        <li className="border-rule border-t py-2 text-sm text-soft">
          Left for an hour of each person. The line is your minimum, {money.show(leastEarned)}.
        </li>
      )}
    </ol>
  );
}

/** Day, hours and what came back. */
function factsOf(job: NamedReview): string {
  const hours = crewHours(job);
  const back = [...new Set(job.rooms.flatMap(({ callbacks }) => callbacks))];
  return [
    longDay(job.day),
    !job.isDone && "not finished",
    hours !== undefined &&
      `${formatDuration(hours * 3600)}${job.takenSeconds === undefined ? " planned" : ""}`,
    ...back.map((each) => SECOND_LOOK_NAMES[each].toLowerCase()),
  ]
    .filter(Boolean)
    .join(" · ");
}
