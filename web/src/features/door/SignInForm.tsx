import { KeyRound } from "lucide-react";
import { useState } from "react";
import { askNewPassword, signIn } from "../../device/account.ts";
import { knowsPasskeys, signInWithPasskey } from "../../device/passkeys.ts";
import { faultText } from "../../shared/account/faultText.ts";
import { useSubmit } from "../../shared/account/useSubmit.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { PasswordInput, TextInput } from "../../ui/TextInput.tsx";
import type { DoorProps } from "./door.ts";

export function SignInForm({ door, onWay, onSignedIn }: DoorProps) {
  const [isForgotten, setForgotten] = useState(false);
  const form = useSubmit(
    (field) => signIn(field("email"), field("password")),
    () => onSignedIn(),
  );
  const passkey = useSubmit(signInWithPasskey, () => onSignedIn());
  if (isForgotten) return <ForgottenForm onBack={() => setForgotten(false)} />;
  return (
    <>
      <h1 className="font-bold text-2xl">Sign in</h1>
      <form className="mt-5 grid gap-4" onSubmit={form.onSubmit}>
        <TextInput label="Email" name="email" type="email" autoComplete="username" required autoFocus />
        <PasswordInput label="Password" name="password" autoComplete="current-password" required />
        <FieldError sentence={form.fault && faultText(form.fault)} />
        <Button weight="main" type="submit" disabled={form.isSending}>
          Sign in
        </Button>
      </form>
      {door.passkeys && knowsPasskeys() && (
        <div className="mt-3 grid">
          <Button onClick={passkey.run} disabled={passkey.isSending}>
            <KeyRound aria-hidden size={18} /> Use a passkey
          </Button>
          <FieldError
            sentence={
              passkey.fault?.why === "wrong"
                ? "No passkey was used. Choose one kept on this device, or sign in with your password."
                : passkey.fault && faultText(passkey.fault)
            }
          />
        </div>
      )}
      <div className="mt-6 grid justify-items-start border-rule border-t pt-3">
        <Button weight="quiet" onClick={() => onWay("join")}>
          Enter an invite code
        </Button>
        {door.start && (
          <Button weight="quiet" onClick={() => onWay("start")}>
            Start your own crew
          </Button>
        )}
        {door.mail && (
          <Button weight="quiet" onClick={() => setForgotten(true)}>
            Set a new password
          </Button>
        )}
      </div>
    </>
  );
}

function ForgottenForm({ onBack }: { readonly onBack: () => void }) {
  const [isAsked, setAsked] = useState(false);
  const form = useSubmit(
    (field) => askNewPassword(field("email")),
    () => setAsked(true),
  );
  return (
    <>
      <h1 className="font-bold text-2xl">Set a new password</h1>
      {isAsked ? (
        <div className="mt-5">
          <Callout tone="advice" title="Check your mail.">
            If the address has an account, a link is on its way. It works for an hour.
          </Callout>
        </div>
      ) : (
        <form className="mt-5 grid gap-4" onSubmit={form.onSubmit}>
          <TextInput label="Email" name="email" type="email" autoComplete="username" required autoFocus />
          <FieldError sentence={form.fault && faultText(form.fault)} />
          <Button weight="main" type="submit" disabled={form.isSending}>
            Send the link
          </Button>
        </form>
      )}
      <Button weight="quiet" className="mt-4" onClick={onBack}>
        Go back to sign-in
      </Button>
    </>
  );
}
