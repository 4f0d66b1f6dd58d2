import { omitAbsent } from "@scutch/core";
import type { JobDesk } from "../../planning/desk.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { CustomerSheet } from "../../shared/page/CustomerSheet.tsx";
import type { CustomerPage } from "../../shared/page/customerPage.ts";
import { SignFields, useSigned } from "../../shared/page/SignFields.tsx";
import { Button } from "../../ui/Button.tsx";
import { readyTimes } from "./handOverPage.ts";
import type { Return } from "./useReturnChoice.ts";

interface Props {
  readonly desk: JobDesk;
  readonly page: CustomerPage;
  readonly comesBack: Return | undefined;
  readonly isDone: boolean;
  readonly onClose: () => void;
}

/** The page for the customer to read, with their name under it. */
export function HandOverSheet({ desk, page, comesBack, isDone, onClose }: Props) {
  return (
    <CustomerSheet page={page} onClose={onClose}>
      {!isDone && <SignOff desk={desk} comesBack={comesBack} />}
    </CustomerSheet>
  );
}

function SignOff({ desk, comesBack }: Pick<Props, "desk" | "comesBack">) {
  const log = useLogging(desk);
  const signed = useSigned();
  const { name, signature, setError } = signed;
  const handOver = (said: string | undefined) => {
    const { walkOnAt, dryAt } = readyTimes({ desk }) ?? {};
    const at = (time: number | null | undefined) =>
      time == null ? undefined : new Date(Math.round(time)).toISOString();
    const told = { walkOnAt: at(walkOnAt), dryAt: at(dryAt), returnAt: at(comesBack?.at) };
    log({
      kind: "handed-over",
      ...(said ? { name: said } : {}),
      ...(said && signature ? { signature } : {}),
      ...omitAbsent(told),
    });
  };
  return (
    <section aria-label="Hand over" className="grid gap-3 border-ink border-t-2 pt-3">
      <SignFields {...signed} />
      <Button
        weight="main"
        onClick={() =>
          name === "" ? setError("Enter the name of the person who takes the page.") : handOver(name)
        }
      >
        Hand over
      </Button>
      <Button weight="quiet" onClick={() => handOver(undefined)}>
        The customer isn’t here
      </Button>
    </section>
  );
}
