import { type FormEvent, useState } from "react";
import type { AccountFault, Outcome } from "../../device/account.ts";

/** A form that is sent whole: what went wrong last, and whether it is on its way. */
export function useSubmit<T>(
  send: (fields: (name: string) => string) => Promise<Outcome<T>>,
  onDone: (value: T) => void,
) {
  const [fault, setFault] = useState<AccountFault>();
  const [isSending, setSending] = useState(false);
  const run = async (fields: (name: string) => string) => {
    if (isSending) return;
    setSending(true);
    setFault(undefined);
    const outcome = await send(fields);
    setSending(false);
    if ("fault" in outcome) setFault(outcome.fault);
    else onDone(outcome.value);
  };
  return {
    fault,
    isSending,
    run: () => void run(() => ""),
    onSubmit: (event: FormEvent<HTMLFormElement>) => {
      event.preventDefault();
      const data = new FormData(event.currentTarget);
      void run((name) => String(data.get(name) ?? "").trim());
    },
  };
}
