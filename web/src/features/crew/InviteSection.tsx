import { type Invite, ROLES, type Role } from "@scutch/contract";
import { useState } from "react";
import { type AccountFault, type Outcome, outcomeOf } from "../../device/account.ts";
import { type Answer, pathOf } from "../../device/api.ts";
import { session } from "../../device/session.ts";
import { ROLE_WORDS } from "../../shared/account/roleWords.ts";
import { useSubmit } from "../../shared/account/useSubmit.ts";
import { Button } from "../../ui/Button.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { TextInput } from "../../ui/TextInput.tsx";
import { Section } from "./Section.tsx";
import { change, useAnswer } from "./useAnswer.ts";
import { useMoments } from "./useMoments.ts";

type Made = Answer<"makeInvite">;

/** Inviting somebody: a code to read out, a link to send, or a mail. */
export function InviteSection({ isDemo }: { readonly isDemo: boolean }) {
  const { value, fault, load } = useAnswer("listInvites");
  const [role, setRole] = useState<Role>("technician");
  const [made, setMade] = useState<Made>();
  const [refused, setRefused] = useState<AccountFault>();
  const invite = (email: string): Promise<Outcome<Made>> =>
    outcomeOf(session().send("POST", pathOf("makeInvite"), { role, ...(email ? { email } : {}) }));
  const form = useSubmit(
    (field) => invite(field("email")),
    (done) => {
      setMade(done);
      load();
    },
  );
  const withdraw = async (id: string) => {
    setRefused(await change("DELETE", pathOf("withdrawInvite", { inviteId: id })));
    load();
  };
  if (isDemo)
    return (
      <Section title="Invite people">
        <p className="mt-1 text-soft">No one can join the demo. Start your own crew to invite people.</p>
      </Section>
    );
  return (
    <Section title="Invite people" fault={form.fault ?? refused ?? fault}>
      <form className="mt-2 grid gap-3" onSubmit={form.onSubmit}>
        <Segmented<Role>
          label="Role"
          value={role}
          options={ROLES.map((each) => ({ value: each, name: ROLE_WORDS[each].name }))}
          onChange={setRole}
        />
        <p className="text-sm text-soft">{ROLE_WORDS[role].may}</p>
        <div className="grid items-end gap-3 sm:grid-cols-[1fr_auto]">
          <TextInput label="Email, if it should be mailed" name="email" type="email" maxLength={190} />
          <Button type="submit" disabled={form.isSending}>
            Make invite
          </Button>
        </div>
      </form>
      {made && <MadeInvite made={made} />}
      <ul className="mt-3">
        {value?.invites.map((each) => (
          <InviteRow key={each.id} invite={each} onWithdraw={() => void withdraw(each.id)} />
        ))}
      </ul>
    </Section>
  );
}

/** The code is shown this once. */
function MadeInvite({ made: { code, mailed, invite } }: { readonly made: Made }) {
  const link = `${location.origin}/join#${code}`;
  const [isCopied, setCopied] = useState(false);
  return (
    <div className="mt-3 border-accent border-l-4 bg-wash px-4 py-3">
      <p className="text-sm text-soft">
        Code for one {ROLE_WORDS[invite.role].name.toLowerCase()}, shown once
      </p>
      <p className="font-bold font-mono text-3xl tracking-wide">{code}</p>
      <p className="mt-1 break-all text-sm">{link}</p>
      {mailed && <p className="mt-1 text-sm">Mailed to {invite.email}.</p>}
      {"clipboard" in navigator && (
        <Button
          className="mt-2"
          onClick={() => void navigator.clipboard.writeText(link).then(() => setCopied(true))}
        >
          {isCopied ? "Copied" : "Copy link"}
        </Button>
      )}
    </div>
  );
}

function InviteRow({ invite, onWithdraw }: { readonly invite: Invite; readonly onWithdraw: () => void }) {
  const { day } = useMoments();
  return (
    <li className="flex flex-wrap items-center gap-x-4 border-rule border-t py-1">
      <p className="min-w-0 flex-1">
        {ROLE_WORDS[invite.role].name}
        {invite.email && `, ${invite.email}`}
        <span className="text-soft">
          {" "}
          · by {invite.by} · {invite.isLate ? "too old to use" : `until ${day(invite.expiresAt)}`}
        </span>
      </p>
      <Button weight="quiet" onClick={onWithdraw}>
        Withdraw
      </Button>
    </li>
  );
}
