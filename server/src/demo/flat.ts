import type { Job, Room } from "@scutch/contract";
import {
  AIR_MOVER,
  clock,
  type DemoJob,
  door,
  dyeTested,
  firstFill,
  HOUR,
  happened,
  ML,
  room,
  spot,
  startedAgo,
} from "./build.ts";
import { demoId } from "./demoId.ts";
import { PRODUCTS, SITES } from "./shelf.ts";
import { GEAR, VESSELS } from "./van.ts";

/** Drying now: every room finished, readings being taken. */
export function flat(now: Date): DemoJob {
  const { start, ...when } = clock(startedAgo(now, 5));
  // Begun the afternoon before it was left shut over night: it is still drying in the morning.
  const overnight = now.getTime() - start > 9 * HOUR;
  const windows = overnight ? "shut" : "one-open";
  const movers = overnight ? {} : { airMovers: [AIR_MOVER] };
  const polyester = {
    covering: "cut-pile",
    fibre: "polyester",
    carpet: "Sand cut pile",
    heating: true,
    soil: 4,
    windows,
  } as const;
  const list = [
    room("Back bedroom", 3.4, 2.9, polyester),
    room("Front bedroom", 4.1, 3.2, { ...polyester, ...movers }),
    room("Lounge", 5.2, 3.9, { ...polyester, ...movers, soil: 5 }),
    room("Hall", 4.6, 1.1, polyester),
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
    indoor: overnight
      ? { temperature: 17, relativeHumidity: 0.65 }
      : { temperature: 19, relativeHumidity: 0.55 },
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
