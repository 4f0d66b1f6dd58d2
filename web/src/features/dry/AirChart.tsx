import { humidityRatioFromRelativeHumidity, SEA_LEVEL_PRESSURE } from "@scutch/core/air";
import {
  type Building,
  type CourseSample,
  type DryingResult,
  outdoorAirAt,
  type RoomMoment,
} from "@scutch/core/drying";
import { line, scaleLinear } from "d3";
import { memo, useId } from "react";
import { percent } from "../../format/units.ts";
import { useUnits } from "../../state/useUnits.ts";
import { useWidth } from "../../ui/useWidth.ts";

interface Props {
  readonly building: Building;
  readonly result: DryingResult;
  /** The room at the hour looked at. */
  readonly moment: RoomMoment;
  /** With the moves made, where there are any. */
  readonly moved: DryingResult | undefined;
  readonly place: number;
  readonly name: string;
  /** Looked at, h after the start. */
  readonly hours: number;
  /** The path is drawn so far, h after the start. */
  readonly until: number;
}

interface State {
  readonly temperature: number;
  /** kg/kg. */
  readonly ratio: number;
}

const HEIGHT = 250;
const PAD = { left: 12, right: 44, top: 14, bottom: 24 };
const CURVES = [0.25, 0.5, 0.75, 1];
/** Points of the air’s path; more can’t be told apart. */
const ON_A_PATH = 60;
/** Names nearer than this to each other are set one above the other, px. */
const NAME_HEIGHT = 15;

/** A room’s air, the air outdoors and the wet floor in one picture: temperature across, water in the air up. */
export const AirChart = memo(function AirChart({
  building,
  result,
  moment,
  moved,
  place,
  name,
  hours,
  until,
}: Props) {
  const id = useId();
  const units = useUnits();
  const [ref, width] = useWidth<HTMLDivElement>();
  const pressure = building.pressure ?? SEA_LEVEL_PRESSURE;
  const stateOf = ({
    temperature,
    relativeHumidity,
  }: {
    temperature: number;
    relativeHumidity: number;
  }): State => ({
    temperature,
    ratio: humidityRatioFromRelativeHumidity(temperature, Math.min(1, relativeHumidity), pressure),
  });
  const outdoor = outdoorAirAt(building, hours);
  if (!outdoor) return null;
  const path = (course: readonly CourseSample[] = []) =>
    thinned(course.filter((sample) => sample.hours >= hours && sample.hours <= until)).map(stateOf);
  const inside = stateOf(moment);
  const ahead = [inside, ...path(result.rooms[place]?.course)];
  const withMoves = moved ? [inside, ...path(moved.rooms[place]?.course)] : [];
  const floor =
    moment.surfaceTemperature === undefined
      ? undefined
      : stateOf({ temperature: moment.surfaceTemperature, relativeHumidity: 1 });
  const outside = stateOf(outdoor);
  const all = [...ahead, ...withMoves, outside, ...(floor ? [floor] : [])];
  const low = Math.floor(Math.min(...all.map(({ temperature }) => temperature)) - 2);
  const high = Math.ceil(Math.max(...all.map(({ temperature }) => temperature)) + 3);
  const wettest = 1.15 * Math.max(...all.map(({ ratio }) => ratio));
  const x = scaleLinear([low, high], [PAD.left, Math.max(PAD.left + 60, width - PAD.right)]);
  const y = scaleLinear([0, wettest], [HEIGHT - PAD.bottom, PAD.top]);
  const drawn = line<State>()
    .x(({ temperature }) => x(temperature))
    .y(({ ratio }) => y(ratio));
  const curve = (relativeHumidity: number) =>
    Array.from({ length: 40 }, (_, i) =>
      stateOf({ temperature: low + ((high - low) * i) / 39, relativeHumidity }),
    );
  const named = [
    { ...outside, name: "outdoors", fill: "var(--caution-wash)" },
    ...(floor ? [{ ...floor, name: "wet floor", fill: "var(--line-wet)" }] : []),
    { ...inside, name: "room air", fill: "var(--paper)" },
  ];
  return (
    <div ref={ref} className="mt-3">
      {width > 0 && (
        <svg width={width} height={HEIGHT} role="img" aria-labelledby={`${id}t`} className="block">
          <title id={`${id}t`}>
            {`Air in ${name}: ${units.temperature(moment.temperature)} and ${percent(moment.relativeHumidity)}; outdoors ${units.temperature(outdoor.temperature)} and ${percent(outdoor.relativeHumidity)}. Higher up the air holds more water.`}
          </title>
          <clipPath id={`${id}c`}>
            <rect
              x={PAD.left}
              y={PAD.top}
              width={Math.max(0, width - PAD.left - PAD.right)}
              height={HEIGHT - PAD.top - PAD.bottom}
            />
          </clipPath>
          <g clipPath={`url(#${id}c)`}>
            {CURVES.map((share) => (
              <path
                key={share}
                d={drawn(curve(share)) ?? ""}
                fill="none"
                stroke={share === 1 ? "var(--ink)" : "var(--rule)"}
                strokeWidth={share === 1 ? 2 : 1.5}
              />
            ))}
            <path d={drawn(ahead) ?? ""} fill="none" stroke="var(--line-wet)" strokeWidth={3} />
            <path
              d={drawn(withMoves) ?? ""}
              fill="none"
              stroke="var(--accent)"
              strokeWidth={3}
              strokeDasharray="7 5"
            />
          </g>
          {CURVES.map((share) => {
            const end = stateOf({ temperature: high, relativeHumidity: share });
            return (
              end.ratio <= wettest && (
                <text key={share} x={x(high) + 5} y={y(end.ratio) + 4} className="fill-soft text-[12px]">
                  {percent(share)}
                </text>
              )
            );
          })}
          {named.map((point, i) => (
            <g key={point.name}>
              <circle
                cx={x(point.temperature)}
                cy={y(point.ratio)}
                r={6}
                fill={point.fill}
                stroke="var(--ink)"
                strokeWidth={2}
              />
              <text
                x={x(point.temperature) + 10}
                y={
                  y(point.ratio) +
                  4 +
                  offsetOf(named.slice(0, i).map((other) => y(other.ratio) - y(point.ratio)))
                }
                stroke="var(--ground)"
                strokeWidth={3}
                paintOrder="stroke"
                className="fill-ink text-[13px]"
              >
                {point.name}
              </text>
            </g>
          ))}
          <line
            x1={PAD.left}
            x2={width - PAD.right}
            y1={HEIGHT - PAD.bottom}
            y2={HEIGHT - PAD.bottom}
            stroke="var(--ink)"
          />
          {x.ticks(5).map((tick) => (
            <text
              key={tick}
              x={x(tick)}
              y={HEIGHT - 7}
              textAnchor="middle"
              className="fill-soft font-mono text-[13px]"
            >
              {units.temperature(tick)}
            </text>
          ))}
        </svg>
      )}
      <p className="text-soft text-sm">
        Water moves from the wet floor to air lower in the chart.{moved && " Dashed: with the moves."}
      </p>
    </div>
  );
});

/** How far a name is moved so that it isn’t written over one before it, px. */
function offsetOf(others: readonly number[]): number {
  const near = others.find((off) => Math.abs(off) < NAME_HEIGHT);
  return near === undefined ? 0 : near >= 0 ? -(NAME_HEIGHT - near) : NAME_HEIGHT + near;
}

function thinned<T>(list: readonly T[]): T[] {
  const every = Math.max(1, Math.ceil(list.length / ON_A_PATH));
  return list.filter((_, i) => i % every === 0 || i === list.length - 1);
}
