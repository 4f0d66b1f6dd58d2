import type { CrewId, PersonId, Role } from "@scutch/contract";
import { ApiFailure } from "./failures.ts";

/** Who asks: whose work it is, who of them, and what they may do. */
export interface Actor {
  readonly crewId: CrewId;
  readonly person: { readonly id: PersonId; readonly name: string };
  readonly role: Role;
  /** The sign-in it comes from; absent in the demo, which has none. */
  readonly sessionId?: string;
}

/** Who asks, where they have an account. Throws not-allowed in the demo, whose people are given. */
export function requireAccount(actor: Actor): Actor {
  if (actor.sessionId === undefined) throw new ApiFailure("not-allowed");
  return actor;
}
