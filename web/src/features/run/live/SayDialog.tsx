import { useId, useState } from "react";
import { Button } from "../../../ui/Button.tsx";
import { Dialog } from "../../../ui/Dialog.tsx";
import { inputLook } from "../../../ui/FieldFrame.tsx";

interface Props {
  readonly title: string;
  readonly hint?: string;
  /** What is usually said, a tap each. */
  readonly usual: readonly string[];
  /** What the field for other words is called, and the button that takes them. */
  readonly other: string;
  readonly take: string;
  readonly maxLength: number;
  readonly onSay: (text: string) => void;
  readonly onClose: () => void;
}

/** A line for the log with wet hands: one tap for the usual, or in words. */
export function NoteDialog({ title, hint, usual, other, take, maxLength, onSay, onClose }: Props) {
  const id = useId();
  const [text, setText] = useState("");
  return (
    <Dialog open title={title} onClose={onClose}>
      {hint && <p className="mt-1 text-soft">{hint}</p>}
      <div className="mt-3 grid gap-2">
        {usual.map((each) => (
          <Button key={each} onClick={() => onSay(each)}>
            {each}
          </Button>
        ))}
      </div>
      <form
        className="mt-3 grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim()) onSay(text.trim());
        }}
      >
        <label htmlFor={id} className="text-sm text-soft">
          {other}
        </label>
        <input
          id={id}
          className={inputLook(false)}
          value={text}
          maxLength={maxLength}
          onChange={({ target }) => setText(target.value)}
        />
        <Button type="submit" disabled={text.trim() === ""}>
          {take}
        </Button>
      </form>
    </Dialog>
  );
}
