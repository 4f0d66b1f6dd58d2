import type { AuditLine } from "@scutch/contract";
import { ROLE_WORDS } from "../../shared/account/roleWords.ts";
import { Section } from "./Section.tsx";
import { useAnswer } from "./useAnswer.ts";
import { useMoments } from "./useMoments.ts";

const roleOf = ({ role }: AuditLine) => (role ? ROLE_WORDS[role].name.toLowerCase() : "member");
const WORDS: Readonly<Record<AuditLine["what"], (line: AuditLine) => string>> = {
  "signed-in": ({ by }) => `${by ?? "Someone"} signed in`,
  "sign-in-failed": ({ by }) => `Wrong password for ${by ?? "an unknown email"}`,
  "device-signed-out": ({ by, about }) => `${by ?? "Someone"} signed out a device of ${about ?? "a member"}`,
  "password-changed": ({ by }) => `${by ?? "Someone"} changed their password`,
  "crew-started": ({ by }) => `${by ?? "Someone"} started the crew`,
  invited: (line) =>
    `${line.by ?? "Someone"} invited a ${roleOf(line)}${line.about ? `, ${line.about}` : ""}`,
  "invite-withdrawn": ({ by }) => `${by ?? "Someone"} withdrew an invite`,
  joined: (line) => `${line.by ?? "Someone"} joined as ${roleOf(line)}`,
  "role-changed": (line) => `${line.by ?? "Someone"} made ${line.about ?? "a member"} ${roleOf(line)}`,
  "member-removed": ({ by, about }) => `${by ?? "Someone"} removed ${about ?? "a member"}`,
  left: ({ by }) => `${by ?? "Someone"} left the crew`,
  "crew-closed": ({ by }) => `${by ?? "Someone"} asked for the crew to be deleted`,
  "crew-kept": ({ by }) => `${by ?? "Someone"} kept the crew`,
  exported: ({ by }) => `${by ?? "Someone"} exported the crew’s data`,
};
const SHOWN = 20;

/** What was done about accounts, for the owner. */
export function AuditList() {
  const { value, fault } = useAnswer("readAudit");
  const { moment } = useMoments();
  return (
    <Section title="Sign-ins and changes" fault={fault}>
      {value?.lines.length === 0 && <p className="mt-1 text-soft">Nothing yet.</p>}
      <ul className="mt-1">
        {value?.lines.slice(0, SHOWN).map((line, i) => (
          <li key={i} className="border-rule border-t py-2">
            {WORDS[line.what](line)}
            <span className="block text-sm text-soft">
              {moment(line.at)}
              {line.address ? ` · from ${line.address}` : ""}
            </span>
          </li>
        ))}
      </ul>
    </Section>
  );
}
