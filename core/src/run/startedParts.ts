import { parseStepId, pieceNumber, roomStepId } from "../log/index.ts";
import { minShare, type Section } from "./divideRoom.ts";
import type { RunInput, RunRoom, WorkedPart } from "./input.ts";
import { AREA_PER_BAG } from "./stepKinds.ts";

/** Shares nearer to each other than this are one line on the floor. */
const SAME = 1e-6;

/** What is begun of a room: its parts side by side from the far corner, and every number that stands for something in the log. */
export interface StartedRoom {
  readonly parts: readonly WorkedPart[];
  readonly numbers: ReadonlySet<number>;
}
export const NOT_STARTED: StartedRoom = { parts: [], numbers: new Set() };

/**
 * The parts of each room that were begun, from the far corner on, by room. What was sprayed or cleaned stays as it was cut, whatever air and
 * size are said to be since; of two phones that cut one room apart, whoever's part is nearer the far corner comes first.
 */
export function startedParts(logged: RunInput["logged"] = new Map()): ReadonlyMap<string, StartedRoom> {
  const all = new Map<string, Map<number, WorkedPart>>();
  for (const { roomId, part, start, end, skipped, joined } of logged.values()) {
    if (roomId === undefined || part === undefined) continue;
    if (start === undefined && end === undefined && skipped === undefined && !joined) continue;
    const own = all.get(roomId) ?? new Map<number, WorkedPart>();
    if (!own.has(part.number)) own.set(part.number, part);
    all.set(roomId, own);
  }
  return new Map(
    [...all].map(([roomId, own]) => {
      let reached = 0;
      const parts = [...own.values()]
        .toSorted((a, b) => a.from - b.from || a.to - b.to || a.number - b.number)
        .flatMap(({ number, from, to }): WorkedPart[] => {
          const start = Math.max(from, reached);
          if (to - start < SAME) return [];
          reached = to;
          return [{ number, from: start, to }];
        });
      return [roomId, { parts, numbers: new Set(own.keys()) }] as const;
    }),
  );
}

/** What of a room nobody has begun, from the far corner on; slivers between two parts belong to nobody. */
export function unstartedRanges(
  room: Pick<RunRoom, "area" | "strip">,
  begun: readonly WorkedPart[],
): Section[] {
  const least = begun.length === 0 ? 0 : minShare(room.area, room.strip);
  const gaps: Section[] = [];
  let from = 0;
  for (const { from: start, to } of [...begun, { from: 1, to: 1 }]) {
    if (start - from > least) gaps.push({ from, to: start });
    from = Math.max(from, to);
  }
  return gaps;
}

/** Parts and what is cut afresh beside them, from the far corner on; fresh ones take the numbers nobody has. */
export function numberParts({ parts, numbers: taken }: StartedRoom, fresh: readonly Section[]): WorkedPart[] {
  let next = 0;
  const free = () => {
    do next++;
    while (taken.has(next));
    return next;
  };
  return [...parts, ...fresh.map((each) => ({ ...each, number: free() }))].toSorted(
    (a, b) => a.from - b.from,
  );
}

/**
 * Into how many pieces a room's vacuuming is cut: a bag's worth at a time, so that a break finds its place in a hall; as it was
 * when it was begun, and never so that a piece done is none any more.
 */
export function vacuumPieces({ id, area }: Pick<RunRoom, "id" | "area">, logged: RunInput["logged"]): number {
  const cut = Math.ceil(area / AREA_PER_BAG);
  const whole = roomStepId("vacuum", id);
  const begun = [...(logged ?? [])].flatMap(([step, { start, end, skipped }]) =>
    (start ?? end ?? skipped) === undefined ? [] : [step],
  );
  if (begun.includes(whole)) return 1;
  const pieces = begun.flatMap((step) => {
    const { kind, subject } = parseStepId(step);
    return kind === "vacuum" ? (pieceNumber(subject, id) ?? []) : [];
  });
  return pieces.length > 0 ? Math.max(cut, 2, ...pieces) : cut;
}
