import type { CrewId, PersonId, Role } from "@scutch/contract";

/** Who asks: whose work it is, who of them, and what they may do. */
export interface Actor {
  readonly crewId: CrewId;
  readonly person: { readonly id: PersonId; readonly name: string };
  readonly role: Role;
  /** The sign-in it comes from; absent in the demo, which has none. */
  readonly sessionId?: string;
}
