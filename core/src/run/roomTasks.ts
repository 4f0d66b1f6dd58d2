import { roomStepId, sectionStepId } from "../log/index.ts";
import type { Task } from "../scheduling/index.ts";
import { type DividedSection, labelMost, maxStandTime, windowOf } from "./divideJob.ts";
import type { RoomSpray, RunInput, RunRoom } from "./input.ts";
import type { SectionTask, StepTask } from "./jobTasks.ts";
import type { ProblemBuilder } from "./problemBuilder.ts";
import { vacuumPieces } from "./startedParts.ts";
import { AREA_PER_BAG, PACES, type StepKind } from "./stepKinds.ts";
import { stepDurations } from "./work.ts";

/** The machine's solution and recovery tank: one pair, whatever draws on it. */
export const TANKS = "tanks";

/** Furniture, vacuum with its bag, edges, spots and odour to treat first; the last of them, and the treatment that stands. */
export function prepareRoom(
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
  const ready = to.addPrecedence(
    done,
    step("edges", work.edges * paced, "vacuum"),
    step("pre-spot", work.preSpot * paced),
  );
  const odour = room.odourBefore ? step("odour", work.odour * paced) : undefined;
  return { ready: to.addPrecedence(ready, odour), odour };
}

/** What is misted again stands as long as its film does. */
const standsFor = ({ reMists }: DividedSection, spray: RoomSpray) =>
  reMists > 0 ? spray.openTime : maxStandTime(spray).most;

/** What is sprayed is cleaned after its dwell, before its label's longest and before it dries; misted again where it would. */
function keepDwell(
  section: DividedSection,
  sprayed: RoomSpray,
  {
    spray,
    reMists,
    clean,
  }: { readonly spray: Task; readonly reMists: readonly Task[]; readonly clean: Task },
  to: ProblemBuilder,
): void {
  const { dwell, openTime } = sprayed;
  const stands = standsFor(section, sprayed);
  const { least: minLag, most: maxLag } = windowOf(
    { duration: spray.duration, stands, dwell },
    clean.duration,
  );
  const label = labelMost(sprayed);
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

/** Sprays, dwells, agitates, cleans, pads and grooms one section. */
export function workSection(
  section: DividedSection,
  room: RunRoom,
  input: RunInput,
  paced: number,
  to: ProblemBuilder,
  before: { readonly groom: () => readonly (Task | undefined)[] },
) {
  const work = stepDurations(room, input.crew);
  const share = (section.area / room.area) * paced;
  const stepOf = (kind: StepKind, tool?: string, repeat?: number): StepTask => ({
    id: sectionStepId(kind, section.id, repeat),
    kind,
    roomId: room.id,
    sectionId: section.id,
    ...(tool ? { tool } : {}),
    ...(kind === "pre-spray" && section.fill ? { fillId: section.fill.id } : {}),
  });
  const step = (kind: StepKind, seconds: number, tool?: string, repeat?: number) =>
    to.add(stepOf(kind, tool, repeat), seconds);
  const vessel = `sprayer:${section.fill?.vesselId ?? ""}`;
  const spray = step("pre-spray", work.spray * share, vessel);
  const agitate = step("agitate", work.agitate * share, "brush");
  const draws = section.tank === undefined ? [] : [TANKS];
  const clean = to.addAlways(stepOf("clean", `machine:${room.machine}`), work.clean * share, draws);
  const reMists = Array.from({ length: spray ? section.reMists : 0 }, (_, k) =>
    step("re-mist", spray?.duration ?? 0, "water bottle", k + 1),
  ).flatMap((each) => each ?? []);
  to.addPrecedence(spray, ...reMists, agitate, clean);
  const treated = to.addPrecedence(clean, step("pad", work.pad * share, "pad machine"), ...before.groom());
  const groom = step("groom", work.groom * share);
  to.soon(treated, groom);
  const done = to.addPrecedence(treated, groom);
  if (spray && room.spray) keepDwell(section, room.spray, { spray, reMists, clean }, to);
  const label = room.spray ? labelMost(room.spray) : Number.POSITIVE_INFINITY;
  const task: SectionTask = {
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
    reMistIds: reMists.map(({ id }) => id),
  };
  return { spray, clean, done, task };
}
