import type { VesselLevel } from "@scutch/core/plan";
import { timeAt } from "../../format/time.ts";
import type { Axis } from "./useAxis.ts";

interface Props {
  readonly level: VesselLevel;
  readonly name: string;
  readonly facts: string;
  readonly start: number;
  readonly finish: number;
  readonly axis: Axis;
  readonly y: number;
  readonly narrow: boolean;
}

export const VESSEL = 44;
const NARROW_LABEL = 18;
export const heightOfVessel = (narrow: boolean) => VESSEL + (narrow ? NARROW_LABEL : 0);

/** What stands in a vessel through the working hours. */
export function VesselRow({ level, name, facts, start, finish, axis, y, narrow }: Props) {
  const { x, left } = axis;
  const top = y + (narrow ? NARROW_LABEL : 4);
  const base = top + VESSEL - 10;
  const place = (seconds: number) => x(timeAt(start, seconds / 3600));
  const down = (volume: number) => base - Math.min(1, volume / level.capacity) * (VESSEL - 14);
  const line = level.points.map(({ at: second, volume }) => `${place(second)} ${down(volume)}`);
  return (
    <g>
      <text
        x={narrow ? 8 : left - 12}
        y={narrow ? top - 5 : top + 14}
        textAnchor={narrow ? "start" : "end"}
        className="fill-ink font-bold text-[15px]"
      >
        {name.length > 17 ? `${name.slice(0, 16)}…` : name}
        {narrow && <tspan className="fill-soft font-normal text-[13px]"> {facts}</tspan>}
      </text>
      {!narrow && (
        <text x={left - 12} y={top + 31} textAnchor="end" className="fill-soft text-[13px]">
          {facts}
        </text>
      )}
      <g clipPath="url(#run-hours)">
        <rect
          x={place(0)}
          width={place(finish) - place(0)}
          y={top}
          height={VESSEL - 10}
          fill="var(--paper)"
        />
        <path
          d={`M${place(0)} ${base}L${line.join("L")}L${place(finish)} ${down(level.points.at(-1)?.volume ?? 0)}V${base}Z`}
          fill={level.kind === "recovery" ? "var(--soft)" : "var(--color-wet-2)"}
          opacity={level.kind === "recovery" ? 0.6 : 1}
        />
        <line x1={place(0)} x2={place(finish)} y1={base} y2={base} stroke="var(--soft)" />
      </g>
    </g>
  );
}
