import { type Explanation, explain, figure } from "../explain/index.ts";
import { airSpeedFromMovers } from "./airSpeed.ts";
import type { AirMover } from "./building.ts";

interface BlownRoom {
  readonly area: number;
  readonly height: number;
  readonly airSpeed: number;
  readonly airSpeedMeasured: boolean;
  readonly assumed: readonly string[];
}

/** Air speed at the floor from the fans in a room. */
export function explainAirSpeed(room: BlownRoom, movers: readonly AirMover[]): Explanation {
  const momentum = movers.reduce((sum, mover) => sum + mover.flow * mover.jetSpeed, 0);
  return explain({
    name: "air speed at the floor",
    kind: "speed",
    formula: room.airSpeedMeasured
      ? "as measured"
      : "v² = 0.1² + 2 Σ(flow × jet speed) ⁄ (0.05 × floor, ceiling and walls)",
    source: room.airSpeedMeasured ? "survey" : "air-movers",
    inputs: {
      momentum: figure("flow × jet speed, all air movers, m⁴/s²", momentum, "count"),
      area: figure("area", room.area, "area"),
      height: figure("ceiling", room.height, "length", room.assumed.includes("height")),
    },
    compute: (x) =>
      room.airSpeedMeasured
        ? room.airSpeed
        : airSpeedFromMovers([{ flow: x.momentum, jetSpeed: 1 }], x.area, x.height),
  });
}
