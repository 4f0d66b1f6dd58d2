import type { Job, Room } from "@scutch/contract";
import {
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

/** Handed over: yesterday, a winter clinic with a ribbed entrance mat. */
export function clinic(now: Date): DemoJob {
  const { start, ...when } = clock(startedAgo(now, 27));
  const list = [
    room("Waiting room", 6.2, 4.4, {
      covering: "carpet-tile",
      fibre: "olefin",
      carpet: "Grey tiles",
      soil: 3,
      method: "low-moisture",
    }),
    room("Corridor", 9.5, 1.6, {
      covering: "carpet-tile",
      fibre: "olefin",
      carpet: "Grey tiles",
      soil: 4,
      method: "low-moisture",
    }),
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
