import { sectionId } from "../log/index.ts";
import { cleaningWindow, divideRoom, largestSection, type SectionWork } from "./divideRoom.ts";
import type { RunFill, RunInput, RunRoom } from "./input.ts";
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
/** A label's longest dwell is held to where it leaves at least so long, s, to clean in. */
const MIN_LEEWAY = 120;

/** What ends the time that a spray may stand. */
export type StandLimit = "dry-out" | "label" | "foam";

/** The last second of standing that still is as it should be: before the film is half gone, as the label has it, before a foam falls. */
export function maxStandTime({ openTime, dwell, dwellMost = 0, standsFor }: NonNullable<RunRoom["spray"]>): {
  readonly most: number;
  readonly limit: StandLimit;
} {
  const label = dwellMost - dwell >= MIN_LEEWAY ? dwellMost : Number.POSITIVE_INFINITY;
  const foam = dwell + (standsFor ?? Number.POSITIVE_INFINITY);
  const most = Math.min(openTime, label, foam);
  return { most, limit: most === foam ? "foam" : most === label ? "label" : "dry-out" };
}

/** How large a room's sections may be, and how often they have to be misted; undefined where it dries whatever one does. */
export function sectionsAhead(
  room: RunRoom,
  crew: RunInput["crew"],
  stretch: number,
): { readonly largest: number; readonly reMists: number } | undefined {
  const { spray, area } = room;
  if (!spray) return { largest: area, reMists: 0 };
  const own = stepDurations(room, crew);
  const perArea = (seconds: number) => (seconds * stretch) / area;
  const work: SectionWork = {
    sprayTime: perArea(own.spray),
    agitateTime: perArea(own.agitate),
    cleanTime: perArea(own.clean),
    dwell: spray.dwell,
    open: maxStandTime(spray).most,
  };
  const largest = largestSection(work, area);
  if (largest > 0) return { largest, reMists: 0 };
  const reMists = Math.ceil(spray.dwell / (RE_MIST_AT * spray.openTime));
  // What was misted last stands like what was sprayed last, only that its dwell is over.
  const misted = largestSection({ ...work, dwell: 0, open: RE_MIST_AT * spray.openTime }, area);
  return reMists > MAX_RE_MISTS || misted === 0 ? undefined : { largest: misted, reMists };
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
    const { largest, reMists } = ahead[i] ?? { largest: area, reMists: 0 };
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
