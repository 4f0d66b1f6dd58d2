import { type InputHTMLAttributes, useId, useState } from "react";
import { FieldFrame, inputLook } from "./FieldFrame.tsx";

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, "id" | "className"> {
  readonly label: string;
  readonly name: string;
  readonly hint?: string;
  readonly error?: string | undefined;
}

/** A line of text in a form that is sent whole. */
export function TextInput({ label, hint, error, ...input }: Props) {
  const id = useId();
  return (
    <FieldFrame id={id} label={label} hint={hint} error={error}>
      <input id={id} className={inputLook(error !== undefined)} {...input} />
    </FieldFrame>
  );
}

/** A password, to be looked at while it is typed: with a wet thumb that takes two tries otherwise. */
export function PasswordInput(props: Props) {
  const id = useId();
  const [isShown, setShown] = useState(false);
  const { label, hint, error, ...input } = props;
  return (
    <FieldFrame id={id} label={label} hint={hint} error={error}>
      <div className="relative">
        <input
          id={id}
          type={isShown ? "text" : "password"}
          className={`${inputLook(error !== undefined)} pr-20`}
          autoCapitalize="none"
          autoCorrect="off"
          spellCheck={false}
          {...input}
        />
        <button
          type="button"
          aria-pressed={isShown}
          onClick={() => setShown(!isShown)}
          className="absolute inset-y-0 right-0 min-w-16 px-3 font-semibold text-accent text-sm"
        >
          {isShown ? "Hide" : "Show"}
        </button>
      </div>
    </FieldFrame>
  );
}
