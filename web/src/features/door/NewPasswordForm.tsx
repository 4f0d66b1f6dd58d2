import { useState } from "react";
import { setNewPassword } from "../../device/account.ts";
import { faultText } from "../../shared/account/faultText.ts";
import { NewPasswordField } from "../../shared/account/NewPasswordField.tsx";
import { useSubmit } from "../../shared/account/useSubmit.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import type { DoorProps } from "./door.ts";

export function NewPasswordForm({ onWay, token }: DoorProps & { readonly token: string }) {
  const [isSet, setSet] = useState(false);
  const form = useSubmit(
    (field) => setNewPassword(token, field("password")),
    () => setSet(true),
  );
  if (isSet)
    return (
      <>
        <h1 className="font-bold text-2xl">Password set</h1>
        <p className="mt-2 mb-5 text-soft">Every device was signed out. Sign in with the new password.</p>
        <Button weight="main" onClick={() => onWay("sign-in")}>
          Sign in
        </Button>
      </>
    );
  return (
    <>
      <h1 className="font-bold text-2xl">Set a new password</h1>
      {token === "" && (
        <div className="mt-4">
          <Callout tone="caution">Open the link in the mail to set a new password.</Callout>
        </div>
      )}
      <form className="mt-5 grid gap-4" onSubmit={form.onSubmit}>
        <NewPasswordField label="New password" name="password" autoFocus />
        <FieldError sentence={form.fault && faultText(form.fault)} />
        <Button weight="main" type="submit" disabled={form.isSending || token === ""}>
          Set password
        </Button>
      </form>
      <Button weight="quiet" className="mt-4" onClick={() => onWay("sign-in")}>
        Go back to sign-in
      </Button>
    </>
  );
}
