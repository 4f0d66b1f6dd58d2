import type { Job, Room } from "@scutch/contract";
import { freeWaterAt, wetShare } from "@scutch/core/drying";
import { boundingBox, moverPlaces, type Point } from "@scutch/core/floor";
import { memo, useId, useMemo } from "react";
import { wetColour } from "../../format/wetness.ts";
import { outlinePath, placeLevels } from "../../planning/floorLevels.ts";
import { readyOfRoom } from "../../planning/ready.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { useTimes } from "../../state/useTimes.ts";

interface Props {
  readonly job: Job;
  readonly dried: DryingForecast;
  readonly start: number;
  /** Looked at, h after the start. */
  readonly hours: number;
  /** What stands in the rooms then, by their ids. */
  readonly rooms: ReadonlyMap<string, Room>;
  readonly selected: number;
  readonly onSelect: (roomId: string) => void;
}

const MARGIN = 0.4;
/** A letter of the hour is so much wider than one of a name. */
const LETTER_WIDER = 1.1;
/** A name in a narrow room runs over its walls rather than get smaller than this share. */
const SMALLEST = 0.6;
/** Darker than this the room’s name is written in light letters. */
const DARK = 0.5;

/** The floor at one hour: each room as wet as it is then, with when it can be walked on and the gear that stands in it. */
export const FloorWet = memo(function FloorWet({
  job,
  dried,
  start,
  hours,
  rooms,
  selected,
  onSelect,
}: Props) {
  const id = useId();
  const { about } = useTimes();
  const placed = useMemo(() => placeLevels(job), [job]);
  if (placed.rooms.length === 0) return null;
  const { left, top, width, height } = placed.box;
  const letter = Math.max(0.26, Math.min(0.5, Math.max(width, height * 1.5) / 26));
  const now = start + hours * 3_600_000;
  return (
    <svg
      viewBox={`${left - MARGIN} ${top - MARGIN} ${width + 2 * MARGIN} ${height + 2 * MARGIN}`}
      className="max-h-72 w-full"
      role="img"
      aria-labelledby={id}
    >
      <title id={id}>Floor at the time shown, shaded by wetness. The table has each room’s times.</title>
      {placed.rooms.map(({ id: roomId, outline, name, passage }) => {
        const place = dried.work.rooms.findIndex((room) => room.id === roomId);
        const plan = dried.work.rooms[place];
        const isWet = plan !== undefined && !passage && hours >= plan.finishedAtHours - 1e-6;
        const course = dried.result.rooms[place]?.course ?? [];
        const wet = isWet ? wetShare(freeWaterAt(course, hours), plan.residual) : 0;
        const box = boundingBox(outline);
        const touch = place < 0 || passage ? null : readyOfRoom(dried, place, start, "touchDry").likely;
        const ink = wet > DARK ? "#fbf8f1" : "#20241f";
        const words = touch !== null && touch <= now ? "touch-dry" : touch === null ? "" : about(touch, now);
        const x = box.left + 0.25;
        const longest = Math.max(name.length, LETTER_WIDER * words.length);
        const fitting = Math.min(letter, (1.7 * (box.width - 0.4)) / longest, box.height / 3.2);
        const size = Math.max(SMALLEST * letter, fitting);
        return (
          // biome-ignore lint/a11y/noStaticElementInteractions: a wider target for what the room picker and table also do
          <g key={roomId} onClick={() => onSelect(roomId)} className="cursor-pointer">
            <path
              d={outlinePath(outline)}
              fill={passage || !isWet ? "var(--paper)" : wetColour(wet)}
              stroke="var(--ink)"
              strokeWidth={place === selected ? 0.14 : 0.05}
              strokeDasharray={passage ? "0.2 0.14" : undefined}
            />
            <Gear outline={outline} room={rooms.get(roomId)} />
            <text
              x={x}
              y={box.top + box.height - 0.25 - size * 1.25}
              fontSize={size}
              fontWeight={700}
              fill={isWet ? ink : "var(--ink)"}
            >
              {name}
            </text>
            <text
              x={x}
              y={box.top + box.height - 0.25}
              fontSize={size}
              fill={isWet ? ink : "var(--soft)"}
              className="font-mono"
            >
              {isWet ? words : ""}
            </text>
          </g>
        );
      })}
    </svg>
  );
});

/** m: a machine as drawn. */
const MACHINE = 0.28;

/** Air movers where they stand best, with the way they blow, and dehumidifiers in the middle. */
function Gear({ outline, room }: { readonly outline: readonly Point[]; readonly room: Room | undefined }) {
  const movers = moverPlaces(outline, room?.airMovers?.length ?? 0);
  const box = boundingBox(outline);
  const hasDrier = (room?.dehumidifierLitresPerDay ?? 0) > 0;
  return (
    <>
      {movers.map(({ at, toward }) => {
        const [dx, dy] = [toward.x - at.x, toward.y - at.y];
        const length = Math.hypot(dx, dy) || 1;
        const side = { x: (-dy / length) * MACHINE, y: (dx / length) * MACHINE };
        return (
          <g key={`${at.x} ${at.y}`}>
            <path
              d={`M${at.x} ${at.y}L${toward.x + side.x} ${toward.y + side.y}L${toward.x - side.x} ${toward.y - side.y}Z`}
              fill="var(--paper)"
              opacity={0.45}
            />
            <circle
              cx={at.x}
              cy={at.y}
              r={MACHINE}
              fill="var(--paper)"
              stroke="var(--ink)"
              strokeWidth={0.06}
            />
            <path
              d={`M${at.x} ${at.y}l${(dx / length) * MACHINE} ${(dy / length) * MACHINE}`}
              stroke="var(--ink)"
              strokeWidth={0.08}
            />
          </g>
        );
      })}
      {hasDrier && (
        <g transform={`translate(${box.left + box.width / 2},${box.top + box.height / 2})`}>
          <rect
            x={-MACHINE}
            y={-MACHINE}
            width={2 * MACHINE}
            height={2 * MACHINE}
            rx={0.06}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth={0.06}
          />
          <path d="M0 -0.15C0.14 0.02 0.14 0.14 0 0.15C-0.14 0.14 -0.14 0.02 0 -0.15Z" fill="var(--ink)" />
        </g>
      )}
    </>
  );
}
