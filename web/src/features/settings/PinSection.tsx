import { useState } from "react";
import { hasPin, isPin, PIN_DIGITS, removePin, setPin } from "../../device/pin.ts";
import { Button } from "../../ui/Button.tsx";
import { PasswordInput } from "../../ui/TextInput.tsx";

/** A PIN for this device. Says what it protects, and what it doesn’t. */
export function PinSection({ personId }: { readonly personId: string }) {
  const [isSet, setSet] = useState(() => hasPin(personId));
  const [isAsking, setAsking] = useState(false);
  const [fault, setFault] = useState<string>();
  if (!globalThis.crypto?.subtle) return null;
  const keep = async (pin: string) => {
    if (!isPin(pin)) return setFault(`Enter ${PIN_DIGITS[0]} to ${PIN_DIGITS[1]} digits.`);
    try {
      await setPin(personId, pin);
    } catch {
      return setFault("This device can’t keep a PIN: it’s full, or private browsing is on.");
    }
    setSet(true);
    setAsking(false);
    setFault(undefined);
  };
  return (
    <div>
      {isSet ? (
        <Button
          onClick={() => {
            removePin(personId);
            setSet(false);
          }}
        >
          Remove the PIN
        </Button>
      ) : (
        !isAsking && <Button onClick={() => setAsking(true)}>Set a PIN for this device</Button>
      )}
      {isAsking && (
        <form
          className="grid items-end gap-3 sm:grid-cols-[1fr_auto]"
          onSubmit={(event) => {
            event.preventDefault();
            void keep(String(new FormData(event.currentTarget).get("pin") ?? ""));
          }}
        >
          <PasswordInput
            label="New PIN"
            name="pin"
            inputMode="numeric"
            autoComplete="off"
            maxLength={PIN_DIGITS[1]}
            error={fault}
          />
          <Button type="submit">Save PIN</Button>
        </form>
      )}
      <p className="mt-1 text-sm text-soft">
        Asked when the app opens, offline too. It keeps others out of the app on this device. It doesn’t
        encrypt what is saved: your phone’s own lock does that.
      </p>
    </div>
  );
}
