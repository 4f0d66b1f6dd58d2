import { formatDuration } from "@scutch/core/quantity";
import { leastEarning, lessonsOf, reviewTotals } from "@scutch/core/review";
import { ChevronLeft, ChevronRight, FileSpreadsheet } from "lucide-react";
import { useSearchParams } from "react-router";
import { useLocalShelf } from "../../device/localRecords.ts";
import { dayAfter, dayBefore, longDay, today } from "../../format/time.ts";
import { formatAmount } from "../../format/units.ts";
import { useMoney } from "../../state/useMoney.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { Empty, Loading } from "../../ui/States.tsx";
import { saveFile } from "../../ui/saveFile.ts";
import { Callbacks } from "./Callbacks.tsx";
import { JobBars } from "./JobBars.tsx";
import { leastText, lessonText } from "./lessonText.ts";
import { ProductsUsed } from "./ProductsUsed.tsx";
import { reviewCsv } from "./reviewCsv.ts";
import { useReview } from "./useReview.ts";

const PERIODS = [7, 28, 84] as const;
const HOUR = 3600;

const periodOf = (said: string | null) => PERIODS.find((days) => String(days) === said) ?? PERIODS[0];
const isDay = (said: string | null): said is string => said !== null && /^\d{4}-\d\d-\d\d$/.test(said);

/** What the last days came to: time, money, products, what came back, and what to learn from it. */
export function WeekScreen() {
  const [search, setSearch] = useSearchParams();
  const money = useMoney();
  const units = useUnits();
  const shelf = useLocalShelf();
  const days = periodOf(search.get("days"));
  const said = search.get("to");
  const to = isDay(said) ? said : today();
  const from = dayBefore(to, days - 1);
  const { jobs, left, pulled } = useReview(from, to);
  const look = (change: { readonly days?: number; readonly to?: string }) =>
    setSearch(
      { days: String(change.days ?? days), to: change.to ?? to },
      { replace: true, preventScrollReset: true },
    );
  const listed = (jobs ?? []).toSorted((a, b) => (a.day < b.day ? 1 : -1));
  const totals = reviewTotals(listed);
  // Told once all jobs are known: one more can turn it round.
  const least = left > 0 ? undefined : leastEarning(listed);
  const lessons = left > 0 ? [] : lessonsOf(listed);
  const cameBack = listed.filter(({ rooms }) => rooms.some(({ callbacks }) => callbacks.length > 0)).length;
  const row = (label: string, value: string) => (
    <div className="flex justify-between gap-4 border-rule border-b py-1.5">
      <dt className="text-soft">{label}</dt>
      <dd className="text-right font-mono">{value}</dd>
    </div>
  );
  return (
    <div className="px-4 pt-4 pb-16 sm:px-7 sm:pt-6">
      <h1 className="font-bold text-2xl">How it went</h1>
      <div className="mt-3 flex flex-wrap items-end justify-between gap-3 print:hidden">
        <div className="w-full max-w-sm">
          <Segmented<number>
            label="Days"
            labelHidden
            value={days}
            options={PERIODS.map((value) => ({ value, name: value === 7 ? "7 days" : `${value / 7} weeks` }))}
            onChange={(value) => look({ days: value })}
          />
        </div>
        <div className="flex items-center">
          <Button weight="quiet" aria-label="Earlier" onClick={() => look({ to: dayBefore(to, days) })}>
            <ChevronLeft aria-hidden size={22} />
          </Button>
          <span className="font-mono">
            {longDay(from)} – {longDay(to)}
          </span>
          <Button
            weight="quiet"
            aria-label="Later"
            disabled={to >= today()}
            onClick={() => look({ to: dayAfter(to, days) > today() ? today() : dayAfter(to, days) })}
          >
            <ChevronRight aria-hidden size={22} />
          </Button>
        </div>
      </div>
      {pulled === "offline" && (
        <p className="mt-2 text-caution-ink">You’re offline. Jobs that aren’t on this device are missing.</p>
      )}
      {jobs === undefined ||
      (left > 0 && jobs.length === 0) ||
      (pulled === "asking" && listed.length === 0) ? (
        <Loading what="the jobs of these days" />
      ) : listed.length === 0 ? (
        <Empty title="No jobs in these days.">Choose other days.</Empty>
      ) : (
        <div className="mt-4 grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-[1fr_23rem]">
          <div className="grid min-w-0 content-start gap-5">
            <div>
              <p className="text-sm text-soft">Earned an hour, each person</p>
              <p className="font-bold font-mono text-5xl [overflow-wrap:anywhere]">
                {totals.perHour === undefined ? "–" : money.showMinor(totals.perHour)}
              </p>
              <p className="mt-1 text-soft">
                After product, pads, travel and wages; {totals.pricedJobs} of {totals.jobs} finished jobs
                priced.
              </p>
              <p role="status" className="text-caution-ink empty:hidden">
                {left > 0
                  ? `So far: ${left} more ${left === 1 ? "job is" : "jobs are"} being worked out.`
                  : ""}
              </p>
            </div>
            {lessons.map((lesson) => (
              <Callout key={lesson.rate.value} tone="caution" title={lessonText(lesson)}>
                More than twice as often as the rest. Look for the cause before the next one.
              </Callout>
            ))}
            {least && <p>{leastText(least, listed, money)}</p>}
            <JobBars jobs={listed} money={money} />
          </div>
          <div className="grid content-start gap-6">
            <section aria-label="Totals" className="border-ink border-t-2 pt-3">
              <h2 className="font-semibold">Totals</h2>
              <dl>
                {row("Jobs finished", String(totals.jobs))}
                {row("Price, total", money.showMinor(totals.total))}
                {row("Left after costs", money.showMinor(totals.left))}
                {totals.timedJobs > 0 && row("Hours planned", formatDuration(totals.plannedHours * HOUR))}
                {totals.timedJobs > 0 && row("Hours taken", formatDuration(totals.takenHours * HOUR))}
                {row("Water", formatAmount(units.volume(totals.water)))}
                {row("Came back", `${cameBack} of ${totals.jobs} jobs`)}
              </dl>
              {totals.timedJobs < totals.jobs && (
                <p className="mt-1 text-sm text-soft">
                  Hours of {totals.timedJobs} {totals.timedJobs === 1 ? "job" : "jobs"} run step by step, all
                  people.
                </p>
              )}
            </section>
            <Callbacks jobs={listed} products={shelf?.products ?? []} />
            <ProductsUsed products={totals.products} shelf={shelf?.products ?? []} />
            <Button
              className="justify-self-start print:hidden"
              onClick={() => saveFile(`jobs-${from}-${to}.csv`, reviewCsv(listed, money.digits), "text/csv")}
            >
              <FileSpreadsheet aria-hidden size={20} /> Export as a table (CSV)
            </Button>
          </div>
        </div>
      )}
    </div>
  );
}
