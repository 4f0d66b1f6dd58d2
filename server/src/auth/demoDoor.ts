import { type CrewId, type PersonId, Role, type Role as RoleName } from "@scutch/contract";
import type { Request } from "express";
import type { Actor } from "../actor.ts";
import type { Db } from "../db/connect.ts";
import { anyAccount, listMembersOf } from "../features/account/service.ts";
import { loneDemoCrew } from "../features/crew/service.ts";

/** Says as which of its people the demo is seen. */
export const DEMO_COOKIE = "scutch-demo";

/** Lets everybody on this machine into the demo, as its owner or another of its people, until there is an account or a crew here. */
export class DemoDoor {
  constructor(private readonly db: Db) {}

  /** The demo’s crew while the door is open. */
  private async crew(): Promise<CrewId | undefined> {
    return (await anyAccount(this.db)) ? undefined : loneDemoCrew(this.db);
  }

  async isOpen(): Promise<boolean> {
    return (await this.crew()) !== undefined;
  }

  async actorOf(request: Request): Promise<Actor | undefined> {
    const crewId = await this.crew();
    if (crewId === undefined) return undefined;
    const role = roleIn(request);
    const members = await listMembersOf(this.db, crewId);
    const person = members.find((member) => member.role === role);
    return (
      person && {
        crewId,
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
