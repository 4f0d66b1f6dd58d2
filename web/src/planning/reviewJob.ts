import type { CrewSettings, Job, LogEntry, Shelf } from "@scutch/contract";
import {
  callbacks,
  countedFills,
  effectiveEntries,
  foldQuotes,
  foldRunState,
  parseStepId,
  roomFinishTimes,
  runEndedAt,
  runSeconds,
  stockUse,
  tankReadings,
} from "@scutch/core/log";
import type { JobInput, WorkPlan } from "@scutch/core/plan";
import type { PriceBook } from "@scutch/core/quote";
import type { ReviewedJob, ReviewedRoom } from "@scutch/core/review";
import { bookOf, earningsOfJob, heldBook, isWhole, priceOf } from "./jobPrice.ts";

/** What a job is looked back on with. */
export interface ReviewContext {
  readonly shelf: Shelf;
  readonly settings: CrewSettings;
  readonly money: Pick<PriceBook, "digits" | "system">;
}

/** A job over or under way, with the plan it had before anything was logged. */
export interface Reviewable {
  readonly job: Job;
  readonly log: readonly LogEntry[];
  readonly input: JobInput;
  readonly work: WorkPlan;
}

/** What is known of a job once it is over: its time as planned and as taken, its price, what was used, what came back. */
export function reviewJob(
  { job, log, input, work }: Reviewable,
  { shelf, settings, money }: ReviewContext,
): ReviewedJob {
  const run = foldRunState(log);
  const isOver = runEndedAt(run) !== undefined;
  const taken = runSeconds(run);
  const rooms = work.rooms.filter(({ passage }) => !passage);
  const finished = roomFinishTimes(log);
  const done = rooms.filter(({ id }) => finished.has(id));
  const { holding } = foldQuotes(log, job.day);
  const now = bookOf(settings, money);
  const price = priceOf({ job, input, work }, holding ? heldBook(holding.book, now) : now);
  const isPriced = isWhole(price) && price.lines.length > 0;
  const earned = isPriced
    ? earningsOfJob({ job, input, work }, price, { settings, shelf, digits: money.digits }, log)?.earnings
    : undefined;
  const fills = countedFills(log);
  const measured = tankReadings(log);
  const isMeasured = (roomId: string) => measured.some(({ roomIds }) => roomIds.some((id) => id === roomId));
  const cameBack = callbacks(log);
  const cleaners = cleanersOf(log);
  return {
    jobId: job.id,
    day: job.day,
    isDone: (rooms.length > 0 && done.length === rooms.length) || isOver,
    people: input.run?.people ?? 1,
    ...(work.run.outcome === "planned" ? { plannedSeconds: work.run.makespan } : {}),
    ...(taken === undefined ? {} : { takenSeconds: taken }),
    ...(earned ? { money: { ...earned, total: price.total, discount: price.discount } } : {}),
    water:
      fills.reduce((sum, { water }) => sum + water, 0) +
      measured.reduce((sum, { solution }) => sum + solution, 0) +
      done.reduce((sum, room) => sum + (isMeasured(room.id) ? 0 : room.rinse), 0),
    products: stockUse(log).map(({ productId, amount }) => [productId, amount] as const),
    rooms: done.map((room): ReviewedRoom => {
      const { productId } = fills.find(({ batchId }) => batchId === room.batchId) ?? {};
      const fibre = job.rooms.find(({ id }) => id === room.id)?.fibre;
      const person = cleaners.get(room.id);
      return {
        roomId: room.id,
        method: room.method,
        ...(fibre && fibre !== "unknown" ? { fibre } : {}),
        ...(productId ? { productId } : {}),
        ...(person ? { person } : {}),
        callbacks: cameBack.filter(({ roomId }) => roomId === room.id).map(({ result }) => result),
      };
    }),
  };
}

/** Who cleaned each room: who logged its last cleaning, else its finish. */
function cleanersOf(log: readonly LogEntry[]): ReadonlyMap<string, string> {
  const cleaners = new Map<string, string>();
  const entries = effectiveEntries(log);
  for (const entry of entries)
    if (entry.kind === "room-finished" && entry.by) cleaners.set(entry.roomId, entry.by);
  for (const entry of entries)
    if (entry.kind === "step-done" && entry.by && entry.roomId && parseStepId(entry.step).kind === "clean")
      cleaners.set(entry.roomId, entry.by);
  return cleaners;
}
