import { type DryingResult, freeWaterAt, wetShare } from "../drying/index.ts";
import type { JobRun, RunSection, Step } from "./jobRun.ts";
import { STEP_FACTS } from "./stepFacts.ts";

/** What a lane shows of a planned room. Hours after the job's start, residual kg/m². */
export interface LaneRoom {
  readonly id: string;
  readonly name: string;
  readonly area: number;
  readonly passage: boolean;
  readonly finishedAtHours: number;
  readonly finishLogged: boolean;
  readonly residual: number;
  readonly steps: readonly Step[];
}

/** A planned room with what is drawn and told of it. Times s after the job's start. */
export interface RunLane<Room extends LaneRoom = LaneRoom> {
  readonly room: Room;
  readonly sections: readonly RunSection[];
  /** Steps before anything is wet, and after it is clean. */
  readonly dry: readonly Step[];
  readonly finished: number;
  readonly touchDry: number | null;
  readonly dryAtSeconds: number | null;
  /** Wetness, 0…1 of what cleaning left, and what of it is left to lose until dry, at seconds after a section was cleaned. */
  readonly tail: readonly { readonly after: number; readonly wet: number; readonly left: number }[];
}

/** As many points as the eye can tell apart on a tail. */
const POINTS = 14;

/** The rooms of a run in the order worked, each with how it dries from the moment a part of it is clean. */
export function lanesOf<Room extends LaneRoom>(
  planned: readonly Room[],
  run: JobRun,
  result: DryingResult | undefined,
): RunLane<Room>[] {
  return planned.flatMap((room, i): RunLane<Room>[] => {
    if (room.passage) return [];
    const sections = run.sections.filter(({ roomId }) => roomId === room.id);
    const drying = result?.rooms[i];
    const finished = room.finishedAtHours * 3600;
    const hours = (value: number | null | undefined) => (value == null ? null : finished + value * 3600);
    const end = drying?.dryHours ?? 0;
    const course = drying?.course ?? [];
    const wetAt = (after: number) =>
      wetShare(freeWaterAt(course, room.finishedAtHours + after), room.residual);
    return [
      {
        room,
        sections,
        dry: room.steps.filter(({ kind }) => STEP_FACTS[kind].beforeWet),
        finished,
        touchDry: hours(drying?.touchDryHours),
        dryAtSeconds: hours(drying?.dryHours),
        tail: Array.from({ length: end > 0 ? POINTS : 0 }, (_, k) => {
          const after = (k * end) / (POINTS - 1);
          const wet = wetAt(after);
          return { after: after * 3600, wet, left: Math.max(0, (wet - wetAt(end)) / (1 - wetAt(end) || 1)) };
        }),
      },
    ];
  });
}

/** What a section is at a second. */
export type SectionState = "dry" | "sprayed" | "being-cleaned" | "clean";
export function sectionState(section: RunSection, second: number): SectionState {
  if (second >= section.cleanEnd) return "clean";
  if (second >= section.cleanStart) return "being-cleaned";
  return second >= section.sprayStart && section.sprayId !== undefined ? "sprayed" : "dry";
}

/** A pre-spray's wetness beside what cleaning leaves: so that the eye tells them apart. */
const SPRAYED = 0.4;

/** How wet a section is at a second, 0…1; each part dries as its room does, from when it was cleaned itself. */
export function sectionWetness(
  section: RunSection,
  { tail, room }: Pick<RunLane, "tail" | "room">,
  second: number,
): number {
  const state = sectionState(section, second);
  if (state === "dry") return 0;
  if (state === "sprayed") return SPRAYED;
  if (state === "being-cleaned") return room.residual > 0 ? 1 : 0;
  const after = second - section.cleanEnd;
  const next = tail.findIndex((point) => point.after >= after);
  const [a, b] = [tail[next - 1], tail[next]];
  if (next < 0) return 0;
  if (!a || !b) return b?.wet ?? 0;
  return a.wet + ((after - a.after) / (b.after - a.after)) * (b.wet - a.wet);
}

/** What a room is at a second, and the next hour that counts for it. */
export type RoomState =
  | { readonly kind: "to-do" | "preparing" | "prepared"; readonly until?: number }
  | { readonly kind: "dwelling"; readonly ready: number; readonly until: number }
  | { readonly kind: "under-way"; readonly until: number }
  | { readonly kind: "wet" | "touch-dry" | "dry"; readonly until?: number };

export function roomState(lane: RunLane, second: number): RoomState {
  const { sections, dry, finished, touchDry, dryAtSeconds, room } = lane;
  const next = (at: number | null) => (at === null ? {} : { until: at });
  const wet = sections.filter((each) => sectionState(each, second) !== "dry");
  if (second >= finished && (room.finishLogged || wet.length > 0 || sections.length === 0)) {
    if (dryAtSeconds !== null && second >= dryAtSeconds) return { kind: "dry" };
    if (touchDry !== null && second >= touchDry) return { kind: "touch-dry", ...next(dryAtSeconds) };
    return { kind: "wet", ...next(touchDry) };
  }
  const cleaning = sections.find((each) => sectionState(each, second) === "being-cleaned");
  if (cleaning) return { kind: "under-way", until: finished };
  const dwelling = sections.filter((each) => sectionState(each, second) === "sprayed");
  if (dwelling.length > 0)
    return {
      kind: "dwelling",
      ready: Math.min(...dwelling.map(({ sprayStart, dwell }) => sprayStart + dwell)),
      until: Math.min(...dwelling.map(({ cleanDeadline }) => cleanDeadline)),
    };
  if (wet.length > 0) return { kind: "under-way", until: finished };
  const first = sections[0]?.sprayStart;
  const begun = dry.some(({ start }) => start <= second);
  const done = begun && dry.every(({ end }) => end <= second);
  return {
    kind: done ? "prepared" : begun ? "preparing" : "to-do",
    ...(first === undefined ? {} : { until: first }),
  };
}

/** What each of the crew has in hand at a second; undefined: free, waiting for something. */
export const stepAt = (steps: readonly Step[], who: number, second: number): Step | undefined =>
  steps.find(
    (step) => (step.who === who || step.kind === "break") && step.start <= second && second < step.end,
  );

/** What somebody does next after a second. */
export const nextAfter = (steps: readonly Step[], who: number, second: number): Step | undefined =>
  steps.find((step) => (step.who === who || step.kind === "break") && step.start > second);
