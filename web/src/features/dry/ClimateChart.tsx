import { type Building, type CourseSample, type DryingResult, outdoorAirAt } from "@scutch/core/drying";
import { extent, line, scaleLinear, scaleTime } from "d3";
import { memo, useId } from "react";
import { timeAt } from "../../format/time.ts";
import { percent } from "../../format/units.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { useWidth } from "../../ui/useWidth.ts";
import { hourTicks } from "./hourTicks.ts";

interface Props {
  readonly building: Building;
  readonly result: DryingResult;
  readonly place: number;
  readonly name: string;
  readonly start: number;
  /** h after the start, looked at, and from and to which it is drawn. */
  readonly hours: number;
  readonly from: number;
  readonly until: number;
}

const HEIGHT = 170;
const PAD = { left: 44, right: 44, top: 16, bottom: 24 };

/** A room’s humidity and temperature through the drying, with the outdoor temperature. */
export const ClimateChart = memo(function ClimateChart({
  building,
  result,
  place,
  name,
  start,
  hours,
  from,
  until,
}: Props) {
  const id = useId();
  const units = useUnits();
  const { clock, utcOffset } = useTimes();
  const [ref, width] = useWidth<HTMLDivElement>();
  const course = (result.rooms[place]?.course ?? []).filter(
    (sample) => sample.hours >= from - 1e-6 && sample.hours <= until,
  );
  const between = (building.weather ?? []).filter((point) => point.hours > from && point.hours < until);
  // Straight lines lead from point to point.
  const outdoors = [from, until].flatMap((at, end) => {
    const air = outdoorAirAt(building, at);
    const point = air ? [{ hours: at, temperature: air.temperature }] : [];
    return end === 0 ? [...point, ...between] : point;
  });
  if (course.length < 2) return null;
  const [low = 0, high = 30] = extent([...course, ...outdoors], ({ temperature }) => temperature);
  const x = scaleTime(
    [timeAt(start, from), timeAt(start, until)],
    [PAD.left, Math.max(PAD.left + 60, width - PAD.right)],
  );
  const warmth = scaleLinear([low - 1, high + 1], [HEIGHT - PAD.bottom, PAD.top]).nice(4);
  const humidity = scaleLinear([0, 1], [HEIGHT - PAD.bottom, PAD.top]);
  const at = (sample: { readonly hours: number }) => x(timeAt(start, sample.hours));
  const room = line<CourseSample>().x(at);
  return (
    <div ref={ref} className="mt-3">
      {width > 0 && (
        <svg width={width} height={HEIGHT} role="img" aria-labelledby={`${id}t`} className="block">
          <title id={`${id}t`}>{`Humidity and temperature in ${name}, and the temperature outdoors`}</title>
          {warmth.ticks(4).map((tick) => (
            <g key={tick} transform={`translate(0,${warmth(tick)})`}>
              <line x1={PAD.left} x2={width - PAD.right} stroke="var(--rule)" />
              <text x={PAD.left - 5} y={4} textAnchor="end" className="fill-soft font-mono text-[12px]">
                {units.temperature(tick)}
              </text>
            </g>
          ))}
          {[0.25, 0.5, 0.75, 1].map((tick) => (
            <text
              key={tick}
              x={width - PAD.right + 5}
              y={humidity(tick) + 4}
              className="fill-soft font-mono text-[12px]"
            >
              {percent(tick)}
            </text>
          ))}
          <path
            d={
              line<Pick<CourseSample, "hours" | "temperature">>()
                .x(at)
                .y(({ temperature }) => warmth(temperature))(outdoors) ?? ""
            }
            fill="none"
            stroke="var(--soft)"
            strokeDasharray="3 4"
            strokeWidth={2}
          />
          <path
            d={room.y(({ temperature }) => warmth(temperature))(course) ?? ""}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2.5}
          />
          <path
            d={room.y(({ relativeHumidity }) => humidity(relativeHumidity))(course) ?? ""}
            fill="none"
            stroke="var(--line-wet)"
            strokeWidth={2.5}
          />
          {hours > from && hours < until && (
            <line
              x1={at({ hours })}
              x2={at({ hours })}
              y1={PAD.top}
              y2={HEIGHT - PAD.bottom}
              stroke="var(--ink)"
            />
          )}
          {hourTicks(timeAt(start, from), timeAt(start, until), 4, utcOffset)
            .filter((tick) => x(tick) > PAD.left + 16 && x(tick) < width - PAD.right - 16)
            .map((tick) => (
              <text
                key={tick}
                x={x(tick)}
                y={HEIGHT - 7}
                textAnchor="middle"
                className="fill-soft font-mono text-[13px]"
              >
                {clock(tick)}
              </text>
            ))}
        </svg>
      )}
      <p className="text-soft text-sm">Blue: humidity. Black: room temperature. Dotted: outdoors.</p>
    </div>
  );
});
