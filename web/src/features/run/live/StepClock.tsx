import type { StepGroup } from "@scutch/core/log";
import { formatDuration } from "@scutch/core/quantity";
import {
  type DwellingSection,
  isStepClosed,
  type JobRun,
  type JoinedSteps,
  type ProgressById,
  recommendedStart,
  START,
} from "@scutch/core/run";
import { timeAt } from "../../../format/time.ts";
import { midSentence } from "../../../shared/run/stepWords.ts";
import { useTimes } from "../../../state/useTimes.ts";
import { clockOf, TickingClock } from "./Ticking.tsx";

interface Props {
  readonly steps: JoinedSteps;
  readonly group: StepGroup | undefined;
  readonly inHand: boolean;
  readonly run: JobRun;
  readonly known: ProgressById;
  /** The section it cleans, where that stands sprayed. */
  readonly wet: DwellingSection | undefined;
  /** ms since 1970. */
  readonly start: number;
  readonly what: (...steps: JoinedSteps) => string;
}

/** How long a step still takes, or until it may begin; where it waits for another step, for which. */
export function StepClock({ steps, group, inHand, run, known, wet, start, what }: Props) {
  const { clock } = useTimes();
  const [step] = steps;
  const begun = group ? (group.startedAt - start) / 1000 : known[step.id]?.start;
  const planned = (group?.steps ?? steps.map(({ plannedSeconds }) => ({ lasts: plannedSeconds }))).reduce(
    (sum, { lasts }) => sum + lasts,
    0,
  );
  const takes = formatDuration(Math.max(60, planned));
  // A start still to come was written by a clock that is wrong: LogAnomalies says so.
  const endOf = (second: number) => Math.min(second, begun ?? 0) + planned;
  const waits = inHand
    ? []
    : run.problem.lags.flatMap(({ from, to, minLag }) => {
        if (to !== step.id || from === START || minLag === undefined || isStepClosed(known, from)) return [];
        return run.steps.find(({ id }) => id === from) ?? [];
      });
  return (
    <>
      <p
        className="font-bold font-mono text-[min(3.75rem,18vw)] leading-none"
        role="timer"
        aria-label="Step timer"
      >
        <TickingClock>
          {(ms) => {
            const second = (ms - start) / 1000;
            if (inHand) {
              const end = endOf(second);
              return second <= end ? clockOf(end - second) : `+${clockOf(second - end)}`;
            }
            const from = wet ? wet.ready : recommendedStart(run, known, step, second);
            if (!Number.isFinite(from)) return "waits";
            return from > second ? clockOf(from - second) : "now";
          }}
        </TickingClock>
      </p>
      <p className="mt-1 text-soft">
        {inHand ? (
          <TickingClock>
            {(ms) => {
              const second = (ms - start) / 1000;
              return second <= endOf(second) ? `left of ${clockOf(planned)}` : `over; planned for ${takes}`;
            }}
          </TickingClock>
        ) : (
          `takes about ${takes}`
        )}
        {wet && (
          <>
            {" "}
            · clean by{" "}
            <strong className="font-mono text-ink">{clock(timeAt(start, wet.until / 3600))}</strong>
          </>
        )}
      </p>
      {!inHand && step.kind === "last-vacuum" && <p>once the floor is dry</p>}
      {waits[0] && <p>for {midSentence(what(waits[0]))}</p>}
      {wet && (
        <TickingClock>
          {(ms) =>
            (ms - start) / 1000 > wet.until ? (
              <p className="font-semibold text-stop">Past its dwell limit: mist with water first.</p>
            ) : null
          }
        </TickingClock>
      )}
      {!inHand && step.kind === "pre-spray" && (
        <TickingClock>
          {(ms) => {
            const second = (ms - start) / 1000;
            const from = recommendedStart(run, known, step, second);
            if (from <= second || !Number.isFinite(from)) return null;
            return (
              <p className="text-sm text-soft">
                Spray now and it will pass its dwell limit before you clean it.
              </p>
            );
          }}
        </TickingClock>
      )}
    </>
  );
}
