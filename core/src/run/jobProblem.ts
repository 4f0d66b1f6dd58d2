import { breakStepId, isOwnStep, PACK_UP, roomStepId, SET_UP, tankTripStepId } from "../log/index.ts";
import { omitAbsent } from "../omitAbsent.ts";
import { START, type Task } from "../scheduling/index.ts";
import { type DividedSection, type DivisionFault, divideJob } from "./divideJob.ts";
import type { RunInput, RunRoom } from "./input.ts";
import type { JobProblem, SectionTask } from "./jobTasks.ts";
import { ProblemBuilder } from "./problemBuilder.ts";
import { prepareRoom, TANKS, workSection } from "./roomTasks.ts";
import { STEP_FACTS } from "./stepFacts.ts";
import { PACES, type StepKind } from "./stepKinds.ts";
import { VesselQueues } from "./vesselQueues.ts";
import { stepDurations, stretchOf, tripTime } from "./work.ts";

/** Sections that work runs ahead of the cleaning, to be tried. */
const LOOK_AHEAD = [0.75, 1.5, 2.5, 4] as const;
/** Shares of its dwell that a section is begun before its cleaning, to be tried, and s that what prepares a room is before that. */
const DWELLS_AHEAD = [0.5, 1, 1.5, 2] as const;
const PREPARED_AHEAD = 600;

/** First thing wet, last thing done to the floor, and last thing done in a room. */
interface RoomEnds {
  readonly firstWet: Task;
  readonly left: Task;
  readonly last: Task;
}

/** Writes the rooms of one job down, one after the other. */
class RoomWriter {
  readonly sections: SectionTask[] = [];
  readonly ends = new Map<string, RoomEnds>();
  private readonly setUp: Task | undefined;
  private readonly vessels: VesselQueues;
  private readonly bag = { area: 0 };
  private readonly paced: number;
  /** Which run of the machine's tanks it is. */
  private run = -1;

  constructor(
    private readonly input: RunInput,
    private readonly cut: readonly DividedSection[],
    private readonly to: ProblemBuilder,
  ) {
    this.paced = stretchOf(input);
    this.setUp = to.add({ id: SET_UP, kind: "set-up" }, PACES.setUp);
    this.vessels = new VesselQueues(to, input.fills, cut);
  }

  write(room: RunRoom): void {
    const { to, input, paced, vessels } = this;
    const dwell = room.spray?.dwell ?? 0;
    to.next(dwell);
    const { ready, odour } = prepareRoom(room, input, paced, to, this.bag);
    const last = (kind: StepKind, seconds: number) =>
      to.add({ id: roomStepId(kind, room.id), kind, roomId: room.id }, seconds);
    const work = stepDurations(room, input.crew);
    // What cleaning leaves is treated when the room is through, before its pile is set up.
    const treat = () => [
      last("spots", work.spots * paced),
      room.odourBefore ? undefined : last("odour", work.odour * paced),
    ];
    const own = this.cut.filter(({ roomId }) => roomId === room.id);
    let firstWet: Task | undefined;
    let left: Task | undefined;
    for (const section of own) {
      to.next(dwell);
      vessels.fillFor(section);
      this.refill(section, room);
      const { spray, clean, done, task } = workSection(section, room, input, paced, to, {
        groom: section === own.at(-1) ? treat : () => [],
      });
      to.addPrecedence(ready, spray ?? clean);
      to.stand(odour, spray ?? clean, room.odourBefore?.dwell ?? 0);
      to.addPrecedence(this.setUp, clean);
      // Nobody goes back over what is clean to set its far end up.
      to.addPrecedence(left, clean);
      to.queue(`machine:${room.machine}`, clean);
      // All that draws on the tanks goes in the order the water was planned in, whatever the machine.
      if (section.tank !== undefined) to.queue(TANKS, clean);
      if (spray) vessels.sprayed(section, spray);
      firstWet ??= spray ?? clean;
      left = done;
      this.sections.push(task);
    }
    const fans = last("fans", room.fans * PACES.fan);
    to.soon(left, fans);
    const end = to.addPrecedence(left, fans);
    if (firstWet && left && end) this.ends.set(room.id, { firstWet, left, last: end });
  }

  /** A trip to tap and drain where the tanks planned for what came before are spent. */
  private refill({ tank }: DividedSection, room: RunRoom): void {
    if (tank === undefined || tank <= this.run) return;
    const solution = this.input.tanks[tank]?.solution ?? 0;
    const tool = `machine:${room.machine}`;
    if (this.run >= 0)
      this.to.queue(
        TANKS,
        this.to.add({ id: tankTripStepId(tank), kind: "tank-trip", tool }, tripTime(solution), [TANKS]),
      );
    this.run = tank;
  }

  /** What dries to a powder is vacuumed up when its floor and those on the way to it have dried. */
  private vacuumAgain(room: RunRoom): void {
    const { to, input, paced } = this;
    if (!room.vacuumedAfter) return;
    const vacuum = to.add(
      { id: roomStepId("last-vacuum", room.id), kind: "last-vacuum", roomId: room.id, tool: "vacuum" },
      stepDurations(room, input.crew).vacuum * paced,
    );
    for (const { roomId, seconds } of room.vacuumedAfter) {
      const left = this.ends.get(roomId)?.left;
      if (left && vacuum) to.stand(left, vacuum, seconds);
    }
  }

  /** Nothing is wet before the last room is vacuumed. */
  private vacuumFirst(): void {
    const vacuums = new Set(this.to.steps.flatMap(({ id, kind }) => (kind === "vacuum" ? [id] : [])));
    const tasks = this.to.tasks.filter(({ id }) => vacuums.has(id));
    for (const { firstWet } of this.ends.values())
      for (const task of tasks) this.to.addPrecedence(task, firstWet);
  }

  finish(): void {
    this.vessels.finish();
    if (this.input.vacuumFirst) this.vacuumFirst();
    for (const [i, room] of this.input.rooms.entries())
      for (const over of room.wayOut) {
        // An order that treads on what is done is the person's to mend: the walk-out says so.
        const later = this.input.rooms.findIndex(({ id }) => id === over) > i;
        const [own, other] = [this.ends.get(room.id), this.ends.get(over)];
        if (later && own && other) this.to.addPrecedence(own.last, other.firstWet);
      }
    for (const room of this.input.rooms) this.vacuumAgain(room);
  }
}

/** Steps of somebody's own, packing up after all else, and breaks at their hours. */
function addTheRest({ logged, breaks }: RunInput, to: ProblemBuilder): void {
  for (const [id, { start, end, roomId, what }] of logged ?? [])
    if (isOwnStep(id) && (start ?? end) !== undefined)
      to.add({ id, kind: "own", ...omitAbsent({ roomId, what }) }, PACES.own);
  const goesOn = new Set(to.lags.flatMap(({ from, minLag }) => (minLag === undefined ? [] : [from])));
  const ends = to.tasks.filter(({ id }) => id !== START && !goesOn.has(id));
  const packUp = to.add({ id: PACK_UP, kind: "pack-up" }, PACES.packUp);
  for (const each of ends) to.addPrecedence(each, packUp);
  for (const { id, at, length } of breaks) {
    const task = to.add({ id: breakStepId(id), kind: "break" }, length);
    const second = Math.round(at);
    if (task) to.lags.push({ from: START, to: task.id, minLag: second, maxLag: second });
  }
}

/** Orders that usually work: each section begun so long, or so many sections, before its cleaning. */
function usualOrders({ parts, turns, steps }: ProblemBuilder): number[][] {
  const kindOf = (i: number) => steps[i - 1]?.kind ?? "set-up";
  return [
    ...DWELLS_AHEAD.map((share) =>
      parts.map(({ before, dwell }, i) => {
        const sooner = STEP_FACTS[kindOf(i)].sectionsAhead;
        return sooner === 0
          ? before
          : before - share * dwell - (sooner > 1 ? PREPARED_AHEAD * (sooner - 1) : 0);
      }),
    ),
    ...LOOK_AHEAD.map((ahead) => turns.map((turn, i) => turn - ahead * STEP_FACTS[kindOf(i)].sectionsAhead)),
  ];
}

/**
 * A job as a scheduling problem: its rooms cut into sections, everything that has to be done with its hands, tools and
 * circuits, and what waits for what. One of each tool; rooms done by one machine in the order given; nobody walks over what
 * has been sprayed or cleaned; a section is cleaned between its dwell and its open time; a sprayer is filled when the fill
 * before it has gone on, and rinsed between two mixes. Times are whole seconds.
 */
export function buildJobProblem(input: RunInput): JobProblem | DivisionFault {
  const cut = divideJob(input);
  if ("code" in cut) return cut;
  const to = new ProblemBuilder(input.crew);
  const rooms = new RoomWriter(input, cut.sections, to);
  for (const room of input.rooms) rooms.write(room);
  rooms.finish();
  addTheRest(input, to);
  return {
    problem: to.finish(input),
    steps: to.steps,
    sections: rooms.sections,
    driesFirst: cut.driesFirst,
    ranks: usualOrders(to),
  };
}
