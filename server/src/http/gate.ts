import { CONTRACT_HEADER, CREW_HEADER, OLDEST_CONTRACT } from "@scutch/contract";
import type { Request, RequestHandler, Response } from "express";
import { ApiFailure } from "../failures.ts";
import type { Actor, ActorOf } from "./context.ts";
import { withinDeadline } from "./deadline.ts";

/** What a device says of itself; an event stream, which sends no headers of its own, says it in its address. */
const said = (request: Request, header: string, query: string): string | undefined => {
  const asked = request.query[query];
  return request.get(header) ?? (typeof asked === "string" ? asked : undefined);
};

/** Refuses an app too old to be understood. What sends no version (a script, a reader of the API) is checked as it is. */
export const contractGate =
  (oldest = OLDEST_CONTRACT): RequestHandler =>
  (request, _response, next) => {
    const spoken = said(request, CONTRACT_HEADER, "contract");
    if (spoken !== undefined && !(Number(spoken) >= oldest)) throw new ApiFailure("update-needed");
    next();
  };

/**
 * Finds out who asks, once for each request. A device says whose work it sends: another crew's, left on the same phone, is
 * refused before anything is looked at.
 */
export const actorGate =
  (actorOf: ActorOf): RequestHandler =>
  async (request, response, next) => {
    const actor = await withinDeadline(actorOf(request));
    if (!actor) throw new ApiFailure("signed-out");
    const meant = said(request, CREW_HEADER, "crew");
    if (meant !== undefined && meant !== actor.crewId) throw new ApiFailure("wrong-crew");
    response.locals.actor = actor;
    next();
  };

export const actorIn = (response: Response): Actor => response.locals.actor as Actor;
