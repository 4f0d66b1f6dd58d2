import { area, curveMonotoneX, scaleLinear } from "d3";
import { wetColour } from "../../format/wetness.ts";
import { useTimes } from "../../state/useTimes.ts";

/** Height of a tail on a phone, px; on a laptop it grows with its lane. */
const TAIL = 26;

interface Props {
  readonly y: number;
  readonly height: number;
  readonly left: number;
  readonly narrow: boolean;
  readonly name: string;
  readonly facts: string;
  readonly selected: boolean;
  readonly onSelect: () => void;
  readonly gradient: string;
  readonly x: (time: number) => number;
  readonly width: number;
  readonly points: readonly { readonly time: number; readonly wet: number }[];
  readonly touch: number | null;
  readonly dry: number | null;
  readonly now: number;
}

/** A room's lane: its name, and its tail from the moment it was cleaned to dry. */
export function TailLane({
  y,
  height,
  left,
  narrow,
  name,
  facts,
  selected,
  onSelect,
  gradient,
  x,
  width,
  points,
  touch,
  dry,
  now,
}: Props) {
  const { about, aboutParts } = useTimes();
  const middle = y + (narrow ? 34 : height / 2 - 4);
  const half = scaleLinear([0, 1], [1, narrow ? TAIL / 2 : Math.max(TAIL / 2, height * 0.21)]);
  const [first] = points;
  const end = points.at(-1);
  if (!first || !end) return null;
  const tail = area<(typeof points)[number]>()
    .x((point) => x(point.time))
    .y0((point) => middle - half(point.wet))
    .y1((point) => middle + half(point.wet))
    .curve(curveMonotoneX);
  const span = Math.max(1, end.time - first.time);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: a wider target for what the room picker and table also do
    <g onClick={onSelect} className="cursor-pointer">
      <rect x={0} y={y} width={width} height={height} fill={selected ? "var(--wash)" : "transparent"} />
      <text
        x={narrow ? left : left - 12}
        y={narrow ? y + 16 : middle - 2}
        textAnchor={narrow ? "start" : "end"}
        className="fill-ink font-bold text-[15px]"
      >
        {name.length > 18 ? `${name.slice(0, 17)}…` : name}
        {narrow && <tspan className="fill-soft font-normal text-[13px]"> {facts}</tspan>}
      </text>
      {!narrow && (
        <text x={left - 12} y={middle + 16} textAnchor="end" className="fill-soft text-[13px]">
          {facts}
        </text>
      )}
      <defs>
        <linearGradient id={gradient}>
          {points.map((point) => (
            <stop
              key={point.time}
              offset={(point.time - first.time) / span}
              stopColor={wetColour(point.wet)}
            />
          ))}
        </linearGradient>
      </defs>
      <path d={tail([...points]) ?? ""} fill={`url(#${gradient})`} />
      {touch !== null && (
        <line
          x1={x(touch)}
          x2={x(touch)}
          y1={middle - 16}
          y2={middle + 16}
          stroke="var(--ink)"
          strokeWidth={2}
        />
      )}
      {touch !== null && dry !== null && x(dry) - x(touch) > 58 && (
        <text x={x(touch) + 4} y={middle + 27} className="fill-ink font-mono text-[13px]">
          {about(touch, now)}
        </text>
      )}
      {dry !== null && (
        <>
          <circle cx={x(dry)} cy={middle} r={5} fill="var(--ground)" stroke="var(--ink)" strokeWidth={2} />
          <text x={x(dry) + 10} y={middle + 5} className="fill-ink font-mono text-[13px]">
            {aboutParts(dry, now).hour}
          </text>
        </>
      )}
    </g>
  );
}
