import type { Soil } from "../care/index.ts";
import { type Explanation, explain, figure } from "../explain/index.ts";

/**
 * m² a fresh side does before it only smears, least and most, by soil: 10–15 of ordinary soil, up to about 28 of light,
 * every few of caked (common practice).
 */
const AREA_PER_SIDE: Record<
  Soil,
  { readonly least: number; readonly likely: number; readonly most: number }
> = {
  1: { least: 20, likely: 28, most: 28 },
  2: { least: 15, likely: 20, most: 22 },
  3: { least: 10, likely: 12.5, most: 15 },
  4: { least: 6, likely: 7, most: 9 },
  5: { least: 3, likely: 4, most: 5 },
};
const SIDES = 2;

/** As people count: fewest and most. */
export interface PadCount {
  readonly fewest: number;
  readonly most: number;
}

export interface PadPlan {
  /** Fresh sides it likely takes, pads for them with both sides used, and times one is turned over or changed on the way. */
  readonly sides: number;
  readonly pads: number;
  readonly changes: number;
  /** Pads where each is used on one side, and where it is turned over. */
  readonly oneSide: PadCount;
  readonly bothSides: PadCount;
}

/** A room as far as pads go: m² and how dirty. */
export interface PaddedRoom {
  readonly area: number;
  readonly soil: Soil;
}

/** Sides used up, not rounded: a side half used goes on in the next room. */
const sidesUsed = (rooms: readonly PaddedRoom[], which: "least" | "likely" | "most", scale = 1) =>
  rooms.reduce((sum, { area, soil }) => sum + (area * scale) / AREA_PER_SIDE[soil][which], 0);

/** A started one counts when it is more than a sliver. */
const whole = (count: number) => Math.max(0, Math.ceil(count - 1e-9));

/** Pads for rooms of their own soil, counted over the whole job: a started side counts. */
export function padPlan(rooms: readonly PaddedRoom[]): PadPlan {
  const sides = whole(sidesUsed(rooms, "likely"));
  const oneSide = { fewest: whole(sidesUsed(rooms, "most")), most: whole(sidesUsed(rooms, "least")) };
  return {
    sides,
    pads: whole(sides / SIDES),
    changes: Math.max(0, sides - 1),
    oneSide,
    bothSides: { fewest: whole(oneSide.fewest / SIDES), most: whole(oneSide.most / SIDES) },
  };
}

/** Pads to bring, used on both sides: the most it may take. */
export function explainPads(rooms: readonly PaddedRoom[]): Explanation {
  const area = rooms.reduce((sum, room) => sum + room.area, 0);
  return explain({
    name: "pads, both sides used",
    kind: "count",
    formula:
      "each room’s area ⁄ area per fresh pad side at its soil level, summed; two sides a pad, rounded up",
    source: "pads",
    inputs: { area: figure("area done with pads", area, "area") },
    compute: (x) => whole(whole(sidesUsed(rooms, "least", x.area / area)) / SIDES),
    steps: () => [
      ...([1, 2, 3, 4, 5] as const).flatMap((soil) => {
        const own = rooms.filter((room) => room.soil === soil);
        return own.length === 0
          ? []
          : [
              figure(
                `of soil ${soil}`,
                own.reduce((sum, room) => sum + room.area, 0),
                "area",
              ),
              figure(`area per side at soil ${soil}, at least`, AREA_PER_SIDE[soil].least, "area"),
              figure(`area per side at soil ${soil}, at most`, AREA_PER_SIDE[soil].most, "area"),
            ];
      }),
      figure("sides, at least", sidesUsed(rooms, "most"), "count"),
      figure("sides, at most", sidesUsed(rooms, "least"), "count"),
    ],
  });
}
