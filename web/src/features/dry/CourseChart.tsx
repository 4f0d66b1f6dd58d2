import type { LogEntry } from "@scutch/contract";
import { type BandPoint, DRY_FREE_WATER, readyLevels } from "@scutch/core/drying";
import { placedReadings } from "@scutch/core/log";
import { area, curveMonotoneX, line, max, scaleLinear, scaleTime } from "d3";
import { memo, useId } from "react";
import { timeAt } from "../../format/time.ts";
import { percent } from "../../format/units.ts";
import { type ReadyTime, readyOfRoom } from "../../planning/ready.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { useWidth } from "../../ui/useWidth.ts";
import { hourTicks } from "./hourTicks.ts";

interface Props {
  readonly start: number;
  readonly log: readonly LogEntry[];
  readonly dried: DryingForecast;
  readonly place: number;
  readonly now: number;
}

const HEIGHT = 216;
/** The band may rise so far above the curve before it is cut. */
const BAND_ABOVE = 1.4;
/** From one line of letters to the next. */
const LINE = 14;
/** Room that the name of a range takes. */
const LABEL = 66;
const PAD = { left: 10, right: 12, top: 16, bottom: 58 };

/** One room's free water over time, with the two levels that count and the hours each may fall on. */
export const CourseChart = memo(function CourseChart({ dried, log, start, place, now }: Props) {
  const { clock, utcOffset } = useTimes();
  const units = useUnits();
  const id = useId();
  const [ref, width] = useWidth<HTMLDivElement>();
  const { work } = dried;
  const room = work.rooms[place];
  const course = dried.result.rooms[place]?.course ?? [];
  const drying = dried.work.building.rooms[place];
  if (!room || !drying) return null;
  const levels = readyLevels(drying);
  const touchDry = levels.touchDry - levels.equilibrium;
  const dry = readyOfRoom(dried, place, start, "dry");
  const touch = readyOfRoom(dried, place, start, "touchDry");
  const points = course.filter((moment) => moment.hours >= room.finishedAtHours - 1e-6);
  const readings = placedReadings(log, room.id, { course, room: drying, start });
  const from = timeAt(start, room.finishedAtHours);
  const to =
    Math.max(from + 3_600_000, dry.late ?? 0, dry.likely ?? timeAt(start, room.finishedAtHours + 24)) +
    900_000;
  const highest =
    max([...points.map((moment) => moment.freeWater), ...readings.map((reading) => reading.freeWater)]) ??
    0.1;
  const bandTop = max(dried.ranges?.[place]?.band ?? [], ({ high }) => high) ?? 0;
  const top = Math.max(highest, Math.min(bandTop, BAND_ABOVE * highest));
  const x = scaleTime([from, to], [PAD.left, Math.max(PAD.left + 40, width - PAD.right)]);
  const y = scaleLinear([0, top], [HEIGHT - PAD.bottom, PAD.top]);
  const curve = line<(typeof points)[number]>()
    .x((moment) => x(timeAt(start, moment.hours)))
    .y((moment) => y(Math.max(0, moment.freeWater)))
    .curve(curveMonotoneX);
  const shown = points.filter((moment) => timeAt(start, moment.hours) <= to);
  const band = area<BandPoint>()
    .x(({ hours }) => x(timeAt(start, hours)))
    .y0(({ low }) => y(low))
    .y1(({ high }) => y(high))
    .curve(curveMonotoneX);
  const bandOf = (ranges: DryingForecast["ranges"]) =>
    band((ranges?.[place]?.band ?? []).filter(({ hours }) => hours >= room.finishedAtHours - 1e-6)) ?? "";
  const level = (water: number, name: string, raised = 0) => (
    <g transform={`translate(0,${y(water)})`}>
      <line x1={PAD.left} x2={width - PAD.right} stroke="var(--soft)" strokeDasharray="3 4" />
      <text x={width - PAD.right} y={-5 - raised} textAnchor="end" className="fill-soft text-[13px]">
        {name}
      </text>
    </g>
  );
  return (
    <div ref={ref} className="mt-3">
      {width > 0 && (
        <svg width={width} height={HEIGHT} role="img" aria-labelledby={`${id}t`} className="block">
          <title
            id={`${id}t`}
          >{`Free water in ${room.name}, from ${units.massPerArea(top)} at the finish to dry`}</title>
          <text x={width - PAD.right} y={11} textAnchor="end" className="fill-soft text-[13px]">
            {units.massPerArea(top)} of free water
          </text>
          {touchDry > DRY_FREE_WATER &&
            level(touchDry, "touch-dry", Math.max(0, LINE - (y(DRY_FREE_WATER) - y(touchDry))))}
          {level(DRY_FREE_WATER, "dry")}
          <clipPath id={`${id}c`}>
            <rect
              x={PAD.left}
              y={PAD.top}
              width={Math.max(0, width - PAD.left - PAD.right)}
              height={HEIGHT - PAD.top - PAD.bottom}
            />
          </clipPath>
          <g clipPath={`url(#${id}c)`} fill="var(--line-wet)">
            <path d={bandOf(dried.before?.ranges)} opacity={0.14} />
            <path d={bandOf(dried.ranges)} opacity={0.28} />
          </g>
          <path d={curve(shown) ?? ""} fill="none" stroke="var(--line-wet)" strokeWidth={3.5} />
          {readings.map((reading) => (
            <g key={reading.time} transform={`translate(${x(reading.time)},${y(reading.freeWater)})`}>
              <circle r={5} fill="var(--ground)" stroke="var(--ink)" strokeWidth={2} />
              <text x={8} y={-7} className="fill-ink font-mono text-[13px]">
                {percent(reading.moisture)}
              </text>
            </g>
          ))}
          {now > from && now < to && (
            <g transform={`translate(${x(now)},0)`}>
              <line y1={PAD.top} y2={HEIGHT - PAD.bottom} stroke="var(--ink)" strokeWidth={1.5} />
              <text
                y={PAD.top - 4}
                textAnchor={x(now) > width - 240 ? "end" : "start"}
                className="fill-ink font-bold text-[13px]"
              >
                now
              </text>
            </g>
          )}
          <g transform={`translate(0,${HEIGHT - PAD.bottom})`}>
            <line x1={PAD.left} x2={width - PAD.right} stroke="var(--ink)" />
            {hourTicks(from, to, 4, utcOffset)
              .filter((tick) => x(tick) > 22 && x(tick) < width - 22)
              .map((tick) => (
                <text
                  key={tick}
                  x={x(tick)}
                  y={17}
                  textAnchor="middle"
                  className="fill-soft font-mono text-[13px]"
                >
                  {clock(tick)}
                </text>
              ))}
          </g>
          {dried.before && (
            <text x={width - PAD.right} y={PAD.top + 16} textAnchor="end" className="fill-soft text-[13px]">
              pale: before your readings
            </text>
          )}
          <RangeBar x={x} y={HEIGHT - 28} width={width} time={touch} name="touch-dry" />
          <RangeBar x={x} y={HEIGHT - 10} width={width} time={dry} name="dry" />
        </svg>
      )}
    </div>
  );
});

/** The hours a ready time lies between, eight times in ten, as a bar on the same axis. */
function RangeBar({
  x,
  y,
  width,
  time,
  name,
}: {
  readonly x: (time: number) => number;
  readonly y: number;
  readonly width: number;
  readonly time: ReadyTime;
  readonly name: string;
}) {
  if (time.early === null || time.late === null || time.likely === null) return null;
  return (
    <g>
      <line
        x1={x(time.early)}
        x2={x(time.late)}
        y1={y}
        y2={y}
        stroke="var(--line-wet)"
        strokeWidth={7}
        opacity={0.4}
      />
      <circle cx={x(time.likely)} cy={y} r={4} fill="var(--line-wet)" />
      {x(time.early) > LABEL ? (
        <text x={x(time.early) - 6} y={y + 4} textAnchor="end" className="fill-soft text-[13px]">
          {name}
        </text>
      ) : (
        <text
          x={Math.min(x(time.late) + 6, width - LABEL)}
          y={y + 4}
          stroke="var(--ground)"
          strokeWidth={3}
          paintOrder="stroke"
          className="fill-soft text-[13px]"
        >
          {name}
        </text>
      )}
    </g>
  );
}
