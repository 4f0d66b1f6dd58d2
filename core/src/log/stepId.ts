/**
 * Ids of steps. The append-only log names steps by them, so this grammar is kept for ever, and it is written and read here alone;
 * everything else goes by the fields of an entry.
 *
 *     step    = "set-up" | "pack-up"
 *             | kind ":" roomId                        a step of a whole room
 *             | kind ":" roomId "." number             a piece of its vacuuming, or a step of one section
 *             | "re-mist:" roomId "." number "-" n     the nth misting of a section
 *             | "fill:" batchId "." n                  the nth fill of a mix
 *             | "rinse:" batchId "." n                 rinsing the vessel before that fill
 *             | "tank-trip:" n | "break:" id | "own:" id
 *     section = roomId "." number
 *     fill    = batchId "." n
 */
export const SET_UP = "set-up";
export const PACK_UP = "pack-up";

export const sectionId = (roomId: string, number: number): string => `${roomId}.${number}`;
/** A mix's fill, from 1. */
export const fillId = (batchId: string, number: number): string => `${batchId}.${number}`;

/** A step of a room, or of the `piece`th piece of it. */
export const roomStepId = (kind: string, roomId: string, piece?: number): string =>
  `${kind}:${piece === undefined ? roomId : sectionId(roomId, piece)}`;

/** A step of a section; of several of a kind the `repeat`th, from 1. */
export const sectionStepId = (kind: string, section: string, repeat?: number): string =>
  `${kind}:${section}${repeat === undefined ? "" : `-${repeat}`}`;

export const fillStepId = (fill: string): string => `fill:${fill}`;
export const rinseStepId = (fill: string): string => `rinse:${fill}`;
export const tankTripStepId = (trip: number): string => `tank-trip:${trip}`;
export const breakStepId = (id: string): string => `break:${id}`;
/** A step someone added on the way. */
export const ownStepId = (id: string): string => `own:${id}`;

export const isBreakStep = (step: string): boolean => step.startsWith("break:");
export const isOwnStep = (step: string): boolean => step.startsWith("own:");

/** A step's kind, and what it is of: a room, a section, a fill, a break; empty where it is of none. */
export function parseStepId(step: string): { readonly kind: string; readonly subject: string } {
  const colon = step.indexOf(":");
  return colon < 0
    ? { kind: step, subject: "" }
    : { kind: step.slice(0, colon), subject: step.slice(colon + 1) };
}

/** Whether a step's subject is this room or a part of it. */
export const isOfRoom = (subject: string, roomId: string): boolean =>
  subject === roomId || subject.startsWith(`${roomId}.`);

/** Which piece of a room a step's subject is; undefined: the whole room, or another. */
export const pieceNumber = (subject: string, roomId: string): number | undefined =>
  subject.startsWith(`${roomId}.`) ? Number(subject.slice(roomId.length + 1)) : undefined;
