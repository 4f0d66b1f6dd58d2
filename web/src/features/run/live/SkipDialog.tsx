import { useId, useState } from "react";
import { Button } from "../../../ui/Button.tsx";
import { Dialog } from "../../../ui/Dialog.tsx";
import { inputLook } from "../../../ui/FieldFrame.tsx";

const REASONS = ["Not needed here", "Customer doesn’t want it", "No time", "Couldn’t get to it"];

/** Why a step is passed over: one tap, or in words. */
export function SkipDialog({
  what,
  onSkip,
  onClose,
}: {
  readonly what: string;
  readonly onSkip: (reason: string) => void;
  readonly onClose: () => void;
}) {
  const id = useId();
  const [reason, setReason] = useState("");
  return (
    <Dialog open title={`Pass over: ${what}`} onClose={onClose}>
      <p className="mt-1 text-soft">It goes into the log as not done.</p>
      <div className="mt-3 grid gap-2">
        {REASONS.map((each) => (
          <Button key={each} onClick={() => onSkip(each)}>
            {each}
          </Button>
        ))}
      </div>
      <form
        className="mt-3 grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (reason.trim()) onSkip(reason.trim());
        }}
      >
        <label htmlFor={id} className="text-sm text-soft">
          Another reason
        </label>
        <input
          id={id}
          className={inputLook(false)}
          value={reason}
          maxLength={500}
          onChange={({ target }) => setReason(target.value)}
        />
        <Button type="submit" disabled={reason.trim() === ""}>
          Pass over
        </Button>
      </form>
    </Dialog>
  );
}
