import type { TimeRange } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import { fromMinor } from "@scutch/core/quote";
import type { MoneyFormat } from "../../format/money.ts";
import { percent } from "../../format/units.ts";
import type { JobEarnings } from "../../planning/jobPrice.ts";
import { Callout } from "../../ui/Callout.tsx";

interface Props {
  readonly earned: JobEarnings;
  /** Least to be left for an hour of one person, in the currency. */
  readonly least: number | undefined;
  readonly money: MoneyFormat;
}

/** What the job leaves for an hour of each person, and how that comes about. Not for the customer. */
export function EarnsSection({ earned: { earnings, isActual, range, unknownCosts }, least, money }: Props) {
  const { net, product, pads, travel, wages, left, crewHours, perHour } = earnings;
  const isLow = perHour !== undefined && least !== undefined && fromMinor(perHour, money.digits) < least;
  const row = (name: string, amount: number, minus = true) =>
    amount !== 0 || !minus ? (
      <div className="flex justify-between gap-4 border-rule border-t py-1.5">
        <dt className="text-soft">{name}</dt>
        <dd className="font-mono">{money.showMinor(minus ? -amount : amount)}</dd>
      </div>
    ) : null;
  return (
    <section aria-label="What it earns" className="border-ink border-t-2 pt-3">
      <h2 className="font-semibold">{isActual ? "What it earned" : "What it earns"}</h2>
      <p className="text-sm text-soft">For you, not for the customer.</p>
      <p className={`mt-1 font-bold font-mono text-3xl ${isLow ? "text-stop" : ""}`}>
        {perHour === undefined ? "–" : money.showMinor(perHour)}
        <span className="font-normal font-sans text-base text-soft"> an hour, each person</span>
      </p>
      {range && (
        <p className="text-soft">
          Likely {money.showMinor(range.least)} to {money.showMinor(range.most)}. {timeText(range.time)}
        </p>
      )}
      {isLow && least !== undefined && (
        <p className="font-semibold text-stop">Below your minimum, {money.show(least)}.</p>
      )}
      <dl className="mt-2">
        {row("Price without tax", net, false)}
        {row("Product", product)}
        {row("Pads", pads)}
        {row("Travel", travel)}
        {row("Wages", wages)}
        {row("Left", left, false)}
        <div className="flex justify-between gap-4 border-rule border-t py-1.5">
          <dt className="text-soft">
            {isActual ? "Hours worked, all together" : "Hours planned, all together"}
          </dt>
          <dd className="font-mono">{formatDuration(crewHours * 3600)}</dd>
        </div>
      </dl>
      {unknownCosts.length > 0 && (
        <Callout tone="caution" title={`Not counted: ${unknownCosts.join(", ")}`}>
          Enter the pack and its price on the shelf.
        </Callout>
      )}
    </section>
  );
}

/** What the range of the hours rests on. */
function timeText({ early, late, jobs }: TimeRange): string {
  const span = `${percent(early)} to ${percent(late)} of the planned time`;
  return jobs > 0
    ? `Your last ${jobs} jobs took ${span}.`
    : `Assumes ${span}, until 5 jobs are logged from start to end.`;
}
