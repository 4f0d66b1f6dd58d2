import type { Room, Spot } from "@scutch/contract";
import { boundingBox } from "@scutch/core/floor";
import { ORIGIN_SHORT } from "../../format/words.ts";
import { outlineAsDrawn } from "../../planning/floorPlan.ts";
import { Button } from "../../ui/Button.tsx";

interface Props {
  readonly room: Room;
  readonly spots: readonly Spot[];
  readonly onPut: (x: number, y: number) => void;
  readonly onOpen: (id: Spot["id"]) => void;
}

const share = (value: number, start: number, size: number) =>
  Math.min(1, Math.max(0, (value - start) / size));

/** One room to scale with its spots, to be tapped. */
export function RoomMap({ room, spots, onPut, onOpen }: Props) {
  const outline = outlineAsDrawn(room);
  const { left, top, width, height } = boundingBox(outline);
  const margin = Math.max(width, height) * 0.04;
  const letter = Math.max(width, height) * 0.055;
  const tapped = (event: React.MouseEvent<SVGSVGElement>) => {
    const matrix = event.currentTarget.getScreenCTM();
    if (!matrix) return;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    onPut(share(at.x, left, width), share(at.y, top, height));
  };
  return (
    <div>
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: without a pointer a spot is put by the button below */}
      <svg
        role="img"
        aria-label={`Plan of ${room.name}`}
        viewBox={`${left - margin} ${top - margin} ${width + 2 * margin} ${height + 2 * margin}`}
        className="max-h-64 w-full cursor-crosshair bg-ground"
        onClick={tapped}
      >
        <path
          d={`M${outline.map(({ x, y }) => `${x} ${y}`).join("L")}Z`}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth={letter / 8}
        />
        {spots.map((spot, i) => {
          const x = left + spot.x * width;
          const y = top + spot.y * height;
          return (
            // biome-ignore lint/a11y/noStaticElementInteractions: the list below opens it without a pointer
            <g
              key={spot.id}
              className="cursor-pointer"
              onClick={(event) => {
                event.stopPropagation();
                onOpen(spot.id);
              }}
            >
              <title>{ORIGIN_SHORT[spot.origin]}</title>
              <ellipse
                cx={x}
                cy={y}
                rx={Math.max(letter * 0.75, spot.across / 2)}
                ry={Math.max(letter * 0.75, (spot.long ?? spot.across) / 2)}
                fill="var(--caution-wash)"
                stroke="var(--caution)"
                strokeWidth={letter / 7}
              />
              <text
                x={x}
                y={y + letter * 0.33}
                textAnchor="middle"
                fontSize={letter}
                fontWeight={700}
                fill="var(--caution-ink)"
              >
                {String.fromCharCode(65 + (i % 26))}
              </text>
            </g>
          );
        })}
      </svg>
      <Button weight="quiet" onClick={() => onPut(0.5, 0.5)}>
        + Add spot in the middle
      </Button>
    </div>
  );
}
