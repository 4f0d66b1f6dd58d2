import type { RoomPlan } from "@scutch/core/plan";
import type { RunLane, RunSection } from "@scutch/core/run";
import { area, curveMonotoneX } from "d3";
import { useId } from "react";
import { timeAt } from "../../format/time.ts";
import { wetColour } from "../../format/wetness.ts";
import { useTimes } from "../../state/useTimes.ts";
import type { Axis } from "./useAxis.ts";

interface Props {
  readonly lane: RunLane<RoomPlan>;
  readonly start: number;
  readonly axis: Axis;
  readonly y: number;
  readonly height: number;
  readonly narrow: boolean;
  readonly facts: string;
  readonly late: ReadonlySet<string>;
}

const LIMIT = 7;
/** Width of a figure, px. */
const DIGIT = 8.4;

/**
 * A room through the job: what is done dry, then each section from its spray through its dwell to its cleaning, and the
 * tail on which it dries from there. Sections lie one under the other, the far corner on top.
 */
export function RoomLane({ lane, start, axis, y, height, narrow, facts, late }: Props) {
  const { about, aboutParts } = useTimes();
  const id = useId();
  const { x, left, right } = axis;
  const time = (seconds: number) => timeAt(start, seconds / 3600);
  const top = y + (narrow ? 22 : 4) + LIMIT;
  const room = height - (narrow ? 30 : 12) - LIMIT;
  const ends = [lane.touchDry, lane.dryAtSeconds].map((each) => (each === null ? null : time(each)));
  const [touch, dry] = [ends[0] ?? null, ends[1] ?? null];
  const inSight = (px: number) => px >= left - 2 && px <= right + 2;
  const name = lane.room.name;
  return (
    <g>
      <line x1={0} x2={right} y1={y} y2={y} stroke="var(--rule)" />
      <text
        x={narrow ? 8 : left - 12}
        y={narrow ? y + 16 : top + room / 2}
        textAnchor={narrow ? "start" : "end"}
        className="fill-ink font-bold text-[15px]"
      >
        {name.length > 17 ? `${name.slice(0, 16)}…` : name}
        {narrow && <tspan className="fill-soft font-normal text-[13px]"> {facts}</tspan>}
      </text>
      {!narrow && (
        <text x={left - 12} y={top + room / 2 + 17} textAnchor="end" className="fill-soft text-[13px]">
          {facts}
        </text>
      )}
      <g clipPath="url(#run-hours)">
        {lane.dry.map((step) => (
          <rect
            key={step.id}
            x={x(time(step.start))}
            width={Math.max(1, x(time(step.end)) - x(time(step.start)) - 1)}
            y={top + room * 0.3}
            height={room * 0.4}
            fill="var(--soft)"
            opacity={0.35}
          />
        ))}
        {lane.tail.length > 0 && (
          <defs>
            <linearGradient id={id}>
              {lane.tail.map(({ after, wet }) => (
                <stop
                  key={after}
                  offset={after / (lane.tail.at(-1)?.after || 1)}
                  stopColor={wetColour(wet)}
                />
              ))}
            </linearGradient>
          </defs>
        )}
        {lane.sections.map((section) => (
          <Stripe
            key={section.id}
            section={section}
            lane={lane}
            x={(seconds) => x(time(seconds))}
            y={top + section.from * room}
            height={Math.max(1.5, (section.to - section.from) * room)}
            gradient={id}
          />
        ))}
        <Limits lane={lane} x={(seconds) => x(time(seconds))} y={top - 1} late={late} />
        {touch !== null && (
          <line
            x1={x(touch)}
            x2={x(touch)}
            y1={top - 3}
            y2={top + room + 3}
            stroke="var(--ink)"
            strokeWidth={2}
          />
        )}
        {dry !== null && (
          <circle
            cx={x(dry)}
            cy={top + room / 2}
            r={5}
            fill="var(--ground)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
        )}
      </g>
      {touch !== null && inSight(x(touch)) && (dry === null || x(dry) - x(touch) > 46) && (
        <text
          x={Math.min(x(touch) + 4, right - 40)}
          y={top + room + 3}
          className="fill-ink font-mono text-[13px]"
          stroke="var(--ground)"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {aboutParts(touch, start).hour}
        </text>
      )}
      {dry !== null && inSight(x(dry)) && (
        <text
          x={Math.min(x(dry) + 9, axis.edge - about(dry, start).length * DIGIT)}
          y={top + room / 2 + (x(dry) + 9 > axis.edge - about(dry, start).length * DIGIT ? -8 : 5)}
          className="fill-ink font-mono text-[13px]"
          stroke="var(--ground)"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {about(dry, start)}
        </text>
      )}
    </g>
  );
}

interface StripeProps {
  readonly section: RunSection;
  readonly lane: RunLane<RoomPlan>;
  readonly x: (seconds: number) => number;
  readonly y: number;
  readonly height: number;
  readonly gradient: string;
}

/** One section: sprayed, dwelling, cleaned, drying. */
function Stripe({ section, lane, x, y, height, gradient }: StripeProps) {
  const { sprayId, sprayStart, sprayEnd, cleanStart, cleanEnd } = section;
  const gap = height > 5 ? 1 : 0;
  const bar = (from: number, to: number, share: number) => (
    <rect
      x={x(from)}
      width={Math.max(0.75, x(to) - x(from))}
      y={y}
      height={height - gap}
      fill={wetColour(share)}
    />
  );
  const middle = y + (height - gap) / 2;
  const tail = area<(typeof lane.tail)[number]>()
    .x(({ after }) => x(cleanEnd + after))
    .y0(({ left }) => middle - Math.max(0.4, ((height - gap) / 2) * left))
    .y1(({ left }) => middle + Math.max(0.4, ((height - gap) / 2) * left))
    .curve(curveMonotoneX);
  return (
    <>
      {sprayId !== undefined && (
        <>
          {bar(sprayStart, sprayEnd, 0.5)}
          {bar(sprayEnd, cleanStart, 0.22)}
        </>
      )}
      {bar(cleanStart, cleanEnd, lane.room.residual > 0 ? 1 : 0)}
      {lane.tail.length > 1 && <path d={tail([...lane.tail]) ?? ""} fill={`url(#${gradient})`} />}
    </>
  );
}

/** Until when each dwell may last: hatched, with its end marked. */
function Limits({
  lane,
  x,
  y,
  late,
}: {
  readonly lane: RunLane<RoomPlan>;
  readonly x: (seconds: number) => number;
  readonly y: number;
  readonly late: ReadonlySet<string>;
}) {
  // Of a room of which only its finish is known nothing is known of its sprays.
  const sprayed = lane.sections.filter(
    ({ sprayId, cleanStart, cleanEnd }) => sprayId !== undefined && cleanEnd > cleanStart,
  );
  return sprayed.map((section, i) => {
    // Where the next one begins its own takes over, so that they don't lie on each other.
    const next = sprayed[i + 1];
    const end = next
      ? Math.min(section.cleanDeadline, Math.max(next.sprayEnd, section.cleanEnd))
      : section.cleanDeadline;
    const whole = end === section.cleanDeadline;
    return (
      <g key={section.id}>
        <rect
          x={x(section.sprayEnd)}
          width={Math.max(0, x(end) - x(section.sprayEnd))}
          y={y - LIMIT}
          height={LIMIT - 1}
          fill="url(#run-hatch)"
        />
        {whole && (
          <line
            x1={x(end)}
            x2={x(end)}
            y1={y - LIMIT - 2}
            y2={y + 3}
            stroke={late.has(section.id) ? "var(--stop)" : "var(--caution)"}
            strokeWidth={late.has(section.id) ? 3 : 2}
          />
        )}
      </g>
    );
  });
}
