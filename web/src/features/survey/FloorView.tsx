import type { RoomId } from "@scutch/contract";
import { itemAt } from "@scutch/core";
import type { Floor, PlacedDoor, Point } from "@scutch/core/floor";
import { boundingBox } from "@scutch/core/floor";
import { useId } from "react";
import { ORIGIN_SHORT } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { outlineAsDrawn } from "../../planning/floorPlan.ts";
import { useUnits } from "../../state/useUnits.ts";

interface Props {
  readonly desk: JobDesk;
  readonly floor: Floor;
  readonly level: number;
  readonly selected: string | undefined;
  readonly onSelect: (roomId: RoomId) => void;
}

/** m of plain ground round the rooms, for the ways out. */
const MARGIN = 1;
const DOOR = 0.8;
const path = (points: readonly Point[]) => `M${points.map(({ x, y }) => `${x} ${y}`).join("L")}Z`;

/** One level of the floor to scale, from typed sizes: rooms numbered in walk-out order, doors, spots. The list beside it is its table. */
export function FloorView({ desk: { job, work }, floor, level, selected, onSelect }: Props) {
  const units = useUnits();
  const title = useId();
  const rooms = floor.rooms.filter((room) => room.level === level);
  if (rooms.length === 0) return null;
  const { left, top, width, height } = boundingBox(rooms.flatMap(({ outline }) => outline));
  const view = [left - MARGIN, top - MARGIN, width + 2 * MARGIN, height + 2 * MARGIN];
  // Letters are drawn in metres: a share of the plan, so that they are the same size on every screen.
  const letter = Math.max(0.28, Math.min(0.62, Math.max(itemAt(view, 2), itemAt(view, 3) * 1.6) / 24));
  const over = new Set(floor.overlaps.flatMap((overlap) => overlap.rooms));
  const order = work.rooms.filter((room) => !room.passage).map(({ id }) => id);
  return (
    // biome-ignore lint/a11y/useSemanticElements: a picture whose rooms can be pressed
    <svg viewBox={view.join(" ")} className="max-h-[21rem] w-full" role="group" aria-labelledby={title}>
      <title id={title}>Floor, to scale</title>
      {rooms.map((placed) => {
        const room = job.rooms.find(({ id }) => id === placed.id);
        const known = work.rooms.find(({ id }) => id === placed.id);
        if (!room || !known) return null;
        const number = order.indexOf(room.id) + 1;
        const chosen = selected === room.id;
        const box = boundingBox(placed.outline);
        const fill = chosen ? "var(--wash)" : room.passage ? "transparent" : "var(--paper)";
        const roomy = box.width > letter * 5 && box.height > letter * 2.2;
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button can't be drawn inside a picture
          <g
            key={room.id}
            role="button"
            tabIndex={0}
            aria-pressed={chosen}
            aria-label={`${number > 0 ? `${number} ` : ""}${room.name}, ${units.area(known.area)}`}
            className="cursor-pointer"
            onClick={() => onSelect(room.id)}
            onKeyDown={(event) => (event.key === "Enter" || event.key === " ") && onSelect(room.id)}
          >
            <path
              d={path(placed.outline)}
              fill={fill}
              stroke={over.has(room.id) ? "var(--stop)" : chosen ? "var(--accent)" : "var(--ink)"}
              strokeWidth={chosen || over.has(room.id) ? 0.1 : 0.06}
              strokeDasharray={room.passage || room.shape.kind === "area" ? "0.2 0.14" : undefined}
              strokeLinejoin="miter"
            />
            {room.shape.kind === "stairs" && (
              <Treads outline={placed.outline} steps={room.shape.steps} turned={room.turned} />
            )}
            <text
              x={placed.centre.x}
              y={placed.centre.y + (roomy ? -letter * 0.1 : letter * 0.35)}
              textAnchor="middle"
              fontSize={letter * 1.25}
              fontWeight={700}
              fill="var(--ink)"
              className="font-mono"
            >
              {number > 0 ? number : "–"}
            </text>
            {roomy && (
              <text
                x={placed.centre.x}
                y={placed.centre.y + letter * 1}
                textAnchor="middle"
                fontSize={letter * 0.8}
                fill="var(--soft)"
              >
                {shortened(room.name, Math.floor(box.width / (letter * 0.45)))}
              </text>
            )}
          </g>
        );
      })}
      {floor.doors
        .filter((door) => door.level === level)
        .map((door) => (
          <DoorMark key={door.id} door={door} letter={letter} />
        ))}
      {(job.spots ?? []).map((spot) => {
        const room = job.rooms.find(({ id }) => id === spot.roomId);
        const placed = rooms.find(({ id }) => id === spot.roomId);
        if (!room || !placed) return null;
        const own = boundingBox(outlineAsDrawn(room));
        const at = {
          x: placed.at.x + own.left + spot.x * own.width,
          y: placed.at.y + own.top + spot.y * own.height,
        };
        return (
          <ellipse
            key={spot.id}
            cx={at.x}
            cy={at.y}
            rx={Math.max(letter * 0.28, spot.across / 2)}
            ry={Math.max(letter * 0.28, (spot.long ?? spot.across) / 2)}
            fill="var(--caution)"
            stroke="var(--ground)"
            strokeWidth={0.04}
          >
            <title>{ORIGIN_SHORT[spot.origin]}</title>
          </ellipse>
        );
      })}
    </svg>
  );
}

/** Where "out" stands beside a way out, so that it is outside: share of a letter across and down, and the end it is set from. */
const OUT_TEXT = {
  top: { across: 0, down: -0.5, anchor: "middle" },
  right: { across: 0.45, down: 0.3, anchor: "start" },
  bottom: { across: 0, down: 1.1, anchor: "middle" },
  left: { across: -0.45, down: 0.3, anchor: "end" },
} as const;

/** A gap in the wall; a way out is filled, and says so. */
function DoorMark({
  door: { at, wall, exit },
  letter,
}: {
  readonly door: PlacedDoor;
  readonly letter: number;
}) {
  const across = wall === "top" || wall === "bottom";
  const { across: right, down, anchor } = OUT_TEXT[wall];
  return (
    <g>
      <path
        d={across ? `M${at.x - DOOR / 2} ${at.y}h${DOOR}` : `M${at.x} ${at.y - DOOR / 2}v${DOOR}`}
        stroke={exit ? "var(--accent)" : "var(--ground)"}
        strokeWidth={exit ? 0.16 : 0.22}
      />
      {exit && (
        <text
          x={at.x + right * letter}
          y={at.y + down * letter}
          textAnchor={anchor}
          fontSize={letter * 0.75}
          fontWeight={700}
          fill="var(--accent)"
        >
          exit
        </text>
      )}
    </g>
  );
}

const shortened = (name: string, letters: number) =>
  name.length <= letters ? name : letters < 4 ? "" : `${name.slice(0, letters - 1)}…`;

/** The nose of every step. */
function Treads({
  outline,
  steps,
  turned,
}: {
  readonly outline: readonly Point[];
  readonly steps: number;
  readonly turned?: boolean | undefined;
}) {
  const { left, top, width, height } = boundingBox(outline);
  const lines = Array.from({ length: steps - 1 }, (_, i) => (i + 1) / steps);
  return (
    <path
      d={lines
        .map((share) =>
          turned ? `M${left + share * width} ${top}v${height}` : `M${left} ${top + share * height}h${width}`,
        )
        .join("")}
      stroke="var(--rule)"
      strokeWidth={0.03}
      fill="none"
    />
  );
}
