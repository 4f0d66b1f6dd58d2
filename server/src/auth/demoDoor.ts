import { type CrewId, type PersonId, Role, type Role as RoleName } from "@scutch/contract";
import type { Request } from "express";
import type { Actor } from "../actor.ts";
import type { Db } from "../db/connect.ts";
import { anyAccount, listMembersOf } from "../features/account/service.ts";
import { demoCrew } from "../features/crew/service.ts";

/** Says as which of its people the demo is seen. */
export const DEMO_COOKIE = "scutch-demo";

/** Lets everybody on this machine into the demo, as its owner or another of its people, until somebody has an account here. */
export class DemoDoor {
  private isShut = false;

  constructor(private readonly db: Db) {}

  async isOpen(): Promise<boolean> {
    // Accounts don't go away again: once there is one, the door stays shut.
    this.isShut ||= await anyAccount(this.db);
    return !this.isShut && (await demoCrew(this.db)) !== undefined;
  }

  async actorOf(request: Request): Promise<Actor | undefined> {
    if (!(await this.isOpen())) return undefined;
    const crewId = await demoCrew(this.db);
    if (crewId === undefined) return undefined;
    const role = roleIn(request);
    const members = await listMembersOf(this.db, crewId);
    const person = members.find((member) => member.role === role);
    return (
      person && {
        crewId: crewId as CrewId,
        person: { id: person.id as PersonId, name: person.name },
        role: person.role,
      }
    );
  }
}

function roleIn(request: Request): RoleName {
  const cookie = (request.headers.cookie ?? "")
    .split(/;\s*/)
    .find((each) => each.startsWith(`${DEMO_COOKIE}=`));
  const said = Role.safeParse(cookie?.slice(DEMO_COOKIE.length + 1));
  return said.success ? said.data : "owner";
}
