import type { Job } from "@scutch/contract";
import type { Point } from "@scutch/core/floor";
import { boundingBox } from "@scutch/core/floor";
import { type RunLane, sectionWetness } from "@scutch/core/run";
import { memo, useId, useMemo } from "react";
import { wetColour } from "../../format/wetness.ts";
import { outlinePath, placeLevels } from "../../planning/floorLevels.ts";

interface Props {
  readonly job: Job;
  readonly lanes: readonly RunLane[];
  readonly second: number;
}

const MARGIN = 0.6;

/** The floor at the hour looked at: every section numbered in the order cleaned, as wet as it is then. */
export const FloorNow = memo(function FloorNow({ job, lanes, second }: Props) {
  const id = useId();
  const placed = useMemo(() => placeLevels(job), [job]);
  if (placed.rooms.length === 0) return null;
  const { left, top, width, height } = placed.box;
  const letter = Math.max(0.3, Math.min(0.7, Math.max(width, height * 1.5) / 22));
  const order = lanes.flatMap(({ sections }) => sections).toSorted((a, b) => a.cleanStart - b.cleanStart);
  return (
    <svg
      viewBox={`${left - MARGIN} ${top - MARGIN} ${width + 2 * MARGIN} ${height + 2 * MARGIN}`}
      className="max-h-72 w-full"
      role="img"
      aria-labelledby={id}
    >
      <title id={id}>Floor at the time shown, sections numbered in order and shaded by wetness</title>
      {placed.rooms.map(({ id: roomId, outline, name, passage }, i) => {
        const lane = lanes.find(({ room }) => room.id === roomId);
        const box = boundingBox(outline);
        const down = box.height >= box.width;
        const flip = lane ? farEnd(placed.exits.get(roomId), box, down) : false;
        return (
          <g key={roomId}>
            <clipPath id={`${id}${i}`}>
              <path d={outlinePath(outline)} />
            </clipPath>
            <g clipPath={`url(#${id}${i})`}>
              {lane?.sections.map((section) => {
                const [from, to] = flip ? [1 - section.to, 1 - section.from] : [section.from, section.to];
                const band = down
                  ? {
                      x: box.left,
                      y: box.top + from * box.height,
                      width: box.width,
                      height: (to - from) * box.height,
                    }
                  : {
                      x: box.left + from * box.width,
                      y: box.top,
                      width: (to - from) * box.width,
                      height: box.height,
                    };
                const wet = sectionWetness(section, lane, second);
                return (
                  <g key={section.id}>
                    <rect
                      {...band}
                      fill={
                        wet > 0.005 ? wetColour(wet) : second >= section.cleanEnd ? "#E9E0CC" : "var(--paper)"
                      }
                      stroke="var(--ink)"
                      strokeWidth={0.02}
                      strokeDasharray="0.12 0.1"
                    />
                    <text
                      x={band.x + band.width / 2}
                      y={band.y + band.height / 2 + letter * 0.35}
                      textAnchor="middle"
                      fontSize={Math.min(letter, 0.9 * Math.min(band.height, band.width))}
                      fontWeight={700}
                      fill={wet > 0.55 ? "#fbf8f1" : "#20241f"}
                      className="font-mono"
                    >
                      {order.indexOf(section) + 1}
                    </text>
                  </g>
                );
              })}
            </g>
            <path
              d={outlinePath(outline)}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={0.06}
              strokeDasharray={passage ? "0.2 0.14" : undefined}
            />
            <title>{name}</title>
          </g>
        );
      })}
    </svg>
  );
});

/** Whether a room's way out is at its beginning (top or left): its sections then run the other way. */
function farEnd(door: Point | undefined, box: ReturnType<typeof boundingBox>, down: boolean): boolean {
  if (!door) return false;
  return down ? door.y < box.top + box.height / 2 : door.x < box.left + box.width / 2;
}
