import { Plus } from "lucide-react";
import { useRef, useState } from "react";
import { newUuid } from "../../device/newId.ts";
import { MAX_PRICE, mapReading, numberReader } from "../../format/readers.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useMoney } from "../../state/useMoney.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { withLine } from "./withLine.ts";

/** Adds a line: what it is for, and its price. */
export function AddLine({ edit }: Pick<JobDesk, "edit">) {
  const [open, setOpen] = useState(false);
  const [what, setWhat] = useState<string>();
  const [amount, setAmount] = useState<number>();
  const [error, setError] = useState<string>();
  const { digits } = useMoney();
  const frame = useRef<HTMLDivElement>(null);
  if (!open)
    return (
      <Button className="mt-3" onClick={() => setOpen(true)}>
        <Plus aria-hidden size={18} /> Add a line
      </Button>
    );
  const add = () => {
    if (frame.current?.querySelector("[aria-invalid=true]")) return;
    if (what === undefined || amount === undefined) return setError("Enter what it is for and its price.");
    const refused = edit((before) => withLine(before, newUuid(), { what, amount }));
    setError(refused);
    if (refused) return;
    setWhat(undefined);
    setAmount(undefined);
    setOpen(false);
  };
  return (
    <section
      aria-label="Add a line"
      ref={frame}
      className="mt-3 grid gap-3 border-accent border-l-4 bg-wash px-3 py-2"
    >
      <div className="grid grid-cols-2 gap-3">
        <NameField label="What for" value={what} onChange={(name) => void setWhat(name)} />
        <QuantityField
          label="Price"
          value={amount}
          show={(value) => value.toFixed(digits)}
          placeholder="12.00"
          hint="A minus takes it off."
          read={(text) =>
            mapReading(
              numberReader(0, MAX_PRICE, "Enter a price, like 12.00 or -5.")(text.replace(/^\s*[-−]/, "")),
              (value) => ({
                value: /^\s*[-−]/.test(text) ? -value : value,
              }),
            )
          }
          onChange={(value) => void setAmount(value)}
        />
      </div>
      <FieldError sentence={error} />
      <div className="flex gap-2">
        <Button onClick={add}>Add</Button>
        <Button weight="quiet" onClick={() => setOpen(false)}>
          Cancel
        </Button>
      </div>
    </section>
  );
}
