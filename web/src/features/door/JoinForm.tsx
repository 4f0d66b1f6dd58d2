import type { Me } from "@scutch/contract";
import { useEffect, useState } from "react";
import { joinCrew, readInvite, readMe } from "../../device/account.ts";
import type { Answer } from "../../device/api.ts";
import { faultText } from "../../shared/account/faultText.ts";
import { ROLE_WORDS } from "../../shared/account/roleWords.ts";
import { useSubmit } from "../../shared/account/useSubmit.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { TextInput } from "../../ui/TextInput.tsx";
import type { DoorProps } from "./door.ts";
import { PersonFields, personIn } from "./PersonFields.tsx";

type Invite = Answer<"readInvite"> & { readonly code: string };

/** First the code, then who is joining. */
export function JoinForm({ onWay, onSignedIn, brought }: DoorProps & { readonly brought: string }) {
  const [invite, setInvite] = useState<Invite>();
  const [me, setMe] = useState<Me>();
  const [isOther, setOther] = useState(false);
  const look = async (code: string) => {
    const outcome = await readInvite(code);
    return "fault" in outcome ? outcome : { value: { ...outcome.value, code } };
  };
  const form = useSubmit((field) => look(field("code")), setInvite);
  useEffect(() => {
    void readMe().then((outcome) => "value" in outcome && !outcome.value.demo && setMe(outcome.value));
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, with what the link brought
  useEffect(() => {
    if (brought !== "") void look(brought).then((outcome) => "value" in outcome && setInvite(outcome.value));
  }, []);
  if (!invite)
    return (
      <>
        <h1 className="font-bold text-2xl">Join a crew</h1>
        <form className="mt-5 grid gap-4" onSubmit={form.onSubmit}>
          <TextInput
            label="Invite code"
            name="code"
            autoComplete="one-time-code"
            autoCapitalize="characters"
            spellCheck={false}
            placeholder="XXXX-XXXX-XXXX"
            defaultValue={brought}
            required
            autoFocus
            hint="From the owner of the crew. It works once, for 7 days."
          />
          <FieldError sentence={form.fault && faultText(form.fault)} />
          <Button weight="main" type="submit" disabled={form.isSending}>
            Continue
          </Button>
        </form>
        <Button weight="quiet" className="mt-4" onClick={() => onWay("sign-in")}>
          Go back to sign-in
        </Button>
      </>
    );
  const person = isOther ? undefined : me?.person;
  return (
    <>
      <h1 className="font-bold text-2xl">Join {invite.crew}</h1>
      <p className="mt-2 text-soft">
        {invite.by} invites you as {ROLE_WORDS[invite.role].name.toLowerCase()}:{" "}
        {ROLE_WORDS[invite.role].may.toLowerCase()}
      </p>
      {person ? (
        <JoinAs code={invite.code} name={person.name} onJoined={onSignedIn} onOther={() => setOther(true)} />
      ) : (
        <JoinNew code={invite.code} onJoined={onSignedIn} onSignIn={() => onWay("sign-in")} />
      )}
    </>
  );
}

interface JoinAsProps {
  readonly code: string;
  readonly name: string;
  readonly onJoined: (crewId: string) => void;
  readonly onOther: () => void;
}

function JoinAs({ code, name, onJoined, onOther }: JoinAsProps) {
  const join = useSubmit(
    () => joinCrew(code, undefined),
    ({ crew }) => onJoined(crew.id),
  );
  const fault =
    join.fault?.why === "taken" ? "You are in this crew already." : join.fault && faultText(join.fault);
  return (
    <div className="mt-5 grid gap-3">
      <FieldError sentence={fault} />
      <Button weight="main" onClick={join.run} disabled={join.isSending}>
        Join as {name}
      </Button>
      <Button weight="quiet" onClick={onOther}>
        Join with another account
      </Button>
    </div>
  );
}

interface JoinNewProps {
  readonly code: string;
  readonly onJoined: (crewId: string) => void;
  readonly onSignIn: () => void;
}

function JoinNew({ code, onJoined, onSignIn }: JoinNewProps) {
  const form = useSubmit(
    (field) => joinCrew(code, personIn(field)),
    ({ crew }) => onJoined(crew.id),
  );
  return (
    <>
      <form className="mt-5 grid gap-4" onSubmit={form.onSubmit}>
        <PersonFields />
        <FieldError sentence={form.fault && faultText(form.fault)} />
        <Button weight="main" type="submit" disabled={form.isSending}>
          Join crew
        </Button>
      </form>
      <Button weight="quiet" className="mt-4" onClick={onSignIn}>
        Sign in with an account you have
      </Button>
    </>
  );
}
