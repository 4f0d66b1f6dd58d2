import { dueSecondLooks, effectiveEntries, foldFills, foldRunState, isRunActive } from "@scutch/core/log";
import { careOf } from "@scutch/core/plan";
import { type Times, timeAt } from "../../format/time.ts";
import type { Planned } from "../../planning/computePlan.ts";
import { nameById } from "../../planning/nameById.ts";
import { stepName } from "../../shared/run/stepWords.ts";

/** What is to be done next on a job, in a few words, and about when where that is known. */
export interface NextAction {
  readonly what: string;
  /** ms since 1970. */
  readonly at?: number;
  /** When to do it, where it waits; ms since 1970. */
  readonly from?: number;
}

/** The step in hand of a run under way, else the next of it. */
function nextInRun({
  input: { logged = {} },
  work: { run, wasted },
  startMs,
}: Pick<Planned, "input" | "work" | "startMs">) {
  if (run.outcome !== "planned") return undefined;
  const gone = new Set(run.closedSteps);
  const isInHand = (id: string) => logged[id]?.start !== undefined && !wasted.has(id);
  const [step] = run.steps
    .filter(({ id, kind }) => kind !== "break" && !gone.has(id))
    .toSorted((a, b) => Number(isInHand(b.id)) - Number(isInHand(a.id)) || a.start - b.start);
  return step && { what: stepName(step), roomId: step.roomId, at: timeAt(startMs, step.end / 3600) };
}

/** What is left once all rooms are finished: the customer’s page, a second look, readings. */
function afterwards({ log, nameOf }: Pick<Planned, "log"> & { readonly nameOf: (roomId: string) => string }) {
  const isHandedOver = effectiveEntries(log).some(({ kind }) => kind === "handed-over");
  if (!isHandedOver) return { what: "Hand over to the customer" };
  const [look] = dueSecondLooks(log);
  if (look) return { what: `Second look: ${nameOf(look.roomId)}`, from: look.at };
  return { what: "Recheck: meter readings" };
}

/** The next thing to do on a job, in the order it is worked: survey, questions, test, mix, clean, look again. */
export function nextAction({ job, input, work, log, shelf, startMs }: Planned): NextAction {
  const rooms = work.rooms.filter(({ passage }) => !passage);
  if (rooms.length === 0) return { what: "Survey: add rooms" };
  const nameOf = (roomId: string) => nameById(job.rooms, roomId, "a room");
  const open = rooms.filter(({ finishLogged }) => !finishLogged);
  if (open.length === 0) return afterwards({ log, nameOf });
  const care = careOf(input).rooms.filter(({ roomId }) => open.some(({ id }) => id === roomId));
  const stop = care.find(({ danger }) => danger === "stop");
  if (stop) return { what: `${nameOf(stop.roomId)} is blocked: change method or product` };
  const inRun = isRunActive(foldRunState(log)) ? nextInRun({ input, work, startMs }) : undefined;
  if (inRun)
    return { ...inRun, what: [inRun.what, inRun.roomId && nameOf(inRun.roomId)].filter(Boolean).join(", ") };
  const fibre = care.find(({ toDo }) => toDo.includes("fibre"));
  if (fibre) return { what: `Pick the fibre for ${nameOf(fibre.roomId)}` };
  const test = care.find(({ gate, toDo }) => gate === "not-tested" && !toDo.includes("fibre"));
  if (test) {
    const batch = job.batches.find(({ id }) => id === test.batchId);
    const product = shelf.products.find(({ id }) => id === batch?.productId)?.name ?? "the product";
    const what = test.toDo.includes("tile-test") ? "Test one tile" : "Dye test";
    return { what: `${what}: ${product} in ${nameOf(test.roomId)}` };
  }
  for (const batch of job.batches) {
    const planned = work.batches.find(({ id }) => id === batch.id)?.batch;
    if (planned?.outcome !== "planned") continue;
    const made = foldFills(log, batch, work.wasted);
    const next = planned.fills.findIndex(
      ({ rooms: of }, i) => !made.has(i + 1) && of.some(({ roomId }) => open.some(({ id }) => id === roomId)),
    );
    const fill = planned.fills[next];
    if (fill?.rooms.some(({ roomId }) => roomId === open[0]?.id))
      return { what: `Mix fill ${next + 1} for ${nameOf(fill.rooms[0]?.roomId ?? "")}` };
  }
  const [room] = open;
  return room
    ? { what: `Clean ${room.name}`, at: timeAt(startMs, room.finishedAtHours) }
    : { what: "Nothing left to do" };
}

const ROUNDED_TO = 300_000;

export function nextText({ what, at, from }: NextAction, { clock }: Times): string {
  const about = (time: number) => `about ${clock(Math.round(time / ROUNDED_TO) * ROUNDED_TO)}`;
  if (from !== undefined) return `${what} ${about(from)}`;
  return at === undefined ? what : `${what}, done ${about(at)}`;
}
