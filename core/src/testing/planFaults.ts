import type { Fill } from "../mix/index.ts";
import type { JobInput, WorkPlan } from "../plan/index.ts";
import type { Step } from "../run/index.ts";

/** A second is lost in rounding here and there. */
const SECOND = 2;
const DROP = 1e-9;
const POWERED = /^(vacuum|brush|pad machine|machine:)/;
/** Motors where nobody has counted the circuits, and water of one litre. */
const CIRCUITS = 2;
const LITRE = 1e-3;

/** A product by what is in it: two of one id are the same. */
const mixOf = (job: JobInput, batchId: string | undefined): string[] => {
  const batch = job.batches.find(({ id }) => id === batchId);
  return batch
    ? [batch.product, ...(batch.boosters ?? []).map(({ product }) => product)].map(({ id = "" }) => id)
    : [];
};

/**
 * What in a plan can't be done or does harm, in words for a test; empty where nothing does. Written from the job and the steps
 * alone: it knows nothing of how they were found.
 */
export function planFaults(job: JobInput, { run, rooms, batches, rinses, walkOut }: WorkPlan): string[] {
  if (run.outcome !== "planned") return [];
  const { steps } = run;
  const faults: string[] = [];
  const say = (broken: boolean, what: string) => {
    if (broken) faults.push(what);
  };
  const people = job.run?.people ?? 1;
  const overlap = (a: Step, b: Step) =>
    a.start < b.end && b.start < a.end && a.end > a.start && b.end > b.start;

  // One person does one thing, and nothing during a break.
  for (const [i, a] of steps.entries()) {
    say(!(a.start >= 0 && a.end >= a.start), `${a.id} from ${a.start} to ${a.end}`);
    say(a.who !== undefined && !(a.who >= 0 && a.who < people), `${a.id} is done by ${a.who}`);
    for (const b of steps.slice(i + 1)) {
      if (!overlap(a, b)) continue;
      const everybody = a.who === undefined || b.who === undefined;
      say(everybody || a.who === b.who, `${a.id} and ${b.id} at once by ${a.who}`);
      say(a.tool !== undefined && a.tool === b.tool, `${a.id} and ${b.id} at once with ${a.tool}`);
    }
  }
  // Motors on circuits.
  for (const { start } of steps) {
    const running = steps.filter(
      (step) => POWERED.test(step.tool ?? "") && step.start <= start && start < step.end,
    );
    say(running.length > (job.run?.circuits ?? CIRCUITS), `${running.length} motors at ${start}`);
  }
  // What is in each vessel.
  const fillOf = new Map(
    batches.flatMap(({ id, batch }) =>
      batch.outcome === "planned"
        ? batch.fills.map((fill, k): [string, { fill: Fill; batchId: string }] => [
            `${id}.${k + 1}`,
            { fill, batchId: id },
          ])
        : [],
    ),
  );
  for (const tool of new Set(
    steps.flatMap((step) => (step.tool?.startsWith("sprayer:") ? [step.tool] : [])),
  )) {
    const vessel = job.batches.find(({ vesselId, id }) => `sprayer:${vesselId ?? id}` === tool)?.vessel;
    let residue: string[] = [];
    let volume = 0;
    let madeAt = 0;
    let potLife = Number.POSITIVE_INFINITY;
    for (const step of steps.filter((each) => each.tool === tool).toSorted((a, b) => a.start - b.start)) {
      if (step.kind === "rinse") [residue, volume] = [[], 0];
      if (step.kind === "fill") {
        const made = fillOf.get(step.fillId ?? "");
        const mix = mixOf(job, made?.batchId);
        say(
          residue.some((id) => !mix.includes(id)),
          `${step.id} goes on top of ${residue} in ${tool}`,
        );
        // What is of another strength, or too old, is poured out first.
        if (rinses.has(step.fillId ?? "")) volume = 0;
        if (made?.fill.pouredAway) volume -= made.fill.pouredAway;
        volume += made?.fill.volume ?? 0;
        residue = mix;
        madeAt = step.end;
        potLife =
          job.batches.find(({ id }) => id === made?.batchId)?.product.potLife ?? Number.POSITIVE_INFINITY;
        const most = vessel ? vessel.nominal - vessel.headSpace : 0;
        say(
          volume > most * (1 + DROP),
          `${(volume / LITRE).toFixed(3)} L in ${tool}, which takes ${(most / LITRE).toFixed(3)}`,
        );
      }
      if (step.kind === "pre-spray") {
        const room = rooms.find(({ id }) => id === step.roomId);
        const section = run.sections.find(({ id }) => id === step.sectionId);
        const mix = mixOf(job, room?.batchId);
        say(residue.length === 0, `${step.id} from an empty ${tool}`);
        say(
          residue.some((id) => !mix.includes(id)) || mix.some((id) => !residue.includes(id)),
          `${step.id} is sprayed with ${residue}, wants ${mix}`,
        );
        const tip = job.batches.find(({ id }) => id === room?.batchId)?.tip;
        volume -= ((section?.area ?? 0) * (room?.water.applicationRate ?? 0)) / (tip ? 1 + tip.ratio : 1);
        say(volume < -1e-6, `${tool} is out of mix at ${step.id}: ${(volume / LITRE).toFixed(4)} L`);
        say(
          step.end - madeAt > potLife + SECOND,
          `${step.id} ends ${step.end - madeAt} s after its mix was made, keeps ${potLife}`,
        );
      }
    }
  }
  // Water in the tank pair, whatever draws on it.
  const tanks = job.rig?.tanks;
  if (tanks) {
    let [drawn, recovered] = [0, 0];
    const drawing = steps.filter(({ kind, roomId }) => {
      const room = rooms.find(({ id }) => id === roomId);
      return kind === "tank-trip" || (kind === "clean" && (room?.rinse ?? 0) > 0);
    });
    for (const [i, step] of drawing.entries()) {
      const next = drawing[i + 1];
      say(
        next !== undefined && overlap(step, next),
        `${step.id} and ${next?.id} at once on one pair of tanks`,
      );
      if (step.kind === "tank-trip") {
        [drawn, recovered] = [0, 0];
        continue;
      }
      const room = rooms.find(({ id }) => id === step.roomId);
      const share = (run.sections.find(({ id }) => id === step.sectionId)?.area ?? 0) / (room?.area ?? 1);
      drawn += share * (room?.rinse ?? 0);
      recovered +=
        share * ((room?.area ?? 0) * (room?.water.applied ?? 0) * (room?.water.recoveredShare ?? 0)) * LITRE;
      say(
        drawn > tanks.solution * (1 + DROP),
        `${step.id} draws ${drawn / LITRE} L of ${tanks.solution / LITRE}`,
      );
      say(
        recovered > tanks.recovery * (1 + DROP),
        `${step.id} brings ${recovered / LITRE} L, ${tanks.recovery / LITRE} fit`,
      );
    }
  }
  // A way in and out for whoever works in a room, over nothing that is wet; where the order given has one at all.
  const wetFrom = new Map<string, number>();
  for (const { kind, roomId, start } of steps)
    if (roomId !== undefined && (kind === "pre-spray" || kind === "clean"))
      wetFrom.set(roomId, Math.min(start, wetFrom.get(roomId) ?? Number.POSITIVE_INFINITY));
  const isDry = (roomId: string, at: number) => !(at > (wetFrom.get(roomId) ?? Number.POSITIVE_INFINITY));
  const canLeave = (roomId: string, at: number): boolean => {
    const seen = new Set([roomId]);
    for (const here of seen)
      for (const { from, to } of job.doors ?? []) {
        if (from === here && to === undefined) return true;
        const next = from === here ? to : to === here ? from : undefined;
        if (next !== undefined && isDry(next, at)) seen.add(next);
      }
    return false;
  };
  if (job.doors && walkOut && walkOut.conflicts.length === 0 && job.now === undefined)
    for (const step of steps)
      if (step.roomId !== undefined)
        for (const at of [step.start, step.end])
          say(!canLeave(step.roomId, at), `nobody gets to or from ${step.roomId} at ${at} for ${step.id}`);
  // Dwell, label and dry-out, for the first square metre and the last.
  for (const section of run.sections) {
    const { sprayId, sprayStart, sprayEnd, cleanStart, cleanEnd, dwell, id, reMistIds } = section;
    if (sprayId === undefined || run.overdueSections.includes(id)) continue;
    say(
      cleanStart - sprayStart < dwell - SECOND,
      `${id} is cleaned ${cleanStart - sprayStart} s after its spray, dwell ${dwell}`,
    );
    say(
      cleanEnd - sprayEnd < dwell - SECOND,
      `the end of ${id} is cleaned ${cleanEnd - sprayEnd} s after its spray, dwell ${dwell}`,
    );
    const { dwellMost = 0 } =
      job.batches.find(({ id: batch }) => batch === rooms.find((room) => room.id === section.roomId)?.batchId)
        ?.product ?? {};
    const stood = Math.max(cleanStart - sprayStart, cleanEnd - sprayEnd);
    say(!section.overLabel && stood > dwellMost + SECOND, `${id} stands ${stood} s, label ${dwellMost}`);
    say(
      section.overLabel && stood <= dwellMost,
      `${id} is called over its label at ${stood} s of ${dwellMost}`,
    );
    if (reMistIds.length > 0) continue;
    say(cleanStart - sprayStart > section.open + SECOND, `${id} dries out: ${cleanStart - sprayStart} s`);
    say(cleanEnd - sprayEnd > section.open + SECOND, `the end of ${id} dries out: ${cleanEnd - sprayEnd} s`);
  }
  return faults;
}
