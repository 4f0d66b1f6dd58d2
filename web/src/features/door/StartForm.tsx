import { startCrew } from "../../device/account.ts";
import { faultText } from "../../shared/account/faultText.ts";
import { useSubmit } from "../../shared/account/useSubmit.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { TextInput } from "../../ui/TextInput.tsx";
import type { DoorProps } from "./door.ts";
import { PersonFields, personIn } from "./PersonFields.tsx";

export function StartForm({ door, onWay, onSignedIn }: DoorProps) {
  const form = useSubmit(
    (field) => startCrew({ crew: field("crew"), ...personIn(field) }),
    ({ crew }) => onSignedIn(crew.id),
  );
  return (
    <>
      <h1 className="font-bold text-2xl">Start your own crew</h1>
      <p className="mt-2 text-soft">You become its owner and invite the others.</p>
      {door.demo && (
        <div className="mt-4">
          <Callout tone="advice">
            This closes the demo: from then on everyone signs in. The demo’s jobs don’t come along.
          </Callout>
        </div>
      )}
      <form className="mt-5 grid gap-4" onSubmit={form.onSubmit}>
        <TextInput
          label="Name of the crew"
          name="crew"
          autoComplete="organization"
          maxLength={120}
          required
          autoFocus
        />
        <PersonFields />
        <FieldError sentence={form.fault && faultText(form.fault)} />
        <Button weight="main" type="submit" disabled={form.isSending}>
          Start crew
        </Button>
      </form>
      <Button
        weight="quiet"
        className="mt-4"
        onClick={() => (door.demo ? location.assign("/") : onWay("sign-in"))}
      >
        {door.demo ? "Go back to the demo" : "Go back to sign-in"}
      </Button>
    </>
  );
}
