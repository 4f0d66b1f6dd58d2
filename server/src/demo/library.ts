import type { Job, Room } from "@scutch/contract";
import {
  AIR_MOVER,
  clock,
  type DemoJob,
  door,
  dyeTested,
  firstFill,
  happened,
  ML,
  room,
  spot,
  startedAgo,
} from "./build.ts";
import { demoId } from "./demoId.ts";
import { PRODUCTS, SITES } from "./shelf.ts";
import { VESSELS } from "./van.ts";

/** Part done: two of five rooms finished, the fans placed. */
export function library(now: Date): DemoJob {
  const { start, ...when } = clock(startedAgo(now, 1.6));
  const list = [
    room("Reading room A", 7.2, 6.4, {
      covering: "carpet-tile",
      fibre: "nylon",
      carpet: "Moss tiles",
      soil: 3,
      airMovers: [AIR_MOVER],
    }),
    room("Reading room B", 5.6, 5.5, {
      covering: "carpet-tile",
      fibre: "nylon",
      carpet: "Moss tiles",
      soil: 4,
      airMovers: [AIR_MOVER],
    }),
    room("Children’s corner", 4.4, 3.5, {
      covering: "cut-pile",
      fibre: "polyester",
      identifiedBy: "label",
      carpet: "Slate cut pile",
      soil: 4,
      soilNature: "greasy",
      padAfter: true,
      parts: [{ kind: "fixed-unit", width: 1.8, depth: 0.4, wall: "top" }],
    }),
    room("Study", 4, 3, { covering: "cut-pile", fibre: "polyester", carpet: "Slate cut pile", soil: 2 }),
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
