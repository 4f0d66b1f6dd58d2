import { type Member, may, ROLES, type Role } from "@scutch/contract";
import { useState } from "react";
import type { AccountFault } from "../../device/account.ts";
import { pathOf } from "../../device/api.ts";
import { device } from "../../device/db.ts";
import { signOut } from "../../device/leave.ts";
import { faultText } from "../../shared/account/faultText.ts";
import { ROLE_WORDS } from "../../shared/account/roleWords.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldError, inputLook } from "../../ui/FieldFrame.tsx";
import { Loading } from "../../ui/States.tsx";
import { change, useAnswer } from "./useAnswer.ts";

interface Me {
  readonly person: { readonly id: string };
  readonly role: Role;
  readonly demo: boolean;
}

/** Who belongs to the crew, and as what. */
export function MemberList({ me }: { readonly me: Me }) {
  const { value, fault, load } = useAnswer("listMembers");
  const [refused, setRefused] = useState<AccountFault>();
  const manages = may(me.role, "manage-crew") && !me.demo;
  const act = async (work: Promise<AccountFault | undefined>) => {
    setRefused(await work);
    load();
  };
  const leave = async () => {
    const why = await change("POST", pathOf("leaveCrew"), { crew: device().crewId });
    if (why) return setRefused(why);
    await signOut(device());
    location.assign("/sign-in");
  };
  const shown = refused ?? fault;
  if (!value) return fault ? <FieldError sentence={faultText(fault)} /> : <Loading what="the members" />;
  return (
    <>
      <FieldError sentence={shown && faultText(shown)} />
      <ul className="mt-3 border-rule border-b">
        {value.members.map((member) => (
          <MemberRow
            key={member.id}
            member={member}
            isMe={member.id === me.person.id}
            mayLeave={member.id === me.person.id && !me.demo}
            manages={manages}
            onRole={(role) =>
              void act(change("PUT", pathOf("changeRole", { personId: member.id }), { role }))
            }
            onRemove={() => void act(change("DELETE", pathOf("removeMember", { personId: member.id })))}
            onLeave={() => void leave()}
          />
        ))}
      </ul>
    </>
  );
}

interface RowProps {
  readonly member: Member;
  readonly isMe: boolean;
  readonly mayLeave: boolean;
  readonly manages: boolean;
  readonly onRole: (role: Role) => void;
  readonly onRemove: () => void;
  readonly onLeave: () => void;
}

function MemberRow({ member, isMe, mayLeave, manages, onRole, onRemove, onLeave }: RowProps) {
  const [isSure, setSure] = useState(false);
  return (
    <li className="grid gap-x-6 gap-y-1 border-rule border-t py-3 sm:grid-cols-[1fr_11rem_8rem] sm:items-center">
      <div className="min-w-0">
        <p className="font-bold text-lg">
          {member.name}
          {isMe && <span className="font-normal text-base text-soft"> (you)</span>}
        </p>
        <p className="truncate text-sm text-soft">{member.email ?? ROLE_WORDS[member.role].may}</p>
      </div>
      {manages ? (
        <select
          aria-label={`Role of ${member.name}`}
          className={inputLook(false)}
          value={member.role}
          onChange={(event) => onRole(event.target.value as Role)}
        >
          {ROLES.map((role) => (
            <option key={role} value={role}>
              {ROLE_WORDS[role].name}
            </option>
          ))}
        </select>
      ) : (
        <p className="font-semibold">{ROLE_WORDS[member.role].name}</p>
      )}
      {(manages || mayLeave) && (
        <div className="sm:text-right">
          <Button weight="quiet" onClick={() => setSure(true)}>
            {isMe ? "Leave crew" : "Remove"}
          </Button>
        </div>
      )}
      {isSure && (
        <div className="col-span-full flex flex-wrap items-center gap-2 bg-caution-wash px-3 py-2">
          <p className="min-w-0 flex-1">
            {isMe
              ? "You leave this crew and its work leaves this device. What you logged stays."
              : `${member.name} loses access at once. What they logged stays.`}
          </p>
          <Button onClick={isMe ? onLeave : onRemove}>{isMe ? "Leave crew" : `Remove ${member.name}`}</Button>
          <Button weight="quiet" onClick={() => setSure(false)}>
            Cancel
          </Button>
        </div>
      )}
    </li>
  );
}
