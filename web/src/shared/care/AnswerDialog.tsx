import { type ReactNode, useId, useState } from "react";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { FieldFrame, inputLook } from "../../ui/FieldFrame.tsx";

export interface Answer {
  readonly owner: string;
  readonly reason: string;
}

interface Props {
  readonly title: string;
  /** What is answered for. */
  readonly children: ReactNode;
  readonly onAnswer: (answer: Answer) => void;
  readonly onClose: () => void;
}

/** The owner of the business answers for going on against a rule: with a name and a reason, in the log. */
export function AnswerDialog({ title, children, onAnswer, onClose }: Props) {
  const ids = useId();
  const [owner, setOwner] = useState("");
  const [reason, setReason] = useState("");
  const ready = owner.trim() !== "" && reason.trim() !== "";
  const take = () => {
    onAnswer({ owner: owner.trim(), reason: reason.trim() });
    onClose();
  };
  return (
    <Dialog open title={title} onClose={onClose}>
      <div className="mt-2">{children} The owner of the business takes responsibility. This is logged.</div>
      <div className="mt-3 grid gap-3">
        <FieldFrame id={`${ids}owner`} label="Owner’s name">
          <input
            id={`${ids}owner`}
            className={inputLook(false)}
            maxLength={60}
            value={owner}
            onChange={(event) => setOwner(event.target.value)}
          />
        </FieldFrame>
        <FieldFrame id={`${ids}reason`} label="Reason">
          <textarea
            id={`${ids}reason`}
            rows={3}
            maxLength={2000}
            className={`${inputLook(false)} py-2 text-base`}
            value={reason}
            onChange={(event) => setReason(event.target.value)}
          />
        </FieldFrame>
        <Button weight="main" disabled={!ready} onClick={take}>
          I take responsibility
        </Button>
      </div>
    </Dialog>
  );
}
