import { useState } from "react";
import { PIN_DIGITS, type PinAnswer, tryPin } from "../../device/pin.ts";
import { waitText } from "../../shared/account/faultText.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { PasswordInput } from "../../ui/TextInput.tsx";

function faultText(answer: Exclude<PinAnswer, { outcome: "right" }>): string {
  switch (answer.outcome) {
    case "wrong":
      return `Wrong PIN. ${answer.left} tries left.`;
    case "wait":
      return waitText(answer.seconds);
    case "password-needed":
      return "Too many wrong PINs. Go online and sign in with your password.";
  }
}

interface Props {
  readonly person: { readonly id: string; readonly name: string };
  readonly onOpen: () => void;
}

/** Asks for the PIN of this device before anything of the crew’s work is opened. */
export function LockScreen({ person, onOpen }: Props) {
  const [answer, setAnswer] = useState<Exclude<PinAnswer, { outcome: "right" }>>();
  const [isTrying, setTrying] = useState(false);
  const [pin, setPin] = useState("");
  const open = async () => {
    if (isTrying) return;
    setTrying(true);
    const said = await tryPin(person.id, pin, Date.now());
    setTrying(false);
    if (said.outcome === "right") return onOpen();
    setPin("");
    setAnswer(said);
  };
  return (
    <div className="mx-auto min-h-dvh max-w-md px-5 py-8 sm:py-16">
      <p className="font-extrabold text-xl tracking-tight">scutch</p>
      <main className="mt-6 border-ink border-t-2 pt-6">
        <h1 className="font-bold text-2xl">Enter your PIN, {person.name}</h1>
        <form
          className="mt-5 grid gap-4"
          onSubmit={(event) => {
            event.preventDefault();
            void open();
          }}
        >
          <PasswordInput
            label="PIN"
            name="pin"
            inputMode="numeric"
            autoComplete="off"
            maxLength={PIN_DIGITS[1]}
            value={pin}
            onChange={(event) => setPin(event.target.value)}
            required
            autoFocus
          />
          <FieldError sentence={answer && faultText(answer)} />
          <Button weight="main" type="submit" disabled={isTrying}>
            Open
          </Button>
        </form>
        <Button weight="quiet" className="mt-4" onClick={() => location.assign("/sign-in")}>
          Sign in with your password instead
        </Button>
      </main>
    </div>
  );
}
