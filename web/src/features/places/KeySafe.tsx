import { useState } from "react";
import { Button } from "../../ui/Button.tsx";
import { TextField } from "./TextField.tsx";

interface Props {
  readonly value: string | undefined;
  readonly onChange: (code: string | undefined) => void;
}

/** The code of the key safe: on the screen only once it is asked for, and never on paper. */
export function KeySafe({ value, onChange }: Props) {
  const [isShown, setShown] = useState(false);
  if (!isShown)
    return (
      <Button className="justify-self-start print:hidden" onClick={() => setShown(true)}>
        {value === undefined ? "Add a key safe code" : "Show the key safe code"}
      </Button>
    );
  return (
    <div className="print:hidden">
      <TextField
        label="Key safe code"
        value={value}
        most={60}
        onChange={onChange}
        hint="In no export, print or calendar."
      />
      <Button weight="quiet" onClick={() => setShown(false)}>
        Hide the code
      </Button>
    </div>
  );
}
