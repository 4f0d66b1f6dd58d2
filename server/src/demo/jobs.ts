import {
  type Door,
  type Job,
  jobInput,
  type LogEntry,
  type Product,
  type Room,
  type Spot,
} from "@scutch/contract";
import { planWork } from "@scutch/core/plan";
import { demoId } from "./demoId.ts";
import { PRODUCTS, SITES } from "./shelf.ts";
import { GEAR, VESSELS } from "./van.ts";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const ML = 1e-6;
const AIR_MOVER = { flow: 0.9, jetSpeed: 8 };

let rooms = 0;
function room(name: string, length: number, width: number, more: Partial<Room> = {}): Room {
  rooms++;
  return { id: demoId("room", rooms), name, shape: { kind: "rectangle", length, width }, ...more };
}

let doorCount = 0;
/** A door between two rooms, or out. */
function door(from: Room, to?: Room, more: Partial<Door> = {}): Door {
  doorCount++;
  return { id: demoId("door", doorCount), from: from.id, ...(to ? { to: to.id } : {}), ...more };
}

let spotCount = 0;
function spot(
  inRoom: Room,
  x: number,
  y: number,
  across: number,
  more: Pick<Spot, "origin"> & Partial<Spot>,
): Spot {
  spotCount++;
  return {
    id: demoId("spot", spotCount),
    roomId: inRoom.id,
    x,
    y,
    across,
    known: "told",
    nature: "not-sure",
    age: "old",
    ...more,
  };
}

const two = (n: number) => String(n).padStart(2, "0");
/** Local day and clock of a moment, to five minutes: what a technician would have written down. */
function clock(at: Date): { readonly day: string; readonly startsAt: string; readonly start: number } {
  const start = Math.floor(at.getTime() / (5 * MINUTE)) * 5 * MINUTE;
  const local = new Date(start);
  return {
    day: `${local.getFullYear()}-${two(local.getMonth() + 1)}-${two(local.getDate())}`,
    startsAt: `${two(local.getHours())}:${two(local.getMinutes())}`,
    start,
  };
}

export interface DemoJob {
  readonly job: Job;
  readonly log: readonly LogEntry[];
}

type Happened = LogEntry extends infer E ? (E extends LogEntry ? Omit<E, "id" | "at"> : never) : never;
let entries = 0;
/** An entry some minutes after the job's start. */
function happened(start: number, minutes: number, entry: Happened): LogEntry {
  entries++;
  return {
    ...entry,
    id: demoId("entry", entries),
    at: new Date(start + minutes * MINUTE).toISOString(),
  } as LogEntry;
}

/** A white cloth pressed in a hidden place of a room, and no colour on it. */
function dyeTested(
  start: number,
  minutes: number,
  by: string,
  where: Room,
  product: Product,
  place: string,
): LogEntry {
  return happened(start, minutes, {
    kind: "dye-test",
    by,
    roomId: where.id,
    productId: product.id,
    place,
    pressed: 30,
    result: "no-colour",
  });
}

/** The first fill of a job's first batch, made as planned. */
function firstFill(job: Job, start: number, minutes: number, by: string): LogEntry {
  const [batch] = job.batches;
  const { batches } = planWork(
    jobInput(job, { products: Object.values(PRODUCTS), vessels: Object.values(VESSELS) }),
  );
  const planned = batches[0]?.batch;
  if (!batch || planned?.outcome !== "planned" || !planned.fills[0])
    throw new Error(`${job.title} has no first fill`);
  const { water, concentrate, powder } = planned.fills[0];
  return happened(start, minutes, {
    kind: "fill-made",
    by,
    batchId: batch.id,
    productId: batch.productId,
    fill: 1,
    water,
    concentrate,
    ...(powder ? { powder: powder.mass } : {}),
  });
}

/** Part done: two of five rooms finished, the fans placed. */
function library(now: Date): DemoJob {
  const { start, ...when } = clock(new Date(now.getTime() - 1.6 * HOUR));
  const list = [
    room("Reading room A", 7.2, 6.4, {
      covering: "carpet-tile",
      fibre: "nylon",
      soil: 3,
      airMovers: [AIR_MOVER],
    }),
    room("Reading room B", 5.6, 5.5, {
      covering: "carpet-tile",
      fibre: "nylon",
      soil: 4,
      airMovers: [AIR_MOVER],
    }),
    room("Children’s corner", 4.4, 3.5, {
      covering: "cut-pile",
      fibre: "polyester",
      identifiedBy: "label",
      soil: 4,
      soilNature: "greasy",
      padAfter: true,
      parts: [{ kind: "fixed-unit", width: 1.8, depth: 0.4, wall: "top" }],
    }),
    room("Study", 4, 3, { covering: "cut-pile", fibre: "polyester", soil: 2 }),
    {
      ...room("Foyer", 3, 3, { covering: "loop-pile", fibre: "nylon", soil: 5, padAfter: true }),
      shape: { kind: "l-shape" as const, main: { length: 5, width: 2.4 }, wing: { length: 2.2, width: 1.5 } },
    },
  ];
  const batchId = demoId("batch", 1);
  const [a, b, corner, study, foyer] = list as [Room, Room, Room, Room, Room];
  const job: Job = {
    id: demoId("job", 1),
    siteId: SITES.library.id,
    title: "Reading rooms and foyer",
    ...when,
    indoor: { temperature: 21, relativeHumidity: 0.48 },
    outdoor: { temperature: 12, relativeHumidity: 0.8 },
    interview: { lastCleaned: "one-to-three-years", detergentLeft: false, pets: false, urine: false },
    rooms: list,
    doors: [
      door(foyer, undefined, { wall: "bottom" }),
      door(foyer, b, { wall: "top" }),
      door(b, a),
      door(foyer, corner, { wall: "left" }),
      door(foyer, study, { wall: "right" }),
    ],
    spots: [
      spot(corner, 0.3, 0.6, 0.18, { origin: "red-drink", nature: "stain" }),
      spot(corner, 0.7, 0.45, 0.06, { origin: "gum-wax", nature: "spot", known: "guessed" }),
    ],
    batches: [{ id: batchId, productId: PRODUCTS.meadow.id, vesselId: VESSELS.pump.id, measure: 5 * ML }],
  };
  return {
    job,
    log: [
      happened(start, 2, {
        kind: "note",
        by: "Mira",
        text: "Key from the side desk. Tap in the staff kitchen, drain under it.",
      }),
      dyeTested(start, 5, "Mira", a, PRODUCTS.meadow, "Under the window seat"),
      dyeTested(start, 6, "Mira", corner, PRODUCTS.meadow, "Behind the bookcase"),
      dyeTested(start, 7, "Mira", foyer, PRODUCTS.meadow, "Under the door mat"),
      firstFill(job, start, 9, "Osei"),
      happened(start, 44, { kind: "room-finished", by: "Mira", roomId: a.id }),
      happened(start, 82, { kind: "room-finished", by: "Mira", roomId: b.id }),
      happened(start, 85, {
        kind: "reading",
        by: "Osei",
        roomId: a.id,
        place: "dry-standard",
        moisture: 0.07,
      }),
      happened(start, 86, { kind: "reading", by: "Osei", roomId: a.id, place: "carpet", moisture: 0.31 }),
    ],
  };
}

/** Drying now: every room finished, readings being taken. */
function flat(now: Date): DemoJob {
  const { start, ...when } = clock(new Date(now.getTime() - 5 * HOUR));
  const polyester = { covering: "cut-pile", fibre: "polyester", soil: 4 } as const;
  const list = [
    room("Back bedroom", 3.4, 2.9, { ...polyester, windows: "one-open" }),
    room("Front bedroom", 4.1, 3.2, { ...polyester, windows: "one-open", airMovers: [AIR_MOVER] }),
    room("Lounge", 5.2, 3.9, { ...polyester, soil: 5, windows: "one-open", airMovers: [AIR_MOVER] }),
    room("Hall", 4.6, 1.1, { ...polyester, windows: "one-open" }),
  ];
  const batchId = demoId("batch", 2);
  const [back, front, lounge, hall] = list as [Room, Room, Room, Room];
  const coffee = spot(lounge, 0.75, 0.2, 0.22, { origin: "coffee-tea" });
  const tried = (minutes: number, agent: "lift-off" | "water" | "neutral", result: "better" | "no-change") =>
    happened(start, minutes, {
      kind: "spot-attempt",
      by: "Osei",
      roomId: lounge.id,
      spotId: coffee.id,
      agent,
      ...(agent === "neutral" ? { productId: PRODUCTS.clover.id } : {}),
      stood: 60,
      result,
    });
  const reading = (minutes: number, place: Room, moisture: number) =>
    happened(start, minutes, { kind: "reading", by: "Osei", roomId: place.id, place: "carpet", moisture });
  const job: Job = {
    id: demoId("job", 2),
    siteId: SITES.flat.id,
    title: "Between tenants, whole flat",
    ...when,
    indoor: { temperature: 19, relativeHumidity: 0.55 },
    outdoor: { temperature: 9, relativeHumidity: 0.7 },
    interview: { lastCleaned: "longer", detergentLeft: true, occupancy: "move-out" },
    rig: {
      wandId: GEAR.wand.id,
      blowerId: GEAR.blower.id,
      hoseId: GEAR.hose.id,
      bends: 1,
      solutionId: VESSELS.solution.id,
      recoveryId: VESSELS.recovery.id,
    },
    rooms: list,
    doors: [
      door(hall, undefined, { wall: "right" }),
      door(hall, lounge, { wall: "top" }),
      door(hall, front, { wall: "bottom" }),
      door(hall, back, { wall: "left" }),
    ],
    spots: [coffee],
    batches: [{ id: batchId, productId: PRODUCTS.bramble.id, vesselId: VESSELS.pump.id, measure: 5 * ML }],
  };
  return {
    job,
    log: [
      happened(start, 3, {
        kind: "note",
        by: "Osei",
        text: "Empty, heating on low. Old coffee by the lounge window, told the agent it may stay.",
      }),
      dyeTested(start, 8, "Osei", lounge, PRODUCTS.bramble, "Inside the cupboard"),
      dyeTested(start, 9, "Osei", lounge, PRODUCTS.clover, "Inside the cupboard"),
      firstFill(job, start, 12, "Osei"),
      happened(start, 40, { kind: "room-finished", by: "Osei", roomId: back.id }),
      happened(start, 74, { kind: "room-finished", by: "Osei", roomId: front.id }),
      tried(118, "lift-off", "no-change"),
      tried(120, "water", "better"),
      tried(122, "water", "no-change"),
      happened(start, 126, { kind: "room-finished", by: "Osei", roomId: lounge.id }),
      happened(start, 140, { kind: "room-finished", by: "Osei", roomId: hall.id }),
      happened(start, 141, {
        kind: "reading",
        by: "Osei",
        roomId: lounge.id,
        place: "dry-standard",
        moisture: 0.08,
      }),
      reading(142, lounge, 0.42),
      reading(200, lounge, 0.29),
      reading(260, lounge, 0.21),
      reading(262, back, 0.16),
    ],
  };
}

/** Handed over: yesterday, a winter clinic with a ribbed entrance mat. */
function clinic(now: Date): DemoJob {
  const { start, ...when } = clock(new Date(now.getTime() - 27 * HOUR));
  const list = [
    room("Waiting room", 6.2, 4.4, {
      covering: "carpet-tile",
      fibre: "olefin",
      soil: 3,
      method: "low-moisture",
    }),
    room("Corridor", 9.5, 1.6, { covering: "carpet-tile", fibre: "olefin", soil: 4, method: "low-moisture" }),
    room("Entrance mat", 2.4, 1.8, {
      covering: "ribbed-mat",
      fibre: "nylon",
      soil: 5,
      method: "self-contained",
    }),
  ];
  const batchId = demoId("batch", 3);
  const [waiting, corridor, mat] = list as [Room, Room, Room];
  const job: Job = {
    id: demoId("job", 3),
    siteId: SITES.clinic.id,
    title: "Waiting room and entrance",
    ...when,
    indoor: { temperature: 22, relativeHumidity: 0.38 },
    outdoor: { temperature: -2, relativeHumidity: 0.85 },
    rooms: list,
    doors: [
      door(mat, undefined, { wall: "bottom" }),
      door(mat, corridor, { wall: "top" }),
      door(corridor, waiting, { wall: "top" }),
    ],
    spots: [spot(mat, 0.5, 0.7, 0.6, { origin: "ice-melt", nature: "spot", age: "fresh" })],
    batches: [{ id: batchId, productId: PRODUCTS.sedge.id, vesselId: VESSELS.battery.id, measure: 5 * ML }],
  };
  return {
    job,
    log: [
      dyeTested(start, 8, "Mira", waiting, PRODUCTS.sedge, "Behind the door"),
      dyeTested(start, 9, "Mira", mat, PRODUCTS.sedge, "Under the rim"),
      firstFill(job, start, 14, "Mira"),
      happened(start, 38, { kind: "room-finished", by: "Mira", roomId: waiting.id }),
      happened(start, 62, { kind: "room-finished", by: "Mira", roomId: corridor.id }),
      happened(start, 85, { kind: "room-finished", by: "Mira", roomId: mat.id }),
      happened(start, 90, {
        kind: "reading",
        by: "Mira",
        roomId: waiting.id,
        place: "dry-standard",
        moisture: 0.06,
      }),
      happened(start, 91, {
        kind: "reading",
        by: "Mira",
        roomId: waiting.id,
        place: "carpet",
        moisture: 0.08,
      }),
      happened(start, 96, {
        kind: "note",
        by: "Mira",
        text: "Handed over at the desk: wet floor sign stays by the mat until it is dry.",
      }),
    ],
  };
}

/** Planned for tomorrow: wool in the hall and on the stairs wants a mix of its own, and so does the tiled washroom. */
function guesthouse(now: Date): DemoJob {
  const tomorrow = new Date(now.getFullYear(), now.getMonth(), now.getDate() + 1, 9, 30);
  const { day, startsAt } = clock(tomorrow);
  const nylon = {
    id: demoId("batch", 4),
    productId: PRODUCTS.meadow.id,
    vesselId: VESSELS.pump.id,
    measure: 5 * ML,
  };
  const wool = {
    id: demoId("batch", 5),
    productId: PRODUCTS.teasel.id,
    vesselId: VESSELS.small.id,
    measure: 5 * ML,
  };
  const tile = {
    id: demoId("batch", 6),
    productId: PRODUCTS.thistle.id,
    vesselId: VESSELS.small.id,
    measure: 10 * ML,
  };
  const upstairs = { covering: "cut-pile", fibre: "nylon", soil: 3, batchId: nylon.id, level: 1 } as const;
  const woollen = {
    covering: "deep-pile",
    fibre: "wool",
    identifiedBy: "burn-test",
    batchId: wool.id,
  } as const;
  const sea = room("Room 3, sea side", 4.6, 3.8, upstairs);
  const second = room("Room 2", 3.9, 3.6, upstairs);
  const first = room("Room 1", 3.9, 3.4, upstairs);
  const landing = room("Landing", 4.4, 1.9, { ...woollen, soil: 3, padAfter: true, level: 1 });
  const hall = room("Hall", 6.2, 1.7, {
    ...woollen,
    soil: 4,
    padAfter: true,
    zones: { lane: { kind: "strip", width: 0.8 } },
  });
  const stairs: Room = {
    ...room("Stairs", 1, 1, { ...woollen, soil: 4 }),
    shape: { kind: "stairs", steps: 13, tread: 0.25, riser: 0.19, width: 0.95, runner: 0.7 },
  };
  const washroom = room("Washroom", 2.4, 1.8, { covering: "ceramic", soil: 3, batchId: tile.id });
  return {
    job: {
      id: demoId("job", 4),
      siteId: SITES.guesthouse.id,
      title: "Hall, stairs and three rooms",
      day,
      startsAt,
      indoor: { temperature: 20, relativeHumidity: 0.52 },
      outdoor: { temperature: 10, relativeHumidity: 0.75 },
      interview: { pets: true, occupancy: "lived-in" },
      rooms: [sea, second, first, landing, stairs, washroom, hall],
      doors: [
        door(hall, undefined, { wall: "left" }),
        door(hall, stairs, { wall: "top", offset: 4.8 }),
        door(stairs, landing, { wall: "top" }),
        door(landing, sea, { wall: "top" }),
        door(landing, second, { wall: "left" }),
        door(landing, first, { wall: "right" }),
        door(hall, washroom, { wall: "bottom" }),
      ],
      spots: [spot(hall, 0.4, 0.5, 0.12, { origin: "wine-fruit" })],
      batches: [nylon, wool, tile],
    },
    log: [],
  };
}

/** The jobs of the demo as they stand at `now`. */
export function demoJobs(now: Date): DemoJob[] {
  rooms = 0;
  entries = 0;
  doorCount = 0;
  spotCount = 0;
  return [library(now), flat(now), clinic(now), guesthouse(now)];
}
