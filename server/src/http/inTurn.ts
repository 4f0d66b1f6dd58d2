import { PATHS } from "@scutch/contract";
import { Semaphore, withTimeout } from "async-mutex";
import type { RequestHandler } from "express";
import { ApiFailure } from "../failures.ts";

/** What takes ten times as long as any other request: many plans and logs at once. */
const HEAVY = new Set<string>([PATHS.listJobs, PATHS.catchUpJobs, PATHS.readVisits]);
/** Heavy requests worked on at once: few enough for each to be done well before its deadline. */
const AT_ONCE = 8;
/** They wait this long for their turn, ms; a phone waits 15 s for an answer. */
const PATIENCE = 12_000;
/** A turn ends after this whatever its request does, ms: a body that comes in slowly holds no one else up. */
const LONGEST = 4000;

/**
 * Works on a few heavy requests at once and lets the others wait, first come, first served. Without it, when two hundred phones are back in
 * signal, all are begun, none is done in time, and each is asked for again. Throws unavailable when the wait is too long.
 */
export function inTurn(heavy: ReadonlySet<string> = HEAVY): RequestHandler {
  const turns = withTimeout(new Semaphore(AT_ONCE), PATIENCE, new ApiFailure("unavailable"));
  return async (request, response, next) => {
    if (!heavy.has(request.path)) return next();
    let isGone = false;
    response.once("close", () => {
      isGone = true;
    });
    const [, release] = await turns.acquire();
    const limit = setTimeout(release, LONGEST);
    const end = () => {
      clearTimeout(limit);
      release();
    };
    // Answered: how long the answer is on its way is the line's affair. Or given up.
    response.once("prefinish", end).once("close", end);
    if (isGone) end();
    else next();
  };
}
