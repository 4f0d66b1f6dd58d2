import {
  breakStepId,
  fillStepId,
  isOwnStep,
  PACK_UP,
  rinseStepId,
  roomStepId,
  SET_UP,
  sectionStepId,
  tankTripStepId,
} from "../log/index.ts";
import { finishToStart, type Problem, START, type Task, type TimeLag } from "../scheduling/index.ts";
import {
  type DividedSection,
  type DivisionFault,
  type DriesFirst,
  divideJob,
  labelMost,
  maxStandTime,
  windowOf,
} from "./divideJob.ts";
import type { RoomSpray, RunFill, RunInput, RunRinse, RunRoom } from "./input.ts";
import { vacuumPieces } from "./startedParts.ts";
import { STEP_FACTS } from "./stepFacts.ts";
import { AREA_PER_BAG, PACES, type StepKind } from "./stepKinds.ts";
import { fillTime, rinseTime, stepDurations, stretchOf, tripTime } from "./work.ts";

/** A task of the problem, as people call it. */
export interface StepTask {
  readonly id: string;
  readonly kind: StepKind;
  readonly roomId?: string;
  readonly sectionId?: string;
  /** What is in the hand, where there is one of it. */
  readonly tool?: string;
  readonly fillId?: string;
  /** Of a rinse: how often, and m³ of the mix before to pour out first. */
  readonly rinse?: RunRinse;
  /** What somebody calls a step of their own. */
  readonly what?: string;
}

/** A section with its steps, s. */
export interface SectionTask extends DividedSection {
  readonly dwell: number;
  readonly open: number;
  /** s it is let stand: the open time, or less as its label or its foam has it. */
  readonly stands: number;
  /** s its label lets it stand at most; absent: it names none. */
  readonly labelMost?: number;
  readonly sprayId?: string;
  readonly cleanId: string;
  readonly reMistIds: readonly string[];
}

export interface JobProblem {
  readonly problem: Problem;
  readonly steps: readonly StepTask[];
  readonly sections: readonly SectionTask[];
  /** Rooms of a run under way whose rest isn't planned: its spray would dry first. */
  readonly driesFirst: readonly DriesFirst[];
  /** Orders that usually work, as ranks of the tasks: each section sprayed so many sections before its cleaning. */
  readonly ranks: readonly (readonly number[])[];
}

/** The machine's solution and recovery tank: one pair, whatever draws on it. */
const TANKS = "tanks";

/** s between the end of a step and the start of one that shouldn't wait (common practice). */
const SOON_AFTER = 60;
const POWERED = /^(vacuum|brush|pad machine|machine:.*)$/;

/** Sections that work runs ahead of the cleaning, to be tried. */
const LOOK_AHEAD = [0.75, 1.5, 2.5, 4] as const;
/** Shares of its dwell that a section is begun before its cleaning, to be tried, and s that what prepares a room is before that. */
const DWELLS_AHEAD = [0.5, 1, 1.5, 2] as const;
const PREPARED_AHEAD = 600;

/** Writes a problem down task by task. */
class ProblemBuilder {
  readonly tasks: Task[] = [{ id: START, duration: 0, uses: [] }];
  readonly steps: StepTask[] = [];
  readonly lags: TimeLag[] = [];
  /** Sections before it that each task belongs to, in cleaning order. */
  readonly turns: number[] = [0];
  private turn = 0;
  /** s of everybody's work stated before each task's part of the job, and the dwell there. */
  readonly parts: { readonly before: number; readonly dwell: number }[] = [{ before: 0, dwell: 0 }];
  private part = { before: 0, dwell: 0 };
  private work = 0;
  readonly last = new Map<string, Task>();

  constructor(private readonly people: number) {}

  /** What is stated from here on is another part of the job, in which sprayed floors stand for so long, s. */
  next(dwell: number): void {
    this.turn++;
    this.part = { before: this.work / this.people, dwell };
  }

  /** A step of so many seconds, at least one, that also takes up `more`; nothing where there is nothing to do. */
  add(step: StepTask, seconds: number, more: readonly string[] = []): Task | undefined {
    if (!(seconds > 0)) return undefined;
    const hands = STEP_FACTS[step.kind].crew === "everyone" ? this.people : 1;
    const held = [
      ...(step.tool ? [step.tool, ...(POWERED.test(step.tool) ? ["circuits"] : [])] : []),
      ...more,
    ];
    const task: Task = {
      id: step.id,
      duration: Math.max(1, Math.round(seconds)),
      uses: [{ resource: "people", amount: hands }, ...held.map((resource) => ({ resource, amount: 1 }))],
    };
    this.tasks.push(task);
    this.steps.push(step);
    this.turns.push(this.turn);
    this.parts.push(this.part);
    this.work += task.duration;
    return task;
  }

  /** One after another, what isn't there left out; the last of them. */
  addPrecedence(...chain: readonly (Task | undefined)[]): Task | undefined {
    let before: Task | undefined;
    for (const task of chain) {
      if (!task) continue;
      if (before) this.lags.push(finishToStart(before, task));
      before = task;
    }
    return before;
  }

  /** Not much later than what comes before it: pile is groomed while it is wet, a fan goes on when its room is done. */
  soon(before: Task | undefined, task: Task | undefined): void {
    if (before && task)
      this.lags.push({ from: before.id, to: task.id, maxLag: before.duration + SOON_AFTER });
  }

  /** After whatever was queued under this name before. */
  queue(name: string, task: Task | undefined): void {
    if (!task) return;
    this.addPrecedence(this.last.get(name), task);
    this.last.set(name, task);
  }

  finish({ crew }: RunInput): Problem {
    const used = new Set(this.tasks.flatMap(({ uses }) => uses.map(({ resource }) => resource)));
    const tools = [...used].filter((id) => id !== "people" && id !== "circuits");
    return {
      tasks: this.tasks,
      lags: this.lags,
      resources: [
        { id: "people", capacity: crew.people },
        { id: "circuits", capacity: crew.circuits },
        ...tools.map((id) => ({ id, capacity: 1 })),
      ],
    };
  }
}

/** The rinse before each fill that is sprayed: that of a fill nothing is sprayed from comes before the next one of its mix. */
function rinsesBefore(
  fills: readonly RunFill[],
  sprayed: ReadonlySet<string>,
): ReadonlyMap<string, RunRinse | undefined> {
  const due = new Map<string, RunRinse | undefined>();
  const before = new Map<string, RunRinse | undefined>();
  for (const { id, vesselId, rinse } of fills.toSorted((a, b) => a.place - b.place)) {
    const own = rinse ?? due.get(vesselId);
    due.set(vesselId, sprayed.has(id) ? undefined : own);
    if (own && sprayed.has(id)) before.set(id, own);
  }
  return before;
}

/**
 * One mix at a time in each vessel: its rinses, fills and sprays one after the other, fill by fill in their order there, whatever
 * the order of the rooms.
 */
class VesselQueues {
  private readonly tasks = new Map<string, { readonly fill: RunFill; readonly chain: Task[] }>();
  private readonly rinses: ReadonlyMap<string, RunRinse | undefined>;

  constructor(
    private readonly to: ProblemBuilder,
    fills: readonly RunFill[],
    sections: readonly DividedSection[],
  ) {
    this.rinses = rinsesBefore(fills, new Set(sections.flatMap(({ fill }) => fill?.id ?? [])));
  }

  /** The fill a section is sprayed from, stated when it is first asked for. */
  fillFor({ fill }: DividedSection): Task | undefined {
    if (!fill) return undefined;
    const known = this.tasks.get(fill.id);
    if (known) return known.chain.find(({ id }) => id === fillStepId(fill.id));
    const tool = `sprayer:${fill.vesselId}`;
    const fillId = fill.id;
    const rinse = this.rinses.get(fillId);
    const rinsing = this.to.add(
      { id: rinseStepId(fillId), kind: "rinse", tool, fillId, ...(rinse ? { rinse } : {}) },
      rinseTime({ rinse }),
    );
    const filling = this.to.add({ id: fillStepId(fillId), kind: "fill", tool, fillId }, fillTime(fill));
    const chain = [rinsing, filling].flatMap((task) => task ?? []);
    this.tasks.set(fill.id, { fill, chain });
    return filling;
  }

  sprayed({ fill }: DividedSection, spray: Task): void {
    if (fill) this.tasks.get(fill.id)?.chain.push(spray);
  }

  /** States what waits for what, once all of it is known. */
  finish(): void {
    const inOrder = [...this.tasks.values()].toSorted((a, b) => a.fill.place - b.fill.place);
    for (const { fill, chain } of inOrder)
      for (const task of chain) this.to.queue(`sprayer:${fill.vesselId}`, task);
  }
}

/** Furniture, vacuum with its bag, edges and spots to treat first; the last of them. */
function prepareRoom(
  room: RunRoom,
  input: RunInput,
  paced: number,
  to: ProblemBuilder,
  bag: { area: number },
) {
  const work = stepDurations(room, input.crew);
  const step = (kind: StepKind, seconds: number, tool?: string, piece?: number) =>
    to.add(
      { id: roomStepId(kind, room.id, piece), kind, roomId: room.id, ...(tool ? { tool } : {}) },
      seconds,
    );
  let done = step("furniture", room.furniture ? room.area * PACES.furniture : 0);
  const pieces = vacuumPieces(room, input.logged);
  for (let k = 1; k <= pieces; k++) {
    const piece = pieces > 1 ? k : undefined;
    bag.area += room.area / pieces;
    const full = bag.area > AREA_PER_BAG;
    if (full) bag.area = 0;
    done = to.addPrecedence(
      done,
      step("vacuum", (work.vacuum * paced) / pieces, "vacuum", piece),
      full ? step("bag", PACES.bag, "vacuum", piece) : undefined,
    );
  }
  return to.addPrecedence(
    done,
    step("edges", work.edges * paced, "vacuum"),
    step("pre-spot", work.preSpot * paced),
  );
}

/** What is misted again stands as long as its film does. */
const standsFor = ({ reMists }: DividedSection, spray: RoomSpray) =>
  reMists > 0 ? spray.openTime : maxStandTime(spray).most;

/** Sprays, dwells, agitates, cleans, pads and grooms one section. */
function workSection(
  section: DividedSection,
  room: RunRoom,
  input: RunInput,
  paced: number,
  to: ProblemBuilder,
  before: { readonly groom: () => readonly (Task | undefined)[] },
) {
  const work = stepDurations(room, input.crew);
  const share = (section.area / room.area) * paced;
  const step = (kind: StepKind, seconds: number, tool?: string, repeat?: number, more?: readonly string[]) =>
    to.add(
      {
        id: sectionStepId(kind, section.id, repeat),
        kind,
        roomId: room.id,
        sectionId: section.id,
        ...(tool ? { tool } : {}),
        ...(kind === "pre-spray" && section.fill ? { fillId: section.fill.id } : {}),
      },
      seconds,
      more,
    );
  const vessel = `sprayer:${section.fill?.vesselId ?? ""}`;
  const spray = step("pre-spray", work.spray * share, vessel);
  const agitate = step("agitate", work.agitate * share, "brush");
  const draws = section.tank === undefined ? [] : [TANKS];
  const clean = step("clean", work.clean * share, `machine:${room.machine}`, undefined, draws) as Task;
  const reMists = Array.from({ length: spray ? section.reMists : 0 }, (_, k) =>
    step("re-mist", spray?.duration ?? 0, "water bottle", k + 1),
  ).flatMap((each) => each ?? []);
  to.addPrecedence(spray, ...reMists, agitate, clean);
  const treated = to.addPrecedence(clean, step("pad", work.pad * share, "pad machine"), ...before.groom());
  const groom = step("groom", work.groom * share);
  to.soon(treated, groom);
  const done = to.addPrecedence(treated, groom);
  if (spray && room.spray) {
    const { dwell, openTime } = room.spray;
    const stands = standsFor(section, room.spray);
    const { least: minLag, most: maxLag } = windowOf(
      { duration: spray.duration, stands, dwell },
      clean.duration,
    );
    const label = labelMost(room.spray);
    if (section.holdsLabel && label < Number.POSITIVE_INFINITY) {
      const { most } = windowOf({ duration: spray.duration, stands: label, dwell }, clean.duration);
      to.lags.push({ from: spray.id, to: clean.id, maxLag: most, kind: "label" });
    }
    if (reMists.length === 0) to.lags.push({ from: spray.id, to: clean.id, minLag, maxLag });
    else {
      to.lags.push({ from: spray.id, to: clean.id, minLag });
      let wetted: Task = spray;
      for (const each of reMists) {
        to.lags.push({ from: wetted.id, to: each.id, maxLag: Math.floor(openTime) });
        wetted = each;
      }
      to.lags.push({ from: wetted.id, to: clean.id, maxLag });
    }
  }
  return { spray, clean, done: done as Task, reMistIds: reMists.map(({ id }) => id) };
}

/**
 * A job as a scheduling problem: its rooms cut into sections, everything that has to be done with its hands, tools and
 * circuits, and what waits for what. One of each tool; rooms done by one machine in the order given; nobody walks over what
 * has been sprayed or cleaned; a section is cleaned between its dwell and its open time; a sprayer is filled when the fill
 * before it has gone on. Times are whole seconds.
 */
export function buildJobProblem(input: RunInput): JobProblem | DivisionFault {
  const cut = divideJob(input);
  if ("code" in cut) return cut;
  const paced = stretchOf(input);
  const to = new ProblemBuilder(input.crew.people);
  const setUp = to.add({ id: SET_UP, kind: "set-up" }, PACES.setUp);
  const bag = { area: 0 };
  const sections: SectionTask[] = [];
  const rooms = new Map<string, { readonly firstWet: Task; readonly last: Task }>();
  const vessels = new VesselQueues(to, input.fills, cut.sections);
  let run = -1;
  for (const room of input.rooms) {
    const dwell = room.spray?.dwell ?? 0;
    const label = room.spray ? labelMost(room.spray) : Number.POSITIVE_INFINITY;
    to.next(dwell);
    const ready = prepareRoom(room, input, paced, to, bag);
    const machine = `machine:${room.machine}`;
    let firstWet: Task | undefined;
    let left: Task | undefined;
    const last = (kind: StepKind, seconds: number) =>
      to.add({ id: roomStepId(kind, room.id), kind, roomId: room.id }, seconds);
    const work = stepDurations(room, input.crew);
    // What cleaning leaves is treated when the room is through, before its pile is set up.
    const treat = () => [last("spots", work.spots * paced), last("odour", work.odour * paced)];
    const own = cut.sections.filter(({ roomId }) => roomId === room.id);
    for (const section of own) {
      to.next(dwell);
      const fill = vessels.fillFor(section);
      if (section.tank !== undefined && section.tank > run) {
        const solution = input.tanks[section.tank]?.solution ?? 0;
        if (run >= 0)
          to.queue(
            TANKS,
            to.add(
              { id: tankTripStepId(section.tank), kind: "tank-trip", tool: machine },
              tripTime(solution),
              [TANKS],
            ),
          );
        run = section.tank;
      }
      const { spray, clean, done, reMistIds } = workSection(section, room, input, paced, to, {
        groom: section === own.at(-1) ? treat : () => [],
      });
      to.addPrecedence(ready, spray ?? clean);
      to.addPrecedence(setUp, clean);
      // Nobody goes back over what is clean to set its far end up.
      to.addPrecedence(left, clean);
      to.queue(machine, clean);
      // All that draws on the tanks goes in the order the water was planned in, whatever the machine.
      if (section.tank !== undefined) to.queue(TANKS, clean);
      if (spray) {
        vessels.sprayed(section, spray);
        const keeps = section.fill?.potLife;
        if (fill && keeps !== undefined)
          to.lags.push({
            from: fill.id,
            to: spray.id,
            maxLag: Math.floor(keeps) + fill.duration - spray.duration,
          });
      }
      firstWet ??= spray ?? clean;
      left = done;
      sections.push({
        ...section,
        dwell: Math.ceil(room.spray?.dwell ?? 0),
        open: Math.floor(room.spray?.openTime ?? 0),
        stands: Math.floor(
          room.spray
            ? Math.min(standsFor(section, room.spray), section.holdsLabel ? label : Number.POSITIVE_INFINITY)
            : 0,
        ),
        ...(label < Number.POSITIVE_INFINITY ? { labelMost: Math.floor(label) } : {}),
        ...(spray ? { sprayId: spray.id } : {}),
        cleanId: clean.id,
        reMistIds,
      });
    }
    const fans = last("fans", room.fans * PACES.fan);
    to.soon(left, fans);
    const end = to.addPrecedence(left, fans);
    if (firstWet && end) rooms.set(room.id, { firstWet, last: end });
  }
  vessels.finish();
  for (const [i, room] of input.rooms.entries())
    for (const over of room.wayOut) {
      // An order that treads on what is done is the person's to mend: the walk-out says so.
      const later = input.rooms.findIndex(({ id }) => id === over) > i;
      const [own, other] = [rooms.get(room.id), rooms.get(over)];
      if (later && own && other) to.addPrecedence(own.last, other.firstWet);
    }
  for (const [id, { start, end, roomId, what }] of input.logged ?? [])
    if (isOwnStep(id) && (start ?? end) !== undefined)
      to.add(
        {
          id,
          kind: "own",
          ...(roomId === undefined ? {} : { roomId }),
          ...(what === undefined ? {} : { what }),
        },
        PACES.own,
      );
  const goesOn = new Set(to.lags.flatMap(({ from, minLag }) => (minLag === undefined ? [] : [from])));
  const ends = to.tasks.filter(({ id }) => id !== START && !goesOn.has(id));
  const packUp = to.add({ id: PACK_UP, kind: "pack-up" }, PACES.packUp);
  for (const each of ends) to.addPrecedence(each, packUp);
  for (const { id, at, length } of input.breaks) {
    const task = to.add({ id: breakStepId(id), kind: "break" }, length);
    const second = Math.round(at);
    if (task) to.lags.push({ from: START, to: task.id, minLag: second, maxLag: second });
  }
  const kindOf = (i: number) => to.steps[i - 1]?.kind ?? "set-up";
  const ranks = [
    ...DWELLS_AHEAD.map((share) =>
      to.parts.map(({ before, dwell }, i) => {
        const sooner = STEP_FACTS[kindOf(i)].sectionsAhead;
        return sooner === 0
          ? before
          : before - share * dwell - (sooner > 1 ? PREPARED_AHEAD * (sooner - 1) : 0);
      }),
    ),
    ...LOOK_AHEAD.map((ahead) =>
      to.turns.map((turn, i) => turn - ahead * STEP_FACTS[kindOf(i)].sectionsAhead),
    ),
  ];
  return { problem: to.finish(input), steps: to.steps, sections, driesFirst: cut.driesFirst, ranks };
}
