import { simulateDrying } from "../drying/index.ts";
import type { Fill } from "../mix/index.ts";
import type { JobInput, WorkPlan } from "../plan/index.ts";
import type { JobRun, Step } from "../run/index.ts";

/** A second is lost in rounding here and there. */
const SECOND = 2;
const DROP = 1e-9;
const POWERED = /^(vacuum|brush|pad machine|machine:)/;
/** Circuits if none are given, a litre in m³, and the seconds one rinse takes. */
const CIRCUITS = 2;
const LITRE = 1e-3;
const RINSE = 180;
/** A floor's drying is reckoned before its last hour is known, s. */
const DRY_WITHIN = 120;

/** A planned job, and where its faults are written down, in words for a test. */
interface Looked {
  readonly job: JobInput;
  readonly work: WorkPlan;
  readonly run: JobRun;
  readonly say: (broken: boolean, what: string) => void;
}

const overlap = (a: Step, b: Step) =>
  a.start < b.end && b.start < a.end && a.end > a.start && b.end > b.start;

/** A product by what is in it: two of one id are the same. */
const mixOf = (job: JobInput, batchId: string | undefined): string[] => {
  const batch = job.batches.find(({ id }) => id === batchId);
  return batch
    ? [batch.product, ...(batch.boosters ?? []).map(({ product }) => product)].map(({ id = "" }) => id)
    : [];
};

/** One person does one thing, nothing during a break; one of each tool; motors on circuits. */
function people({ job, run: { steps }, say }: Looked): void {
  const crew = job.run?.people ?? 1;
  for (const [i, a] of steps.entries()) {
    say(!(a.start >= 0 && a.end >= a.start), `${a.id} from ${a.start} to ${a.end}`);
    say(a.who !== undefined && !(a.who >= 0 && a.who < crew), `${a.id} is done by ${a.who}`);
    for (const b of steps.slice(i + 1)) {
      if (!overlap(a, b)) continue;
      const everybody = a.who === undefined || b.who === undefined;
      say(everybody || a.who === b.who, `${a.id} and ${b.id} at once by ${a.who}`);
      say(a.tool !== undefined && a.tool === b.tool, `${a.id} and ${b.id} at once with ${a.tool}`);
    }
    const running = steps.filter(
      (step) => POWERED.test(step.tool ?? "") && step.start <= a.start && a.start < step.end,
    );
    say(running.length > (job.run?.circuits ?? CIRCUITS), `${running.length} motors at ${a.start}`);
  }
}

/** Packing up comes after all else, but for a break. */
function packing({ job, run: { steps }, say }: Looked): void {
  const packUp = steps.find(({ kind }) => kind === "pack-up");
  if (!packUp || job.now !== undefined) return;
  for (const { id, kind, end } of steps)
    if (kind !== "break" && kind !== "pack-up") say(end > packUp.start + SECOND, `${id} after packing up`);
}

/** Air movers run from when their room is finished, or from the hour told: with the motors they take no more circuits than there are. */
function airMovers({ job, work, run: { steps }, say }: Looked): void {
  const motors = steps.filter(({ tool }) => POWERED.test(tool ?? ""));
  const blown = job.rooms.flatMap(({ id, airMovers = [] }) => {
    const room = work.rooms.find((each) => each.id === id);
    return room
      ? [{ count: airMovers.length, from: (room.airMoversFromHours ?? room.finishedAtHours) * 3600 }]
      : [];
  });
  const circuits = job.run?.circuits ?? CIRCUITS;
  for (const { start, id } of [
    ...motors,
    ...blown.map(({ from }) => ({ start: from + SECOND, id: "air movers" })),
  ]) {
    const running = motors.filter((each) => each.start <= start && start < each.end - SECOND);
    const blowing = blown.filter(({ from }) => from < start - 60).reduce((sum, { count }) => sum + count, 0);
    say(
      running.length > 0 && running.length + Math.ceil(blowing / 4) > circuits,
      `${blowing} air movers and ${running.length} motors at ${id}`,
    );
  }
}

/** Some of a mix's rooms are of what a trace of another mix can harm, for certain. */
const isDelicate = (job: JobInput, roomIds: readonly string[]) =>
  job.rooms.some(
    ({ id, fibre, covering }) =>
      roomIds.includes(id) &&
      (covering === "stone" ||
        covering === "coir" ||
        ((covering === undefined || covering.endsWith("pile")) && (fibre === "wool" || fibre === "plant"))),
  );

/** One mix at a time in each vessel, emptied and rinsed between two; never above its brim, and never too old. */
function vessels(looked: Looked): void {
  const tools = new Set(looked.run.steps.flatMap(({ tool }) => (tool?.startsWith("sprayer:") ? [tool] : [])));
  for (const tool of tools) oneVessel(looked, tool);
}

function oneVessel({ job, work, run, say }: Looked, tool: string): void {
  const fillOf = new Map(
    work.batches.flatMap(({ id, batch }) =>
      batch.outcome === "planned"
        ? batch.fills.map((fill, k): [string, { fill: Fill; batchId: string }] => [
            `${id}.${k + 1}`,
            { fill, batchId: id },
          ])
        : [],
    ),
  );
  const vessel = job.batches.find(({ vesselId, id }) => `sprayer:${vesselId ?? id}` === tool)?.vessel;
  const most = vessel ? vessel.nominal - vessel.headSpace : 0;
  let mix: string[] = [];
  let [volume, madeAt, rinsed] = [0, 0, 0];
  let keeps = Number.POSITIVE_INFINITY;
  for (const step of run.steps.filter((each) => each.tool === tool).toSorted((a, b) => a.start - b.start)) {
    if (step.kind === "rinse") [mix, volume, rinsed] = [[], 0, step.end - step.start];
    if (step.kind === "fill") {
      const made = fillOf.get(step.fillId ?? "");
      const wanted = mixOf(job, made?.batchId);
      say(
        mix.some((id) => !wanted.includes(id)),
        `${step.id} goes on top of ${mix} in ${tool}`,
      );
      const floors = made?.fill.rooms.map(({ roomId }) => roomId) ?? [];
      // What was done by the log took as long as it took.
      const once = rinsed > 0 && rinsed < 2 * RINSE && job.logged === undefined;
      say(once && isDelicate(job, floors), `${step.id} is for a delicate floor, after one rinse`);
      // What is of another strength, or too old, is poured out first.
      if (work.rinses.has(step.fillId ?? "")) volume = 0;
      volume += (made?.fill.volume ?? 0) - (made?.fill.pouredAway ?? 0);
      [mix, madeAt, rinsed] = [wanted, step.end, 0];
      keeps = job.batches.find(({ id }) => id === made?.batchId)?.product.potLife ?? Number.POSITIVE_INFINITY;
      say(volume > most * (1 + DROP), `${volume / LITRE} L in ${tool}, which takes ${most / LITRE}`);
    }
    if (step.kind === "pre-spray") {
      const room = work.rooms.find(({ id }) => id === step.roomId);
      const section = run.sections.find(({ id }) => id === step.sectionId);
      const batch = job.batches.find(({ id }) => id === room?.batchId);
      const wanted = mixOf(job, batch?.id);
      const isWanted = mix.every((id) => wanted.includes(id)) && wanted.every((id) => mix.includes(id));
      say(!isWanted, `${step.id} is sprayed with ${mix}, wants ${wanted}`);
      const laid = (section?.area ?? 0) * (room?.water.applicationRate ?? 0);
      volume -= laid / (batch?.tip ? 1 + batch.tip.ratio : 1);
      say(volume < -1e-6, `${tool} is out of mix at ${step.id}: ${volume / LITRE} L`);
      say(
        step.end - madeAt > keeps + SECOND && !run.staleSections.includes(section?.id ?? ""),
        `${step.id} ends ${step.end - madeAt} s after its mix was made, keeps ${keeps}`,
      );
    }
  }
}

/** Water in the one pair of tanks, whatever draws on it. */
function tanks({ job, work, run, say }: Looked): void {
  const pair = job.rig?.tanks;
  if (!pair) return;
  let [drawn, recovered] = [0, 0];
  const roomOf = ({ roomId }: Step) => work.rooms.find(({ id }) => id === roomId);
  const drawing = run.steps.filter(
    (step) => step.kind === "tank-trip" || (step.kind === "clean" && (roomOf(step)?.rinse ?? 0) > 0),
  );
  for (const [i, step] of drawing.entries()) {
    const next = drawing[i + 1];
    say(next !== undefined && overlap(step, next), `${step.id} and ${next?.id} at once on one pair of tanks`);
    if (step.kind === "tank-trip") {
      [drawn, recovered] = [0, 0];
      continue;
    }
    const room = roomOf(step);
    const area = run.sections.find(({ id }) => id === step.sectionId)?.area ?? 0;
    drawn += (area / (room?.area ?? 1)) * (room?.rinse ?? 0);
    recovered += area * (room?.water.applied ?? 0) * (room?.water.recoveredShare ?? 0) * LITRE;
    say(
      drawn > pair.solution * (1 + DROP),
      `${step.id} draws ${drawn / LITRE} L of ${pair.solution / LITRE}`,
    );
    say(
      recovered > pair.recovery * (1 + DROP),
      `${step.id} brings ${recovered / LITRE} L, ${pair.recovery / LITRE} fit`,
    );
  }
}

/** Whether somebody can leave a room without crossing a wet floor; not asked where the order allows no way at all. */
function ways({ job, work, run: { steps }, say }: Looked): void {
  const { walkOut } = work;
  if (!job.doors || !walkOut || walkOut.conflicts.length > 0 || job.now !== undefined) return;
  const wetFrom = new Map<string, number>();
  for (const { kind, roomId, start } of steps)
    if (roomId !== undefined && (kind === "pre-spray" || kind === "clean"))
      wetFrom.set(roomId, Math.min(start, wetFrom.get(roomId) ?? Number.POSITIVE_INFINITY));
  const isDry = (roomId: string, at: number) => !(at > (wetFrom.get(roomId) ?? Number.POSITIVE_INFINITY));
  const canLeave = (roomId: string, at: number, walkable = (room: string) => isDry(room, at)): boolean => {
    const seen = new Set([roomId]);
    for (const here of seen)
      for (const { from, to } of job.doors ?? []) {
        if (from === here && to === undefined) return true;
        const next = from === here ? to : to === here ? from : undefined;
        if (next !== undefined && walkable(next)) seen.add(next);
      }
    return false;
  };
  for (const step of steps)
    if (step.roomId !== undefined && step.kind !== "last-vacuum")
      for (const at of [step.start, step.end])
        say(!canLeave(step.roomId, at), `${step.id} at ${at}: no dry way to ${step.roomId}`);
  if (!steps.some(({ kind }) => kind === "last-vacuum")) return;
  // Back in over floors that have dried.
  const drying = simulateDrying(work.building).rooms;
  const driedBy = new Map(
    work.rooms.map(({ id, finishedAtHours: left }, i) => {
      const { touchDryHours, dryHours } = drying[i] ?? {};
      const at = (hours: number | null | undefined) => 3600 * (left + (hours ?? Number.POSITIVE_INFINITY));
      return [id, { walkOn: at(touchDryHours), dry: at(dryHours) }] as const;
    }),
  );
  for (const { id, kind, roomId = "", start } of steps) {
    if (kind !== "last-vacuum") continue;
    say(start < (driedBy.get(roomId)?.dry ?? 0) - DRY_WITHIN, `${id} before its floor is dry`);
    const walkable = (room: string) =>
      isDry(room, start) || start >= (driedBy.get(room)?.walkOn ?? Number.POSITIVE_INFINITY) - DRY_WITHIN;
    say(!canLeave(roomId, start, walkable), `${id} at ${start}: back in over a wet floor`);
  }
}

/** Dwell, label and dry-out, for the first square metre of each section and the last; but for what is named as late. */
function dwells({ job, work, run, say }: Looked): void {
  for (const section of run.sections) {
    const { id, sprayId, sprayStart, sprayEnd, cleanStart, cleanEnd, dwell, open, overLabel } = section;
    if (sprayId === undefined || run.overdueSections.includes(id)) continue;
    const stood = [cleanStart - sprayStart, cleanEnd - sprayEnd];
    const [least, most] = [Math.min(...stood), Math.max(...stood)];
    say(least < dwell - SECOND, `${id} is cleaned ${least} s after its spray, dwell ${dwell}`);
    const room = work.rooms.find((each) => each.id === section.roomId);
    const { dwellMost = 0 } = job.batches.find((batch) => batch.id === room?.batchId)?.product ?? {};
    say(!overLabel && most > dwellMost + SECOND, `${id} stands ${most} s, label ${dwellMost}`);
    say(overLabel && most <= dwellMost, `${id} is called over its label at ${most} s of ${dwellMost}`);
    if (section.reMistIds.length === 0) say(most > open + SECOND, `${id} dries out: ${most} s of ${open}`);
  }
}

/**
 * What in a plan can't be done or does harm, in words for a test; empty where nothing does. Written from the job and the steps
 * alone: it knows nothing of how they were found.
 */
export function planFaults(job: JobInput, work: WorkPlan): string[] {
  if (work.run.outcome !== "planned") return [];
  const faults: string[] = [];
  const looked: Looked = {
    job,
    work,
    run: work.run,
    say(broken, what) {
      if (broken) faults.push(what);
    },
  };
  for (const look of [people, packing, airMovers, vessels, tanks, ways, dwells]) look(looked);
  return faults;
}
