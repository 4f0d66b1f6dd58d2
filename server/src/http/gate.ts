import {
  CONTRACT_HEADER,
  CREW_HEADER,
  may,
  type Needs,
  OLDEST_CONTRACT,
  PERSON_HEADER,
} from "@scutch/contract";
import type { Request, RequestHandler, Response } from "express";
import type { Actor } from "../actor.ts";
import { ApiFailure } from "../failures.ts";
import type { ActorOf } from "./context.ts";
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
    response.locals.actor = await actorFor(actorOf, request, response);
    next();
  };

/** Who asks; throws signed-out, wrong-crew where the crew the device means isn't theirs, or other-person where its work is somebody else's. */
export async function actorFor(actorOf: ActorOf, request: Request, response: Response): Promise<Actor> {
  const meant = said(request, CREW_HEADER, "crew");
  const actor = await withinDeadline(actorOf(request, meant, response));
  if (!actor) throw new ApiFailure("signed-out");
  if (meant !== undefined && meant !== actor.crewId) throw new ApiFailure("wrong-crew");
  const sender = said(request, PERSON_HEADER, "person");
  if (sender !== undefined && sender !== actor.person.id) throw new ApiFailure("other-person");
  return actor;
}

export const actorIn = (response: Response): Actor => response.locals.actor as Actor;

/** Throws not-allowed where a role has none of the permissions that are needed. */
export function requirePermission({ role }: Pick<Actor, "role">, needs: Needs): void {
  const enough = needs === "anyone" ? [] : typeof needs === "string" ? [needs] : needs;
  if (enough.length > 0 && !enough.some((permission) => may(role, permission)))
    throw new ApiFailure("not-allowed");
}

/**
 * Looks again whether an open stream's device may listen, and ends the stream where it may not: signed out, another role, another
 * crew. A database that is away ends nothing.
 */
export async function endUnlessPermitted(
  actorOf: ActorOf,
  needs: Needs,
  request: Request,
  response: Response,
): Promise<void> {
  try {
    const actor = await actorFor(actorOf, request, response);
    requirePermission(actor, needs);
    if (actor.role !== actorIn(response).role) response.end();
  } catch (error) {
    if (error instanceof ApiFailure && error.code !== "unavailable") response.end();
  }
}
