import { BatchId, type Job, MAX_BATCHES, type ProductId, type Room, type Shelf } from "@scutch/contract";
import { mixesWithoutTip } from "@scutch/core/mix";
import { isSprayed, productsThatSuit, sprayKindFor, suitsFloor, type WorkPlan } from "@scutch/core/plan";
import { newId } from "../device/newId.ts";

/** A job whose rooms keep the mix they have now, whatever product it is made of from here on: somebody chose that. */
export function keepRooms(job: Job, batchId: BatchId, work: Pick<WorkPlan, "rooms">): Job {
  const served = new Set<string>(work.rooms.flatMap((room) => (room.batchId === batchId ? [room.id] : [])));
  return { ...job, rooms: job.rooms.map((room) => (served.has(room.id) ? { ...room, batchId } : room)) };
}

/** A sprayer that no mix of a job is made in; undefined: there is none. */
export const unusedMixer = (vessels: Shelf["vessels"], batches: Job["batches"]) =>
  vessels.find(
    (vessel) => mixesWithoutTip(vessel) && batches.every(({ vesselId }) => vesselId !== vessel.id),
  );

/** The sprayer for one mix more: an unused one, else the first; undefined: there is none. */
const mixerFor = (vessels: Shelf["vessels"], batches: Job["batches"]) =>
  unusedMixer(vessels, batches) ?? vessels.find(mixesWithoutTip);

/**
 * A job some of whose rooms are sprayed with another product: from the mix there is of it, else from one of its own. Undefined where
 * no mix can be added.
 */
export function withProduct(
  job: Job,
  roomIds: readonly string[],
  productId: ProductId,
  { vessels }: Pick<Shelf, "vessels">,
): Job | undefined {
  const there = job.batches.find((batch) => batch.productId === productId);
  if (there) return sprayedWith(job, roomIds, there.id);
  const [first] = job.batches;
  const vessel = mixerFor(vessels, job.batches);
  if (!vessel || !first || job.batches.length >= MAX_BATCHES) return undefined;
  const added = { id: newId(BatchId), productId, vesselId: vessel.id, measure: first.measure };
  return sprayedWith({ ...job, batches: [...job.batches, added] }, roomIds, added.id);
}

const sprayedWith = (job: Job, roomIds: readonly string[], batchId: BatchId): Job => ({
  ...job,
  rooms: job.rooms.map((room) =>
    roomIds.includes(room.id) ? { ...room, batchId, unsprayed: undefined } : room,
  ),
});

/**
 * A changed job whose rooms have mixes for their floors: a room that has become another kind of floor leaves the mix chosen for the
 * old one, and where no mix of the job is for it, one from the shelf joins. A job without any mix is left to Mix.
 */
export function fitMixes(
  before: Job,
  after: Job,
  { products, vessels }: Pick<Shelf, "products" | "vessels">,
): Job {
  if (after.rooms === before.rooms || after.batches.length === 0) return after;
  const was = new Map(before.rooms.map((room) => [room.id, room]));
  const rooms = after.rooms.map((room): Room => {
    const old = was.get(room.id);
    const changed = old && room.batchId === old.batchId && sprayKindFor(old) !== sprayKindFor(room);
    return changed ? { ...room, batchId: undefined } : room;
  });
  const batches = [...after.batches];
  const productOf = (productId: string) => products.find(({ id }) => id === productId);
  for (const room of rooms) {
    if (!isSprayed(room) || room.batchId !== undefined || batches.length >= MAX_BATCHES) continue;
    if (batches.some(({ productId }) => suitsFloor(productOf(productId) ?? {}, room))) continue;
    const [best] = productsThatSuit([room], products);
    const free = mixerFor(vessels, batches);
    const [first] = batches;
    if (!best || !free || !first || best.kind !== sprayKindFor(room)) continue;
    batches.push({ id: newId(BatchId), productId: best.id, vesselId: free.id, measure: first.measure });
  }
  const same = batches.length === after.batches.length;
  return { ...after, rooms, batches: same ? after.batches : batches };
}
