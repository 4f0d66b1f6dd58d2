import { sectionId } from "../log/index.ts";
import { cleaningWindow, divideRoom, largestSection, type SectionWork, SLACK } from "./divideRoom.ts";
import type { RoomSpray, RunFill, RunInput, RunRoom } from "./input.ts";
import { NOT_STARTED, numberParts, type StartedRoom, startedParts, unstartedRanges } from "./startedParts.ts";
import { stepDurations, stretchOf } from "./work.ts";

/** A part of a room sprayed at once and cleaned before it dries out. Shares from the far corner, m². */
export interface DividedSection {
  readonly id: string;
  readonly roomId: string;
  readonly number: number;
  readonly from: number;
  readonly to: number;
  readonly area: number;
  /** Times it is misted with water while it dwells, because it would dry first. */
  readonly reMists: number;
  /** It is small enough to be cleaned within its label's longest dwell. */
  readonly holdsLabel: boolean;
  /** The fill it is sprayed from, and which run of the machine's tanks it belongs to. */
  readonly fill?: RunFill;
  readonly tank?: number;
}

/** A room whose pre-spray dries before anybody could clean any of it, s. */
export interface DriesFirst {
  readonly roomId: string;
  readonly open: number;
  readonly dwell: number;
}

export type DivisionFault =
  | { readonly code: "dries-first"; readonly rooms: readonly DriesFirst[] }
  | { readonly code: "too-many-sections"; readonly sections: number; readonly most: number };

/** More than this on one job is not planned section by section. */
export const MAX_SECTIONS = 120;
/** Misting more often than this isn't work any more: the product or the air has to change. */
const MAX_RE_MISTS = 6;
/** Misted when this share of the open time has gone, so that there is some left. */
const RE_MIST_AT = 0.8;
/** Of the time a label leaves to clean in, the share kept free for hands that aren't clocks, a minute at most. */
const LABEL_SLACK = 0.25;
/** Smaller sections than this, m², aren't cut for a label: it can't be held, and that is said (common practice). */
const MIN_LABEL_SECTION = 1.5;

/** What ends the time that a spray may stand. */
export type StandLimit = "dry-out" | "label" | "foam";

/** The longest dwell a label allows, s; infinite where it names none. */
export const labelMost = ({ dwell, dwellMost }: Pick<RoomSpray, "dwell" | "dwellMost">): number =>
  dwellMost !== undefined && dwellMost >= dwell ? dwellMost : Number.POSITIVE_INFINITY;

/** The last second of standing that still is as it should be: before the film is half gone, and before a foam falls. */
export function maxStandTime({ openTime, dwell, standsFor }: RoomSpray): {
  readonly most: number;
  readonly limit: StandLimit;
} {
  const foam = dwell + (standsFor ?? Number.POSITIVE_INFINITY);
  return foam <= openTime ? { most: foam, limit: "foam" } : { most: openTime, limit: "dry-out" };
}

/** How large a room's sections may be, and what sets it. */
export interface SectionsAhead {
  readonly largest: number;
  /** Times they are misted while they dwell. */
  readonly reMists: number;
  readonly limit: StandLimit;
  /** The sections are small enough for the label's longest dwell, where it has one. */
  readonly holdsLabel: boolean;
}

/** The largest section that can be cleaned before its label's longest dwell is over. */
function largestForLabel(work: Omit<SectionWork, "open">, spray: RoomSpray, area: number): number {
  const open = labelMost(spray);
  return open === Number.POSITIVE_INFINITY
    ? area
    : largestSection({ ...work, open }, area, Math.min(SLACK, LABEL_SLACK * (open - spray.dwell)));
}

/** How large a room's sections may be, and how often they have to be misted; undefined where it dries whatever one does. */
export function sectionsAhead(
  room: RunRoom,
  crew: RunInput["crew"],
  stretch: number,
): SectionsAhead | undefined {
  const { spray, area } = room;
  if (!spray) return { largest: area, reMists: 0, limit: "dry-out", holdsLabel: true };
  const own = stepDurations(room, crew);
  const perArea = (seconds: number) => (seconds * stretch) / area;
  const { most: open, limit } = maxStandTime(spray);
  const work: SectionWork = {
    sprayTime: perArea(own.spray),
    agitateTime: perArea(own.agitate),
    cleanTime: perArea(own.clean),
    dwell: spray.dwell,
    open,
  };
  const byLabel = largestForLabel(work, spray, area);
  const holdsLabel = byLabel >= Math.min(area, MIN_LABEL_SECTION);
  const within = (largest: number, reMists: number): SectionsAhead =>
    holdsLabel && byLabel < largest
      ? { largest: byLabel, reMists, limit: "label", holdsLabel }
      : { largest, reMists, limit, holdsLabel };
  const largest = largestSection(work, area);
  if (largest > 0) return within(largest, 0);
  const reMists = Math.ceil(spray.dwell / (RE_MIST_AT * spray.openTime));
  // What was misted last stands like what was sprayed last, only that its dwell is over.
  const misted = largestSection({ ...work, dwell: 0, open: RE_MIST_AT * spray.openTime }, area);
  return reMists > MAX_RE_MISTS || misted === 0 ? undefined : within(misted, reMists);
}

/** Where in a room, as a share of it, what is dealt out over rooms in order runs out. */
function endsIn(portions: readonly number[]): number[] {
  let gone = 0;
  return portions.map((share) => {
    gone = Math.min(1, gone + share);
    return gone;
  });
}
const portionAt = (ends: readonly number[], share: number) => ends.findIndex((end) => share <= end + 1e-9);

const shareOf = (parts: readonly { readonly roomId: string; readonly share: number }[], roomId: string) =>
  parts.reduce((sum, part) => sum + (part.roomId === roomId ? part.share : 0), 0);

/** Every room of a job cut into sections, and those whose spray dries first. */
export interface JobDivision {
  readonly sections: readonly DividedSection[];
  /** Rooms of a run under way of which the rest isn't cut, and so isn't planned. */
  readonly driesFirst: readonly DriesFirst[];
}

/**
 * Every room of a job cut into sections, also where a fill or the machine's tanks run out. What is begun stays as it was cut. A room
 * whose spray dries first is a fault; once the run is under way the others go on without it.
 */
export function divideJob(input: RunInput): JobDivision | DivisionFault {
  const stretch = stretchOf(input);
  const ahead = input.rooms.map((room) => sectionsAhead(room, input.crew, stretch));
  const begun = startedParts(input.logged);
  const begunIn = (room: RunRoom): StartedRoom => begun.get(room.id) ?? NOT_STARTED;
  const driesFirst = input.rooms.flatMap((room, i) =>
    room.spray &&
    !ahead[i] &&
    !input.finishedSeconds?.has(room.id) &&
    unstartedRanges(room, begunIn(room).parts).length > 0
      ? [{ roomId: room.id, open: room.spray.openTime, dwell: room.spray.dwell }]
      : [],
  );
  if (driesFirst.length > 0 && input.now === undefined) return { code: "dries-first", rooms: driesFirst };
  const sections = input.rooms.flatMap((room, i): DividedSection[] => {
    const { id, area, spray } = room;
    const { largest, reMists, holdsLabel } = ahead[i] ?? { largest: area, reMists: 0, holdsLabel: true };
    const fills = input.fills.filter(({ batchId }) => batchId === spray?.batchId);
    const needed = area * (spray?.rate ?? 0);
    const fillEnds = endsIn(
      fills.map((fill) =>
        shareOf(
          fill.rooms.map((each) => ({ roomId: each.roomId, share: each.volume / needed })),
          id,
        ),
      ),
    );
    const tankEnds = endsIn(input.tanks.map(({ parts }) => shareOf(parts, id)));
    const most = Math.max(largest, area / (2 * MAX_SECTIONS));
    const cuts = [...fillEnds, ...tankEnds];
    const kept = begunIn(room);
    const open = driesFirst.some(({ roomId }) => roomId === id) ? [] : unstartedRanges(room, kept.parts);
    const fresh = open.flatMap((gap) =>
      divideRoom((gap.to - gap.from) * area, {
        largest: most,
        strip: room.strip,
        cuts: cuts.map((cut) => (cut - gap.from) / (gap.to - gap.from)),
      }).map(({ from, to }) => ({
        from: gap.from + from * (gap.to - gap.from),
        to: to === 1 ? gap.to : gap.from + to * (gap.to - gap.from),
      })),
    );
    return numberParts(kept, fresh).map(({ number, from, to }): DividedSection => {
      const middle = (from + to) / 2;
      const fill = fills[portionAt(fillEnds, middle)] ?? fills.at(-1);
      const tank = portionAt(tankEnds, middle);
      return {
        id: sectionId(id, number),
        roomId: id,
        number,
        from,
        to,
        area: (to - from) * area,
        reMists,
        holdsLabel,
        ...(fill ? { fill } : {}),
        ...(tank >= 0 && (tankEnds[tank] ?? 0) > 0 ? { tank } : {}),
      };
    });
  });
  return sections.length > MAX_SECTIONS
    ? { code: "too-many-sections", sections: sections.length, most: MAX_SECTIONS }
    : { sections, driesFirst };
}

/** When the cleaning of what takes so many whole seconds may start after its spraying did, whole seconds. */
export function windowOf(
  spray: { readonly duration: number; readonly stands: number; readonly dwell: number },
  cleaning: number,
) {
  const { least, most } = cleaningWindow(1, {
    sprayTime: spray.duration,
    agitateTime: 0,
    cleanTime: cleaning,
    dwell: Math.ceil(spray.dwell),
    open: Math.floor(spray.stands),
  });
  return { least, most };
}
