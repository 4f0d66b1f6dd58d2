import * as z from "zod";
import {
  AuditLine,
  Device,
  Email,
  Invite,
  InviteCode,
  InviteId,
  Me,
  Member,
  Password,
  SessionId,
} from "../account.ts";
import { CrewId, PersonId } from "../ids.ts";
import { Instant } from "../moment.ts";
import { Name } from "../quantity.ts";
import { Role } from "../role.ts";
import { endpoint, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

const done = z.strictObject({ done: z.literal(true) });
const newPerson = { name: Name, email: Email, password: Password };

/** Who is who in a crew. Signing in itself, with a password or a passkey, is at /auth. */
export const accountEndpoints = {
  readDoor: endpoint({
    method: "get",
    path: PATHS.readDoor,
    needs: "anyone",
    summary:
      "How to get in here: whether there is a demo, whether a crew can be started, whether passkeys work",
    response: z.strictObject({
      demo: z.boolean(),
      start: z.boolean(),
      passkeys: z.boolean(),
      mail: z.boolean().meta({ description: "Mail can be sent, or lands in the mailbox of the demo" }),
    }),
    errors: [],
  }),
  startCrew: endpoint({
    method: "post",
    path: PATHS.startCrew,
    needs: "anyone",
    summary:
      "Start a crew with yourself as its first owner, and sign in. 403 where crews are made by command",
    body: z.strictObject({ crew: Name, ...newPerson }),
    response: Me,
    errors: [...WRITE_ERRORS, 409, 429],
  }),
  readInvite: endpoint({
    method: "get",
    path: PATHS.readInvite,
    needs: "anyone",
    summary: "What an invite is for. 404 if there is none, if it was used, withdrawn, or is too old",
    params: z.strictObject({ code: InviteCode }),
    response: z.strictObject({ crew: Name, role: Role, by: Name }),
    errors: [404, 422, 429],
  }),
  joinCrew: endpoint({
    method: "post",
    path: PATHS.joinCrew,
    needs: "anyone",
    summary: "Use an invite: as a new person, or without one as who is signed in. An invite works once",
    params: z.strictObject({ code: InviteCode }),
    body: z.strictObject({ person: z.strictObject(newPerson).optional() }),
    response: Me,
    errors: [...WRITE_ERRORS, 404, 409, 429],
  }),
  readMe: endpoint({
    method: "get",
    path: PATHS.readMe,
    needs: "read",
    summary: "Who is signed in, their crew and role",
    response: Me,
    errors: [],
  }),
  chooseDemoRole: endpoint({
    method: "put",
    path: PATHS.chooseDemoRole,
    needs: "anyone",
    summary: "See the demo as another of its people. 403 outside the demo",
    body: z.strictObject({ role: Role }),
    response: done,
    errors: WRITE_ERRORS,
  }),
  listMembers: endpoint({
    method: "get",
    path: PATHS.listMembers,
    needs: "read",
    summary: "People of the crew",
    response: z.strictObject({ members: z.array(Member) }),
    errors: [],
  }),
  changeRole: endpoint({
    method: "put",
    path: PATHS.changeRole,
    needs: "manage-crew",
    summary: "Change a person’s role. 409 for the last owner",
    params: z.strictObject({ personId: PersonId }),
    body: z.strictObject({ role: Role }),
    response: done,
    errors: [...WRITE_ERRORS, 404, 409],
  }),
  removeMember: endpoint({
    method: "delete",
    path: PATHS.removeMember,
    needs: "manage-crew",
    summary: "Take a person out of the crew; what they logged stays. 409 for the last owner",
    params: z.strictObject({ personId: PersonId }),
    response: done,
    errors: [403, 404, 409, 422, 426],
  }),
  leaveCrew: endpoint({
    method: "post",
    path: PATHS.leaveCrew,
    needs: "read",
    summary: "Leave the crew. 409 for the last owner",
    body: z.strictObject({ crew: CrewId }),
    response: done,
    errors: [...WRITE_ERRORS, 409],
  }),
  listInvites: endpoint({
    method: "get",
    path: PATHS.listInvites,
    needs: "manage-crew",
    summary: "Invites that weren’t used yet",
    response: z.strictObject({ invites: z.array(Invite) }),
    errors: [403],
  }),
  makeInvite: endpoint({
    method: "post",
    path: PATHS.makeInvite,
    needs: "manage-crew",
    summary:
      "Invite somebody; the answer has the code, which isn’t shown again. With an email it is sent there",
    body: z.strictObject({ role: Role, email: Email.optional() }),
    response: z.strictObject({ invite: Invite, code: z.string(), mailed: z.boolean() }),
    errors: [...WRITE_ERRORS, 409, 429],
  }),
  withdrawInvite: endpoint({
    method: "delete",
    path: PATHS.withdrawInvite,
    needs: "manage-crew",
    summary: "Withdraw an invite",
    params: z.strictObject({ inviteId: InviteId }),
    response: done,
    errors: [403, 404, 422, 426],
  }),
  listDevices: endpoint({
    method: "get",
    path: PATHS.listDevices,
    needs: "read",
    summary: "Devices you are signed in on; for the owner, those of the whole crew",
    response: z.strictObject({ devices: z.array(Device) }),
    errors: [],
  }),
  signOutDevice: endpoint({
    method: "delete",
    path: PATHS.signOutDevice,
    needs: "read",
    summary: "Sign a device out, such as a lost phone: your own, or as owner any device of the crew",
    params: z.strictObject({ sessionId: SessionId }),
    response: done,
    errors: [403, 404, 422, 426],
  }),
  readMailbox: endpoint({
    method: "get",
    path: PATHS.readMailbox,
    needs: "manage-crew",
    summary:
      "Mails that would have gone out, where no mail server is set: invites of the crew, and mails to yourself",
    response: z.strictObject({
      mails: z.array(z.strictObject({ at: Instant, to: z.string(), subject: z.string(), text: z.string() })),
    }),
    errors: [403],
  }),
  readAudit: endpoint({
    method: "get",
    path: PATHS.readAudit,
    needs: "manage-crew",
    summary: "The last 200 things done about accounts: sign-ins, invites, roles",
    response: z.strictObject({ lines: z.array(AuditLine) }),
    errors: [403],
  }),
};
