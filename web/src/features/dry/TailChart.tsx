import { itemAt } from "@scutch/core";
import { isHardFloor } from "@scutch/core/care";
import { wetShare } from "@scutch/core/drying";
import { scaleTime } from "d3";
import { memo, useId } from "react";
import { timeAt } from "../../format/time.ts";
import { COVERING_NAMES, FIBRE_NAMES } from "../../format/words.ts";
import { readyOfRoom } from "../../planning/ready.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { useWidth } from "../../ui/useWidth.ts";
import { hourTicks } from "./hourTicks.ts";
import { TailLane } from "./TailLane.tsx";

interface Props {
  readonly start: number;
  readonly dried: DryingForecast;
  readonly now: number;
  readonly selected: number;
  readonly onSelect: (roomId: string) => void;
}

const LANE = 62;
/** On a laptop few rooms get taller lanes, up to this. */
const TALLEST_LANE = 96;
const ROOMY = 430;
const TOP = 30;
const HOUR = 3_600_000;
/** Width of a letter on the axis, px. */
const LETTER = 8;

/** All rooms on one axis: each a tail that thins and pales from wet to dry, with a tick where it is touch-dry. */
export const TailChart = memo(function TailChart({ dried, start, now, selected, onSelect }: Props) {
  const { about, clock, utcOffset } = useTimes();
  const units = useUnits();
  const id = useId();
  const [ref, width] = useWidth<HTMLDivElement>();
  const { work } = dried;
  const timeOrNever = (time: number | null | undefined) => (time == null ? "not yet" : about(time, now));
  const narrow = width < 520;
  const left = narrow ? 8 : 136;
  const right = 58;
  const ready = work.rooms.map((_, i) => ({
    dry: readyOfRoom(dried, i, start, "dry"),
    touch: readyOfRoom(dried, i, start, "touchDry"),
  }));
  // What is only walked through has no tail.
  const shown = work.rooms.flatMap((room, i) => (room.passage ? [] : [{ room, i }]));
  const first = Math.min(...shown.map(({ room }) => timeAt(start, room.finishedAtHours))) - HOUR / 4;
  const last = Math.max(
    first + 2 * HOUR,
    ...ready.map(({ dry }, i) => dry.likely ?? timeAt(start, (work.rooms[i]?.finishedAtHours ?? 0) + 24)),
  );
  const x = scaleTime([first, last], [left, Math.max(left + 40, width - right)]);
  const marker = now > first && now < last ? x(now) : Number.NaN;
  // The flag at the marker stays on the chart, however wide the hour is written.
  const flag = clock(now).length * LETTER + 12;
  const ticks = hourTicks(first, last, Math.max(2, Math.floor(width / 120)), utcOffset);
  const lane = narrow ? LANE : Math.max(LANE, Math.min(TALLEST_LANE, ROOMY / shown.length));
  const height = TOP + shown.length * lane;
  return (
    <div ref={ref}>
      <h2 className="mb-1 font-semibold text-soft">From wet to dry, all rooms</h2>
      {width > 0 && (
        <svg width={width} height={height} role="img" aria-labelledby={`${id}t`} className="block">
          <title id={`${id}t`}>Drying of each room over time. The table below has the same times.</title>
          {ticks.map((tick) => (
            <g key={tick} transform={`translate(${x(tick)},0)`}>
              <line y1={22} y2={height} stroke="var(--rule)" />
              {!(Math.abs(x(tick) - marker) < 52) && (
                <text y={14} textAnchor="middle" className="fill-soft font-mono text-[13px]">
                  {clock(tick)}
                </text>
              )}
            </g>
          ))}
          {shown.map(({ room, i }, row) => (
            <TailLane
              key={room.id}
              y={TOP + row * lane}
              height={lane - 4}
              left={left}
              narrow={narrow}
              name={room.name}
              facts={`${units.area(room.area)} ${(isHardFloor(room.covering) ? COVERING_NAMES[room.covering] : FIBRE_NAMES[room.fibre]).toLowerCase()}`}
              selected={selected === i}
              onSelect={() => onSelect(room.id)}
              gradient={`${id}${i}`}
              x={x}
              width={width}
              points={thinned(
                (dried.result.rooms[i]?.course ?? [])
                  .filter(
                    (moment) =>
                      moment.hours >= room.finishedAtHours - 1e-6 &&
                      timeAt(start, moment.hours) <= (ready[i]?.dry.likely ?? last) + 60_000,
                  )
                  .map((moment) => ({
                    time: Math.min(timeAt(start, moment.hours), last),
                    wet: wetShare(moment.freeWater, room.residual),
                  })),
              )}
              touch={ready[i]?.touch.likely ?? null}
              dry={ready[i]?.dry.likely ?? null}
              now={now}
            />
          ))}
          {Number.isFinite(marker) && (
            <>
              <line x1={marker} x2={marker} y1={22} y2={height} stroke="var(--ink)" strokeWidth={2} />
              <g transform={`translate(${Math.min(width - flag / 2, Math.max(flag / 2, marker))},0)`}>
                <rect x={-flag / 2} y={0} width={flag} height={21} rx={10} fill="var(--ink)" />
                <text y={15} textAnchor="middle" className="fill-ground font-bold font-mono text-[13px]">
                  {clock(now)}
                </text>
              </g>
            </>
          )}
        </svg>
      )}
      <details className="mt-3 print:hidden">
        <summary className="min-h-12 cursor-pointer py-3 font-semibold text-accent">Show as a table</summary>
        <div className="overflow-x-auto">
          <table className="w-full text-left [&_th]:pr-3 [&_td]:pr-3">
            <thead className="text-sm text-soft">
              <tr>
                <th className="py-1 font-normal">Room</th>
                <th className="font-normal">Finished</th>
                <th className="font-normal">Touch-dry</th>
                <th className="font-normal">Dry</th>
              </tr>
            </thead>
            <tbody className="font-mono">
              {shown.map(({ room, i }) => (
                <tr key={room.id} className="border-rule border-t">
                  <th className="py-1.5 font-normal font-sans">{room.name}</th>
                  <td>{about(timeAt(start, room.finishedAtHours), now)}</td>
                  <td>{timeOrNever(ready[i]?.touch.likely)}</td>
                  <td>{timeOrNever(ready[i]?.dry.likely)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </div>
  );
});

/** As many points as the eye can tell apart on a tail; both ends stay. Each is a stop of the gradient to be drawn again. */
const POINTS_ON_A_TAIL = 14;
function thinned<T>(points: readonly T[]): T[] {
  const last = points.length - 1;
  if (last < POINTS_ON_A_TAIL) return [...points];
  return Array.from({ length: POINTS_ON_A_TAIL }, (_, i) =>
    itemAt(points, Math.round((i * last) / (POINTS_ON_A_TAIL - 1))),
  );
}
