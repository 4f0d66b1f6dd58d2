import type { DwellingSection, JobRun } from "@scutch/core/run";
import { timeAt } from "../../../format/time.ts";
import { useTimes } from "../../../state/useTimes.ts";
import { clockOf, TickingClock } from "./Ticking.tsx";

interface Props {
  readonly standing: readonly DwellingSection[];
  readonly run: JobRun;
  /** ms since 1970. */
  readonly start: number;
  readonly roomName: (id: string) => string;
}

/** Every section that dwells, each with its clock: ready in, clean by, and what to do once it is too late. */
export function Dwelling({ standing, run, start, roomName }: Props) {
  const { clock } = useTimes();
  if (standing.length === 0) return null;
  return (
    <section aria-label="Dwelling" className="border-rule border-t pt-2">
      <h3 className="font-semibold">Dwelling</h3>
      <ul>
        {standing.map(({ section, ready, until }) => {
          const several = run.sections.filter(({ roomId }) => roomId === section.roomId).length > 1;
          const share = (second: number) =>
            Math.min(1, Math.max(0, (second - section.sprayStart) / (until - section.sprayStart)));
          return (
            <li
              key={section.id}
              className="grid grid-cols-[1fr_auto] items-center gap-x-3 border-rule border-t py-2"
            >
              <span>
                {roomName(section.roomId)}
                {several ? `, ${section.number}` : ""}
              </span>
              <TickingClock>
                {(ms) => {
                  const second = (ms - start) / 1000;
                  if (second > until)
                    return <strong className="text-stop">late: mist with water, clean it next</strong>;
                  return (
                    <span>
                      {second < ready ? (
                        <>
                          ready in <strong className="font-mono">{clockOf(ready - second)}</strong>
                        </>
                      ) : (
                        <strong>ready</strong>
                      )}
                    </span>
                  );
                }}
              </TickingClock>
              <div className="relative h-3 bg-rule" aria-hidden>
                <TickingClock>
                  {(ms) => (
                    <div className="h-3 bg-wet-2" style={{ width: `${100 * share((ms - start) / 1000)}%` }} />
                  )}
                </TickingClock>
                <div
                  className="absolute top-[-3px] h-[18px] w-0.5 bg-ink"
                  style={{ left: `${100 * share(ready)}%` }}
                />
                <div className="absolute top-[-3px] right-0 h-[18px] w-1 bg-caution" />
              </div>
              <span className="text-sm text-soft">
                clean by <span className="font-mono">{clock(timeAt(start, until / 3600))}</span>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
