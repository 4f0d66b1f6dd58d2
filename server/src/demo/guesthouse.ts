import type { Room } from "@scutch/contract";
import { clock, type DemoJob, door, ML, room, spot } from "./build.ts";
import { demoId } from "./demoId.ts";
import { PRODUCTS, SITES } from "./shelf.ts";
import { VESSELS } from "./van.ts";

/** Planned for tomorrow: wool in the hall and on the stairs wants a mix of its own, and so does the tiled washroom. */
export function guesthouse(now: Date): DemoJob {
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
  const upstairs = {
    covering: "cut-pile",
    fibre: "nylon",
    carpet: "Blue cut pile",
    soil: 3,
    batchId: nylon.id,
    level: 1,
  } as const;
  const woollen = {
    covering: "deep-pile",
    fibre: "wool",
    identifiedBy: "burn-test",
    carpet: "Red wool",
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
