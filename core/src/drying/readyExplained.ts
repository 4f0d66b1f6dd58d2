import { dewPoint } from "../air/index.ts";
import { type Explanation, explain, figure } from "../explain/index.ts";
import { itemAt } from "../itemAt.ts";
import { airSpeedIn, STILL_ROOM_SPEED } from "./airSpeed.ts";
import type { Building } from "./building.ts";
import { DRYING_LIMITS } from "./limits.ts";
import { criticalWater } from "./pile.ts";
import { readyLevels } from "./ready.ts";
import { simulateDrying } from "./simulate.ts";

/** Rooms as they dry, each with what nobody has said of it. */
interface DriedWork {
  readonly building: Building;
  readonly rooms: readonly { readonly assumed: readonly string[] }[];
}

/** Hours from finishing a room until it is touch-dry or dry, and what they hang on. */
export function explainReady(
  work: DriedWork,
  index: number,
  which: "touchDryHours" | "dryHours",
): Explanation {
  const room = itemAt(work.building.rooms, index);
  const assumed = (field: string) => work.rooms[index]?.assumed.includes(field) ?? false;
  const { weather } = work.building;
  const outdoor = work.building.outdoor ?? weather?.[0] ?? room;
  const { equilibrium } = readyLevels(room);
  const { airMoversFrom, finishedAt = 0 } = room;
  const speed = airSpeedIn(room, room);
  const isSwitched = work.building.changes?.some((change) => change.room === index) ?? false;
  return explain({
    name: which === "dryHours" ? "dry after" : "touch-dry after",
    kind: "hours",
    formula:
      "dm/dt = −N, N = (a_w ρ_sat(T_s) − ρ_air) ⁄ (1/h_m + R), with the room’s own air and heat; " +
      (which === "dryHours"
        ? "until 0.010 kg/m² is left above the fibre’s equilibrium at ten points more humidity than the room had, at least 65 %"
        : "until half of the water that wets the tips is left above the fibre’s equilibrium at ten points more humidity than the room had, at least 65 %"),
    source: "drying",
    inputs: {
      residual: figure("residual", room.residual, "massPerArea"),
      rate: figure("drying rate against the plan", room.rateFactor ?? 1, "share"),
      airSpeed: figure("air speed at the floor", speed, "speed"),
      exchange: figure(
        "air changes per hour with outdoors",
        room.outdoorAirChangesPerHour,
        "count",
        assumed("windows"),
      ),
      temperature: figure("room temperature", room.temperature, "temperature", assumed("air")),
      humidity: figure("room humidity", room.relativeHumidity, "share", assumed("air")),
      outdoorHumidity: figure("outdoor humidity", outdoor.relativeHumidity, "share"),
      outdoorTemperature: figure("outdoor temperature", outdoor.temperature, "temperature"),
      pile: figure("pile height", room.pileHeight, "length", assumed("pileHeight")),
      faceWeight: figure("face weight", room.faceWeight, "massPerArea", assumed("faceWeight")),
    },
    compute: (x) => {
      const airSpeed = Math.min(DRYING_LIMITS.airSpeed[1], x.airSpeed);
      // Air movers placed later count from then only where no speed is put in their place.
      const keepsMovers = isSwitched && x.airSpeed === speed;
      const rooms = work.building.rooms.map((each, i) =>
        i === index
          ? {
              ...each,
              residual: x.residual,
              ...(keepsMovers
                ? {}
                : { airSpeed: airMoversFrom === undefined ? airSpeed : (each.airSpeed ?? STILL_ROOM_SPEED) }),
              rateFactor: x.rate,
              outdoorAirChangesPerHour: x.exchange,
              temperature: x.temperature,
              ...(each.climate?.mode === "heated"
                ? { climate: { ...each.climate, setpoint: x.temperature } }
                : {}),
              relativeHumidity: Math.min(1, x.humidity),
              pileHeight: x.pile,
              faceWeight: x.faceWeight,
            }
          : each,
      );
      const building: Building = {
        ...work.building,
        rooms,
        ...(airMoversFrom === undefined || keepsMovers
          ? {}
          : { changes: [...(work.building.changes ?? []), { hours: airMoversFrom, room: index, airSpeed }] }),
        ...(weather
          ? {}
          : {
              outdoor: {
                temperature: x.outdoorTemperature,
                relativeHumidity: Math.min(1, x.outdoorHumidity),
              },
            }),
      };
      return simulateDrying(building).rooms[index]?.[which] ?? Number.NaN;
    },
    steps: () => {
      const dried = simulateDrying(work.building).rooms[index];
      return [
        figure(
          "dew point of the room’s air",
          dewPoint(room.temperature, room.relativeHumidity),
          "temperature",
        ),
        ...(airMoversFrom === undefined
          ? []
          : [figure("time until the air movers are switched on", airMoversFrom - finishedAt, "hours")]),
        figure("dew point outdoors", dewPoint(outdoor.temperature, outdoor.relativeHumidity), "temperature"),
        figure("lowest temperature of the room", dried?.lowestTemperature ?? Number.NaN, "temperature"),
        figure("equilibrium water of the fibre", equilibrium, "massPerArea"),
        figure("tips dry below, free water", criticalWater(room.pileHeight), "massPerArea"),
        figure("loss at first, per hour", dried?.initialFlux ?? Number.NaN, "massPerArea"),
      ];
    },
  });
}
