import type { Job, LogEntry, Room, Site } from "@scutch/contract";
import { clock, type DemoJob, door, dyeTested, firstFill, happened, ML, room, spot } from "./build.ts";
import { demoId } from "./demoId.ts";
import { PRODUCTS, SITES } from "./shelf.ts";
import { VESSELS } from "./van.ts";

interface Past {
  readonly n: number;
  readonly daysAgo: number;
  readonly site: Site;
  readonly title: string;
  /** How long it took, min. */
  readonly minutes: number;
  readonly rooms: readonly Room[];
  readonly by: string;
  /** Who took the page at the end. */
  readonly customer: string;
  readonly product: (typeof PRODUCTS)["sedge" | "bramble"];
  /** What came back, in the first room. */
  readonly cameBack?: "wick-back" | "odour" | "spot-back";
  readonly discount?: number;
}

const olefin = (soil: 3 | 4) =>
  ({ covering: "loop-pile", fibre: "olefin", soil, method: "low-moisture" }) as const;
const nylon = { covering: "cut-pile", fibre: "nylon", soil: 3, method: "extraction" } as const;

/** A job from its first step to its hand-over, in rooms one behind the other. */
function past(
  { n, daysAgo, site, title, minutes, rooms, by, customer, product, cameBack, discount }: Past,
  now: Date,
): DemoJob {
  const begun = new Date(now);
  begun.setDate(begun.getDate() - daysAgo);
  begun.setHours(9, 0, 0, 0);
  const { start, ...when } = clock(begun);
  const [first] = rooms as [Room];
  const out = rooms.at(-1) as Room;
  // An oxygen powder gives off gas: not in a closed battery sprayer.
  const vessel = product === PRODUCTS.sedge ? VESSELS.battery : VESSELS.pump;
  const stain = spot(first, 0.4, 0.6, 0.1, { origin: "coffee-tea", nature: "spot" });
  const job: Job = {
    id: demoId("job", n),
    siteId: site.id,
    title,
    ...when,
    indoor: { temperature: 20, relativeHumidity: 0.5 },
    outdoor: { temperature: 9, relativeHumidity: 0.75 },
    rooms: [...rooms],
    doors: [
      door(out, undefined, { wall: "bottom" }),
      ...rooms.slice(0, -1).map((each, i) => door(rooms[i + 1] as Room, each, { wall: "top" })),
    ],
    spots: [stain],
    batches: [{ id: demoId("batch", n + 4), productId: product.id, vesselId: vessel.id, measure: 5 * ML }],
    ...(discount === undefined ? {} : { discount: { share: discount } }),
  };
  const step = (at: number, kind: "step-started" | "step-done", does: "set-up" | "pack-up"): LogEntry =>
    happened(start, at, { kind, by, step: does, does });
  const each = (minutes - 30) / rooms.length;
  const ended = minutes - 10;
  return {
    job,
    log: [
      ...rooms.map((where, i) => dyeTested(start, 2 + i, by, where, product, "Behind the door")),
      happened(start, 0, { kind: "run-started", by }),
      step(0, "step-started", "set-up"),
      firstFill(job, start, 14, by),
      step(15, "step-done", "set-up"),
      ...rooms.map((where, i) =>
        happened(start, 20 + (i + 1) * each, { kind: "room-finished", by, roomId: where.id }),
      ),
      happened(start, ended - 6, {
        kind: "spot-attempt",
        by,
        roomId: first.id,
        spotId: stain.id,
        agent: "neutral",
        result: "gone",
      }),
      step(ended, "step-started", "pack-up"),
      step(minutes, "step-done", "pack-up"),
      happened(start, minutes + 4, { kind: "handed-over", by, name: customer }),
      happened(start, minutes + 150, {
        kind: "second-look",
        by,
        roomId: first.id,
        result: cameBack ?? "fine",
      }),
    ],
  };
}

/** Jobs of the last weeks, over and handed over: the olefin cleaned with low moisture came back too often. */
export function pastJobs(now: Date): DemoJob[] {
  const jobs: readonly Past[] = [
    {
      n: 5,
      daysAgo: 3,
      site: SITES.terrace,
      customer: "Wren Calloway",
      title: "Lounge and landing",
      minutes: 105,
      rooms: [room("Lounge", 5.2, 4.1, olefin(4)), room("Landing", 3.4, 1.6, olefin(4))],
      by: "Osei",
      product: PRODUCTS.sedge,
      cameBack: "wick-back",
    },
    {
      n: 6,
      daysAgo: 9,
      site: SITES.cottage,
      customer: "Tobias Brindle",
      title: "Two bedrooms",
      minutes: 68,
      rooms: [room("Front bedroom", 4.2, 3.6, olefin(3)), room("Back bedroom", 3.6, 3.1, olefin(3))],
      by: "Mira",
      product: PRODUCTS.sedge,
      cameBack: "spot-back",
    },
    {
      n: 7,
      daysAgo: 16,
      site: SITES.office,
      customer: "Sable Finch",
      title: "Office floor",
      minutes: 96,
      rooms: [room("Meeting room", 6.4, 4.6, olefin(3)), room("Open office", 9.2, 6.4, olefin(3))],
      by: "Osei",
      product: PRODUCTS.sedge,
      cameBack: "wick-back",
    },
    {
      n: 8,
      daysAgo: 17,
      site: SITES.terrace,
      customer: "Wren Calloway",
      title: "Study and playroom",
      minutes: 92,
      rooms: [room("Study", 3.8, 3.2, nylon), room("Playroom", 4.6, 4.1, nylon)],
      by: "Mira",
      product: PRODUCTS.bramble,
      discount: 0.1,
    },
    {
      n: 9,
      daysAgo: 23,
      site: SITES.cottage,
      customer: "Tobias Brindle",
      title: "Ground floor",
      minutes: 106,
      rooms: [room("Dining room", 4.4, 3.9, nylon), room("Front room", 5.1, 4.4, nylon)],
      by: "Mira",
      product: PRODUCTS.bramble,
    },
  ];
  return jobs.map((each) => past(each, now));
}
