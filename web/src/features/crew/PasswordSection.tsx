import { KeyRound } from "lucide-react";
import { useState } from "react";
import { changePassword } from "../../device/account.ts";
import { addPasskey, knowsPasskeys } from "../../device/passkeys.ts";
import { faultText } from "../../shared/account/faultText.ts";
import { NewPasswordField } from "../../shared/account/NewPasswordField.tsx";
import { useSubmit } from "../../shared/account/useSubmit.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { PasswordInput } from "../../ui/TextInput.tsx";
import { deviceName } from "./deviceName.ts";
import { Section } from "./Section.tsx";
import { useAnswer } from "./useAnswer.ts";

/** One's own way in: password and passkey. */
export function PasswordSection() {
  const [isChanged, setChanged] = useState(false);
  const form = useSubmit(
    (field) => changePassword(field("current"), field("next")),
    () => setChanged(true),
  );
  return (
    <Section title="Your sign-in">
      <PasskeyButton />
      {isChanged ? (
        <p role="status" className="mt-2">
          Password changed. Your other devices were signed out.
        </p>
      ) : (
        <form className="mt-3 grid gap-3" onSubmit={form.onSubmit}>
          <PasswordInput label="Current password" name="current" autoComplete="current-password" required />
          <NewPasswordField label="New password" name="next" />
          <FieldError
            sentence={
              form.fault?.why === "wrong"
                ? "The current password is wrong."
                : form.fault && faultText(form.fault)
            }
          />
          <Button type="submit" disabled={form.isSending} className="justify-self-start">
            Change password
          </Button>
        </form>
      )}
    </Section>
  );
}

function PasskeyButton() {
  const door = useAnswer("readDoor").value;
  const [isAdded, setAdded] = useState(false);
  const form = useSubmit(
    () => addPasskey(deviceName(navigator.userAgent)),
    () => setAdded(true),
  );
  if (!door?.passkeys || !knowsPasskeys()) return null;
  if (isAdded)
    return (
      <p role="status" className="mt-2">
        Passkey added. Next time you can sign in with this device’s own lock.
      </p>
    );
  return (
    <div className="mt-2">
      <Button onClick={form.run} disabled={form.isSending}>
        <KeyRound aria-hidden size={18} /> Add a passkey
      </Button>
      <p className="mt-1 text-sm text-soft">Sign in with a fingerprint, a face or this device’s own lock.</p>
      <FieldError
        sentence={
          form.fault?.why === "wrong"
            ? "No passkey was added. Try again."
            : form.fault && faultText(form.fault)
        }
      />
    </div>
  );
}
