import { isHardFloor } from "@scutch/core/care";
import type { RoomPlan } from "@scutch/core/plan";
import { levelAt, type VesselLevel } from "@scutch/core/plan";
import type { JobRun, RunLane, Step } from "@scutch/core/run";
import { ZoomIn, ZoomOut } from "lucide-react";
import { memo, type ReactNode, useMemo, useRef } from "react";
import { timeAt } from "../../format/time.ts";
import { formatAmount } from "../../format/units.ts";
import { COVERING_NAMES, FIBRE_NAMES } from "../../format/words.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { useWidth } from "../../ui/useWidth.ts";
import { heightOfPeople, PeopleRows } from "./PeopleRows.tsx";
import { RoomLane } from "./RoomLane.tsx";
import { type Axis, useAxis } from "./useAxis.ts";
import { heightOfVessel, VesselRow } from "./VesselRow.tsx";

interface Props {
  readonly run: JobRun;
  readonly lanes: readonly RunLane<RoomPlan>[];
  readonly levels: readonly VesselLevel[];
  readonly start: number;
  readonly people: number;
  readonly names: readonly string[];
  readonly vesselName: (id: string) => string;
  readonly pinned: ReadonlySet<string>;
  readonly onStep: (step: Step) => void;
}

const TOP = 34;
const LANE = 58;
const TALLEST = 84;
/** Height the room lanes share on a laptop, px. */
const ROOMY = 330;
const NARROW_LANE = 72;

/** The whole job on one time axis: people, rooms, vessels; then the hours it dries. */
export function RunSheet({
  children,
  ...drawn
}: Props & { readonly children: (axis: Axis, height: number) => ReactNode }) {
  const { run, lanes, levels, start, people } = drawn;
  const [box, width] = useWidth<HTMLDivElement>();
  const svg = useRef<SVGSVGElement>(null);
  const narrow = width < 620;
  const left = narrow ? 8 : 140;
  const right = Math.max(left + 60, width - (narrow ? 46 : 66));
  const end = Math.max(
    run.makespan,
    ...lanes.map(({ dryAtSeconds, finished }) => dryAtSeconds ?? finished + 86_400),
  );
  const times = useMemo(
    () => ({ start, finish: timeAt(start, run.makespan / 3600), end: timeAt(start, end / 3600) }),
    [start, run.makespan, end],
  );
  const { axis, widen, widened } = useAxis(svg, times, { left, right, edge: width });
  const lane = narrow ? NARROW_LANE : Math.max(LANE, Math.min(TALLEST, ROOMY / Math.max(1, lanes.length)));
  const height =
    roomsBelow(people, narrow) + lanes.length * lane + 10 + levels.length * heightOfVessel(narrow);
  return (
    <div ref={box} className="min-w-0">
      {width > 0 && (
        <div className="relative">
          <svg
            ref={svg}
            width={width}
            height={height}
            className="block touch-pan-y"
            role="img"
            aria-label={TITLE}
          >
            <Drawing {...drawn} axis={axis} height={height} lane={lane} narrow={narrow} />
          </svg>
          {children(axis, height)}
        </div>
      )}
      <div className="mt-1 flex items-center gap-1 print:hidden">
        <button
          type="button"
          aria-label="Zoom in"
          onClick={() => widen(1)}
          className="grid size-12 shrink-0 place-items-center text-accent"
        >
          <ZoomIn aria-hidden size={20} />
        </button>
        <button
          type="button"
          aria-label="Zoom out"
          disabled={!widened}
          onClick={() => widen(-1)}
          className="grid size-12 shrink-0 place-items-center text-accent disabled:opacity-35"
        >
          <ZoomOut aria-hidden size={20} />
        </button>
        <p className="text-sm text-soft">
          <span className="mr-1 inline-block h-2 w-5 bg-[repeating-linear-gradient(45deg,var(--caution)_0_2px,var(--caution-wash)_2px_4px)]" />
          dwell limit · <span className="font-mono">|</span> touch-dry (OK in socks) · ○ dry
        </p>
      </div>
    </div>
  );
}

const TITLE =
  "Run sheet: who does what and when, each room from spray to dry, and the level in each sprayer and tank. The step list has the same times.";
const roomsBelow = (people: number, narrow: boolean) => TOP + 4 + heightOfPeople(people, narrow) + 8;

interface DrawingProps extends Props {
  readonly axis: Axis;
  readonly height: number;
  readonly lane: number;
  readonly narrow: boolean;
}

/** Drawn anew when the run or the hours in sight change, not when the marker moves over it. */
const Drawing = memo(function Drawing({
  run,
  lanes,
  levels,
  start,
  people,
  names,
  vesselName,
  pinned,
  onStep,
  axis,
  height,
  lane,
  narrow,
}: DrawingProps) {
  const { clock } = useTimes();
  const units = useUnits();
  const late = useMemo(() => new Set(run.overdueSections), [run.overdueSections]);
  const roomName = (id: string) => lanes.find(({ room }) => room.id === id)?.room.name ?? "";
  const roomsTop = roomsBelow(people, narrow);
  const vesselsTop = roomsTop + lanes.length * lane + 10;
  const { left, right } = axis;
  const edge = axis.x(timeAt(start, run.makespan / 3600));
  return (
    <>
      <defs>
        <clipPath id="run-hours">
          <rect x={left} y={0} width={right - left + 40} height={height} />
        </clipPath>
        <pattern
          id="run-hatch"
          width={6}
          height={6}
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width={6} height={6} fill="var(--caution-wash)" />
          <line x1={0} y1={0} x2={0} y2={6} stroke="var(--caution)" strokeWidth={3} />
        </pattern>
      </defs>
      {axis.ticks.map((tick) => (
        <g key={tick} transform={`translate(${axis.x(tick)},0)`}>
          <line y1={24} y2={height} stroke="var(--rule)" />
          <text y={17} textAnchor="middle" className="fill-soft font-mono text-[13px]">
            {clock(tick)}
          </text>
        </g>
      ))}
      {edge < right - 150 && (
        <text x={edge + 10} y={TOP + 24} className="fill-soft text-[13px]">
          {narrow ? "drying" : "drying (compressed scale)"}
        </text>
      )}
      <PeopleRows
        steps={run.steps}
        people={people}
        names={names}
        roomName={roomName}
        start={start}
        axis={axis}
        y={TOP + 4}
        narrow={narrow}
        pinned={pinned}
        onStep={onStep}
      />
      {lanes.map((each, i) => (
        <RoomLane
          key={each.room.id}
          lane={each}
          start={start}
          axis={axis}
          y={roomsTop + i * lane}
          height={lane}
          narrow={narrow}
          facts={`${units.area(each.room.area)} ${(isHardFloor(each.room.covering) ? COVERING_NAMES[each.room.covering] : FIBRE_NAMES[each.room.fibre]).toLowerCase()}`}
          late={late}
        />
      ))}
      {levels.map((level, i) => (
        <VesselRow
          key={level.id}
          level={level}
          name={levelName(level, vesselName)}
          facts={formatAmount(units.volume(level.capacity))}
          start={start}
          finish={run.makespan}
          axis={axis}
          y={vesselsTop + i * heightOfVessel(narrow)}
          narrow={narrow}
        />
      ))}
    </>
  );
});

/** What a vessel of the run is called. */
export const levelName = ({ kind, id }: VesselLevel, vesselName: (id: string) => string): string =>
  kind === "sprayer" ? vesselName(id) : kind === "solution" ? "Solution" : "Recovery";

/** Of all vessels, what stands in each at a second. */
export const levelsAt = (levels: readonly VesselLevel[], second: number) =>
  levels.map((level) => ({ level, volume: levelAt(level, second) }));
