import { dewPoint } from "../air/index.ts";
import { nozzleFlow, waterBalance } from "../clean/index.ts";
import {
  type AirMover,
  airSpeedFromMovers,
  type Building,
  criticalWater,
  regain,
  simulateDrying,
} from "../drying/index.ts";
import { type Batch, type Fill, MIX_DENSITY, partsOf, type Vessel } from "../mix/index.ts";
import { STEP_KINDS, type StepKind } from "../run/index.ts";
import { explain, figure, type Working } from "../working/index.ts";
import type { AssumedField } from "./assume.ts";
import type { RoomPlan, WorkPlan } from "./work.ts";

type PlannedFills = Extract<Batch, { readonly outcome: "planned" }>;

/** Pre-spray one room takes. */
export function workingOfPreSpray(room: RoomPlan): Working {
  return explain({
    name: "pre-spray",
    kind: "volume",
    formula: `area × application rate; the rate ${room.chosenRate === undefined ? "by method, soil and pile" : "as chosen"}, lanes 1.3 times it, edges half`,
    source: "application-rates",
    inputs: {
      area: figure("area", room.area, "area"),
      pile: figure("pile height", room.pileHeight, "length", isAssumed(room, "pileHeight")),
    },
    compute: ({ area, pile }) =>
      room.batchId === undefined ? 0 : area * waterBalance({ ...room, pileHeight: pile }).applicationRate,
    steps: () => [
      figure("soil level", room.soil, "count", isAssumed(room, "soil")),
      figure("application rate", room.water.applicationRate, "applicationRate"),
      figure("lane", room.zones.lane, "area"),
      figure("field", room.zones.field, "area"),
      figure("edge", room.zones.edge, "area"),
    ],
  });
}

const isAssumed = (room: RoomPlan, field: AssumedField) => room.assumed.includes(field);

/** Water left in the pile when the room is finished. */
export function workingOfResidual(room: RoomPlan): Working {
  const { figures } = room;
  if (room.residualMeasured)
    return explain({
      name: "residual",
      kind: "massPerArea",
      formula: "(pre-spray + solution used − taken up) ⁄ area, as the tanks showed",
      source: "survey",
      inputs: { residual: figure("measured", room.residual, "massPerArea") },
      compute: ({ residual }) => residual,
    });
  return explain({
    name: "residual",
    kind: "massPerArea",
    formula:
      "pre-spray + rinse laid down; each stroke takes 0.5 √(airflow) of what lies above the pile’s hold, each pad side half of all",
    source: "pile-balance",
    inputs: { pile: figure("pile height", room.pileHeight, "length", isAssumed(room, "pileHeight")) },
    compute: ({ pile }) => waterBalance({ ...room, pileHeight: pile }).residual,
    steps: () => [
      figure(
        "wet strokes",
        figures.wetStrokes + (figures.wetStrokes > 0 ? room.extraWetStrokes : 0),
        "count",
      ),
      figure("dry strokes", figures.dryStrokes, "count"),
      figure("pad passes", figures.padPasses + (room.padAfter ? 1 : 0), "count"),
      figure("flow of the jets", nozzleFlow(figures.ratedJetFlow, figures.pressure) * 60, "volume"),
      figure("suction at the head over the reference", figures.relativeAirflow, "share"),
      figure("laid down", room.water.laidDown, "massPerArea"),
      figure("recovered", room.water.recoveredShare, "share"),
    ],
  });
}

/** Concentrate in one fill. */
export function workingOfConcentrate(fill: Fill, strength: number, measure: number): Working {
  return explain({
    name: "concentrate",
    kind: "smallVolume",
    formula:
      "V c ⁄ (1 + c), c = concentrate per water, then to the nearest mark of the measure inside the label’s range",
    source: "dilution",
    inputs: {
      volume: figure("finished mix, V", fill.volume, "volume"),
      strength: figure("strength wanted, c", strength, "strength"),
    },
    compute: (x) => partsOf(x.volume, x.strength).concentrate,
    steps: () => [
      figure("mark of the measure", measure, "smallVolume"),
      figure("measured", fill.concentrate, "smallVolume"),
      figure("water", fill.water, "volume"),
      figure("strength that results", fill.strength, "strength"),
    ],
  });
}

/** Water in one fill. */
export function workingOfWater(fill: Fill): Working {
  return explain({
    name: "water",
    kind: "volume",
    formula: "finished mix − the concentrate as measured",
    source: "dilution",
    inputs: {
      volume: figure("finished mix", fill.volume, "volume"),
      concentrate: figure("concentrate as measured", fill.concentrate, "smallVolume"),
    },
    compute: ({ volume, concentrate }) => volume - concentrate,
    steps: () =>
      fill.rooms.map(({ volume }, i) => figure(`into room ${i + 1} of this fill`, volume, "volume")),
  });
}

/** Hours from finishing a room until it is touch-dry or dry, and what they hang on. */
export function workingOfReady(work: WorkPlan, index: number, which: "touchDryHours" | "dryHours"): Working {
  const room = work.rooms[index] as RoomPlan;
  const { outdoor } = work.building;
  const atRest = room.faceWeight * regain(room.dryingFibre, room.air.relativeHumidity);
  return explain({
    name: which === "dryHours" ? "dry after" : "touch-dry after",
    kind: "hours",
    formula:
      "dm/dt = −N, N = (a_w ρ_sat(T_s) − ρ_air) ⁄ (1/h_m + R), with the room’s own air; " +
      (which === "dryHours"
        ? "until 0.010 kg/m² of free water is left"
        : "until half of what wets the tips is left"),
    source: "drying",
    inputs: {
      residual: figure("residual", room.residual, "massPerArea"),
      airSpeed: figure("air speed at the floor", room.airSpeed, "speed"),
      exchange: figure(
        "air changes an hour with outdoors",
        room.outdoorAirChangesPerHour,
        "count",
        isAssumed(room, "windows"),
      ),
      temperature: figure("room temperature", room.air.temperature, "temperature", isAssumed(room, "air")),
      humidity: figure("room humidity", room.air.relativeHumidity, "share", isAssumed(room, "air")),
      outdoorHumidity: figure("outdoor humidity", outdoor.relativeHumidity, "share"),
      outdoorTemperature: figure("outdoor temperature", outdoor.temperature, "temperature"),
      pile: figure("pile height", room.pileHeight, "length", isAssumed(room, "pileHeight")),
      faceWeight: figure("dry fibre", room.faceWeight, "massPerArea", isAssumed(room, "faceWeight")),
    },
    compute: (x) => {
      const rooms = work.building.rooms.map((each, i) =>
        i === index
          ? {
              ...each,
              residual: x.residual,
              airSpeed: Math.min(7, x.airSpeed),
              outdoorAirChangesPerHour: x.exchange,
              temperature: x.temperature,
              relativeHumidity: Math.min(1, x.humidity),
              pileHeight: x.pile,
              faceWeight: x.faceWeight,
            }
          : each,
      );
      const building: Building = {
        ...work.building,
        rooms,
        outdoor: { temperature: x.outdoorTemperature, relativeHumidity: Math.min(1, x.outdoorHumidity) },
      };
      return simulateDrying(building).rooms[index]?.[which] ?? Number.NaN;
    },
    steps: () => [
      figure(
        "dew point of the room’s air",
        dewPoint(room.air.temperature, room.air.relativeHumidity),
        "temperature",
      ),
      figure("dew point outdoors", dewPoint(outdoor.temperature, outdoor.relativeHumidity), "temperature"),
      figure("held by the fibre at rest", atRest, "massPerArea"),
      figure("tips dry below, free water", criticalWater(room.pileHeight), "massPerArea"),
      figure(
        "leaving at first, an hour",
        simulateDrying(work.building).rooms[index]?.initialFlux ?? Number.NaN,
        "massPerArea",
      ),
    ],
  });
}

const STEP_FIGURES: Readonly<Record<StepKind, string>> = {
  vacuum: "vacuum",
  edges: "edges",
  "pre-spray": "pre-spray",
  dwell: "dwell",
  clean: "clean",
  odour: "odour treatment",
};

/** When a room is finished, hours after the job's start. */
export function workingOfFinish(room: RoomPlan): Working {
  const steps = STEP_KINDS.flatMap((kind) => room.steps.find((each) => each.kind === kind) ?? []);
  return explain({
    name: room.finishLogged ? "finished, as logged" : "finished",
    kind: "hours",
    formula: room.finishLogged ? "as logged" : "the rooms before it, then its own steps one after another",
    source: "work-in-turn",
    inputs: {
      before: figure("rooms before it", room.steps[0]?.start ?? 0, "time"),
      ...Object.fromEntries(
        steps.map(({ kind, start, end }) => [kind, figure(STEP_FIGURES[kind], end - start, "time")]),
      ),
    } as Record<string, ReturnType<typeof figure>>,
    compute: (x) =>
      room.finishLogged ? room.finishedAt : Object.values(x).reduce((sum, each) => sum + each, 0) / 3600,
  });
}

/** What a batch leaves in the vessel. */
export function workingOfLeftOver(batch: PlannedFills, vessel: Vessel): Working {
  return explain({
    name: "left over",
    kind: "volume",
    formula: "made − needed: the heel the pump can’t draw, and rounding up to the vessel’s marks",
    source: "dilution",
    inputs: { made: figure("made", batch.made, "volume"), needed: figure("needed", batch.needed, "volume") },
    compute: ({ made, needed }) => made - needed,
    steps: () => [
      figure("heel", vessel.heel, "volume"),
      figure("mark of the vessel", vessel.graduation, "volume"),
    ],
  });
}

/** Air speed at the floor from the fans in a room. */
export function workingOfAirSpeed(room: RoomPlan, movers: readonly AirMover[]): Working {
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
      height: figure("ceiling", room.height, "length", isAssumed(room, "height")),
    },
    compute: (x) =>
      room.airSpeedMeasured
        ? room.airSpeed
        : airSpeedFromMovers([{ flow: x.momentum, jetSpeed: 1 }], x.area, x.height),
  });
}

/** All rooms' carpet. */
export function workingOfTotalArea(work: WorkPlan): Working {
  return explain({
    name: "carpet area",
    kind: "area",
    formula: "all rooms added",
    source: "survey",
    inputs: Object.fromEntries(
      work.rooms
        .filter((room) => !room.passage)
        .map((room) => [room.id, figure(room.name, room.area, "area")]),
    ),
    compute: (x) => Object.values(x).reduce((sum, area) => sum + area, 0),
  });
}

/** What a full fill weighs. */
export function workingOfMass(fill: Fill): Working {
  return explain({
    name: "to carry",
    kind: "mass",
    formula: "volume × 1 kg a litre, without the vessel",
    source: "dilution",
    inputs: { volume: figure("finished mix", fill.volume, "volume") },
    compute: ({ volume }) => volume * MIX_DENSITY,
  });
}

/** When the last room of a job is ready, hours after its start; `hours` from each room's finish, as dried. */
export function workingOfLastReady(work: WorkPlan, hours: readonly (number | null)[], name: string): Working {
  const ready = work.rooms.map((room, i) => room.finishedAt + (hours[i] ?? Number.NaN));
  return explain({
    name,
    kind: "hours",
    formula: "each room’s finish and its drying added; the last of them, counted from the job’s start",
    source: "drying",
    inputs: Object.fromEntries(
      work.rooms.map((room, i) => [room.id, figure(room.name, ready[i] as number, "hours")]),
    ),
    compute: (x) => Math.max(...Object.values(x)),
  });
}
