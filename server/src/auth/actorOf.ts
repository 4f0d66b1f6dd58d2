import type { CrewId, PersonId } from "@scutch/contract";
import { fromNodeHeaders } from "better-auth/node";
import type { Db } from "../db/connect.ts";
import { ApiFailure } from "../failures.ts";
import { crewsOf } from "../features/account/service.ts";
import type { ActorOf } from "../http/context.ts";
import type { Accounts } from "./accounts.ts";
import type { DemoDoor } from "./demoDoor.ts";

/**
 * Who a request comes from: by its session, else through the door of the demo while that is open. Someone in no crew any more is signed
 * out for all we know.
 */
export const actorOfSession =
  (db: Db, accounts: Accounts, demo: DemoDoor | undefined): ActorOf =>
  async (request, crew, response) => {
    const { response: session, headers } = await accounts.api.getSession({
      headers: fromNodeHeaders(request.headers),
      returnHeaders: true,
    });
    if (!session) return demo?.actorOf(request);
    if (!response.headersSent)
      for (const cookie of headers.getSetCookie()) response.append("Set-Cookie", cookie);
    const crews = await crewsOf(db, session.user.id);
    const own = crew === undefined ? crews[0] : crews.find(({ id }) => id === crew);
    if (!own && crews.length > 0) throw new ApiFailure("wrong-crew");
    return (
      own && {
        crewId: own.id as CrewId,
        person: { id: session.user.id as PersonId, name: session.user.name },
        role: own.role,
        sessionId: session.session.id,
      }
    );
  };
