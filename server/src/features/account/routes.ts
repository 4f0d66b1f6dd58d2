import { endpoints, type Me } from "@scutch/contract";
import type { Router } from "express";
import { type Actor, requireAccount } from "../../actor.ts";
import { invalid } from "../../failures.ts";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import {
  changeRole,
  listDevices,
  listInvites,
  listMembers,
  makeInvite,
  readAudit,
  readMe,
  removeMember,
  signOutDevice,
  withdrawInvite,
} from "./service.ts";

const DONE = { done: true } as const;

/** The people of a crew, their invites and devices. Getting in at all is with the sign-in: see auth/doorRoutes. */
export function accountRoutes(router: Router, { db, feed, mailer, mailbox, origin }: Context): void {
  const now = () => new Date();
  /** What a device may hear has changed: the crew's streams are looked at again. */
  const recheck = async ({ crewId }: Actor, work: Promise<void>) => {
    await work;
    feed.recheck(crewId);
    return DONE;
  };
  mount(router, endpoints.readMe, (_call, actor): Promise<Me> => readMe(db, actor));
  mount(router, endpoints.listMembers, async (_call, actor) => ({ members: await listMembers(db, actor) }));
  mount(router, endpoints.changeRole, ({ params, body }, actor) =>
    recheck(actor, changeRole(db, requireAccount(actor), params.personId, body.role)),
  );
  mount(router, endpoints.removeMember, ({ params }, actor) =>
    recheck(actor, removeMember(db, requireAccount(actor), params.personId)),
  );
  mount(router, endpoints.leaveCrew, ({ body }, actor) => {
    if (body.crew !== actor.crewId) throw invalid({ path: ["crew"], code: "unknown-reference" });
    return recheck(actor, removeMember(db, requireAccount(actor), actor.person.id));
  });
  mount(router, endpoints.listInvites, async (_call, { crewId }) => ({
    invites: await listInvites(db, crewId, now()),
  }));
  mount(router, endpoints.makeInvite, async ({ body }, actor) => {
    const { invite, code } = await makeInvite(db, requireAccount(actor), body, now());
    const mailed = body.email !== undefined && mailer !== undefined;
    if (mailed)
      await mailer.send({
        crewId: actor.crewId,
        to: body.email as string,
        subject: `${actor.person.name} invites you to a crew on Scutch`,
        text: `${actor.person.name} invites you as ${invite.role}.\n\nOpen ${origin}/join#${code}\nor enter this code: ${code}\n\nThe invite works once, for 7 days.`,
      });
    return { invite, code, mailed };
  });
  mount(router, endpoints.withdrawInvite, async ({ params }, actor) => {
    await withdrawInvite(db, actor, params.inviteId);
    return DONE;
  });
  mount(router, endpoints.listDevices, async (_call, actor) => ({
    devices: await listDevices(db, actor, now()),
  }));
  mount(router, endpoints.signOutDevice, ({ params }, actor) =>
    recheck(actor, signOutDevice(db, actor, params.sessionId, now())),
  );
  mount(router, endpoints.readMailbox, async (_call, actor) => {
    const { email } = (await readMe(db, actor)).person;
    const mails = mailbox?.mailsFor(actor.crewId, email) ?? [];
    return { mails: mails.map(({ at, to, subject, text }) => ({ at, to, subject, text })) };
  });
  mount(router, endpoints.readAudit, async (_call, { crewId }) => ({ lines: await readAudit(db, crewId) }));
}
