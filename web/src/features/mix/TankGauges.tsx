import type { TankRun } from "@scutch/core/clean";
import { formatAmount, percent } from "../../format/units.ts";
import { useUnits } from "../../state/useUnits.ts";

interface Props {
  readonly runs: readonly TankRun[];
  /** m³ each holds. */
  readonly solution: number;
  readonly recovery: number;
  readonly nameOf: (roomId: string) => string;
}

/** Both tanks at the end of each run: how far the one has gone down and the other come up, and the stop that follows. */
export function TankGauges({ runs, solution, recovery, nameOf }: Props) {
  const units = useUnits();
  const stops = runs.length - 1;
  return (
    <div className="mt-4">
      <h3 className="font-semibold">
        {stops === 0
          ? "One tankful does the job."
          : `${stops === 1 ? "One stop" : `${stops} stops`} at tap and drain`}
      </h3>
      <p className="text-sm text-soft" aria-hidden="true">
        In %. Left: solution left in its tank. Right: recovery tank filled.
      </p>
      <ol className="mt-1">
        {runs.map((run, i) => (
          <li key={i} className="grid grid-cols-[auto_1fr] items-center gap-4 border-rule border-t py-2">
            <div className="flex gap-2">
              <Gauge name="Solution left" share={1 - run.solution / solution} />
              <Gauge name="Recovery" share={run.recovered / recovery} />
            </div>
            <div>
              <p className="font-semibold">
                {run.parts
                  .map(({ roomId, share }) =>
                    share > 0.995 ? nameOf(roomId) : `${percent(share)} of ${nameOf(roomId)}`,
                  )
                  .join(", ")}
              </p>
              <p className="text-sm text-soft">
                {formatAmount(units.volume(run.solution))} out, {formatAmount(units.volume(run.recovered))}{" "}
                back.
                {i < stops && ` ${stopText(run)}`}
              </p>
            </div>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** A tank as a bar: what is in it, blue. */
function Gauge({ name, share }: { readonly name: string; readonly share: number }) {
  const level = Math.min(1, Math.max(0, share));
  return (
    <svg viewBox="0 0 34 52" className="h-14 w-auto" role="img" aria-label={`${name} ${percent(level)}`}>
      <rect x="2" y={2 + 48 * (1 - level)} width="30" height={48 * level} fill="#7FAFC6" />
      <rect x="2" y="2" width="30" height="48" fill="none" stroke="var(--ink)" strokeWidth="2.5" />
      <text
        x="17"
        y="30"
        textAnchor="middle"
        fontSize="10"
        fontWeight="700"
        fill="var(--ink)"
        className="font-mono"
      >
        {Math.round(level * 100)}
      </text>
    </svg>
  );
}

/** Between rooms a stop comes before a tank is spent: the next room wouldn't fit. */
function stopText({ endsWithRoom, limitedBy }: TankRun): string {
  if (endsWithRoom) return "Then dump and refill, between rooms.";
  return `Then dump and refill: ${limitedBy === "recovery" ? "the recovery tank is full" : "the solution is used up"}.`;
}
