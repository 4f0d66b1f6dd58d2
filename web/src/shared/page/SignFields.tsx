import type { Signature } from "@scutch/contract";
import { useId, useState } from "react";
import { FieldError, inputLook } from "../../ui/FieldFrame.tsx";
import { SignaturePad } from "./SignaturePad.tsx";

/** The name under a page and the signature beside it, with what is wrong. */
export function useSigned() {
  const [name, setName] = useState("");
  const [signature, setSignature] = useState<Signature>();
  const [error, setError] = useState<string>();
  return { name: name.trim(), typed: name, setName, signature, setSignature, error, setError };
}

/** A name, and a signature if wanted. */
export function SignFields({ typed, setName, setSignature, error, setError }: ReturnType<typeof useSigned>) {
  const id = useId();
  return (
    <>
      <div>
        <label htmlFor={id} className="text-sm text-soft">
          Your name
        </label>
        <input
          id={id}
          className={`${inputLook(error !== undefined)} text-base`}
          autoComplete="off"
          maxLength={80}
          aria-invalid={error !== undefined}
          aria-describedby={error ? `${id}-error` : undefined}
          value={typed}
          onChange={(event) => {
            setName(event.target.value);
            setError(undefined);
          }}
        />
        <FieldError id={`${id}-error`} sentence={error} />
      </div>
      <SignaturePad label="Signature, if you like" onChange={setSignature} />
    </>
  );
}
