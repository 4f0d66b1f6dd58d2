import * as z from "zod";
import { Crew } from "./crew.ts";
import { CrewId, PersonId } from "./ids.ts";
import { Instant } from "./moment.ts";
import { Name } from "./quantity.ts";
import { Role } from "./role.ts";

export const PASSWORD_LENGTHS = [10, 128] as const;
export const Password = z
  .string()
  .min(PASSWORD_LENGTHS[0])
  .max(PASSWORD_LENGTHS[1])
  .meta({ description: "Any characters; longer is better" });

/** Where a person gets mail, and what they sign in with. */
export const Email = z.email().trim().max(190).toLowerCase();

/** Who is signed in, and whose work they do. */
export const Me = z
  .strictObject({
    person: z.strictObject({ id: PersonId, name: Name, email: z.string().optional() }),
    crew: Crew,
    role: Role,
    crews: z
      .array(z.strictObject({ id: CrewId, name: Name, role: Role }))
      .meta({ description: "Every crew this person belongs to" }),
    demo: z
      .literal(true)
      .optional()
      .meta({ description: "The demo crew on this machine, without an account" }),
  })
  .meta({ id: "Me" });
export type Me = z.infer<typeof Me>;

/** A person of the crew. */
export const Member = z
  .strictObject({
    id: PersonId,
    name: Name,
    role: Role,
    email: z.string().optional().meta({ description: "For the owner's eyes" }),
    since: Instant,
  })
  .meta({ id: "Member" });
export type Member = z.infer<typeof Member>;

export const InviteId = z.uuidv7().toLowerCase().brand("InviteId");
/** Read out in a van, typed with a glove: no letters or digits that look alike. */
export const INVITE_CODE = /^[A-HJ-NP-Z2-9]{4}-?[A-HJ-NP-Z2-9]{4}-?[A-HJ-NP-Z2-9]{4}$/;
export const InviteCode = z
  .string()
  .trim()
  .toUpperCase()
  .regex(INVITE_CODE)
  .meta({ description: "Twelve letters and digits, XXXX-XXXX-XXXX" });

/** An invite that wasn't used yet. Its code is shown once, when it is made. */
export const Invite = z
  .strictObject({
    id: InviteId,
    role: Role,
    email: z.string().optional(),
    by: Name,
    expiresAt: Instant,
    isLate: z.boolean(),
  })
  .meta({ id: "Invite" });
export type Invite = z.infer<typeof Invite>;

export const SessionId = z.uuidv7().toLowerCase().brand("SessionId");
export type SessionId = z.infer<typeof SessionId>;
/** A device a person is signed in on. */
export const Device = z
  .strictObject({
    id: SessionId,
    person: z.strictObject({ id: PersonId, name: Name }),
    what: z.string().meta({ description: "Browser and system, as the device says" }),
    seenAt: Instant,
    isThis: z.boolean(),
  })
  .meta({ id: "Device" });
export type Device = z.infer<typeof Device>;

export const AUDITED = [
  "signed-in",
  "sign-in-failed",
  "device-signed-out",
  "password-changed",
  "crew-started",
  "invited",
  "invite-withdrawn",
  "joined",
  "role-changed",
  "member-removed",
  "left",
  "exported",
  "crew-closed",
  "crew-kept",
] as const;
/** Something that was done about accounts: who, what, and whom it was about. */
export const AuditLine = z
  .strictObject({
    at: Instant,
    what: z.enum(AUDITED),
    by: z.string().optional(),
    about: z.string().optional(),
    role: Role.optional(),
    address: z.string().optional().meta({ description: "Network address it came from" }),
  })
  .meta({ id: "AuditLine" });
export type AuditLine = z.infer<typeof AuditLine>;
