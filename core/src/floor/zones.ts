import { requireInRange } from "../guard.ts";

/** Part of a room's carpet: a share of it, or a strip so wide; m. */
export type ZoneSize =
  | { readonly kind: "share"; readonly share: number }
  | { readonly kind: "strip"; readonly width: number; readonly length?: number };

/** Where people walk, and what runs along the walls; the rest is field. */
export interface Zones {
  readonly lane?: ZoneSize;
  readonly edge?: ZoneSize;
}

export const ZONE_KINDS = ["lane", "field", "edge"] as const;
export type ZoneKind = (typeof ZONE_KINDS)[number];

export type ZoneAreas = Readonly<Record<ZoneKind, number>>;

interface Floor {
  /** m². */
  readonly area: number;
  /** m of edge, and the longest way through, which a lane takes where its length isn't said. */
  readonly edge: number;
  readonly longest: number;
}

/**
 * m² of each zone. A lane is laid first, an edge strip takes what it can of the rest, and the field is what remains:
 * together always the whole floor. Throws OutOfRange for a share outside 0…1 or a strip without width.
 */
export function zoneAreas({ lane, edge }: Zones, floor: Floor): ZoneAreas {
  const sizeOf = (zone: ZoneSize | undefined, usualLength: number): number => {
    if (zone === undefined) return 0;
    if (zone.kind === "share") return requireInRange("share of the room", zone.share, 0, 1) * floor.area;
    return requireInRange("width of a strip (m)", zone.width, 0.01, 20) * (zone.length ?? usualLength);
  };
  const laneArea = Math.min(floor.area, sizeOf(lane, floor.longest));
  const edgeArea = Math.min(floor.area - laneArea, sizeOf(edge, floor.edge));
  return { lane: laneArea, edge: edgeArea, field: Math.max(0, floor.area - laneArea - edgeArea) };
}
