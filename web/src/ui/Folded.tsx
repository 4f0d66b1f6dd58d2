import { ChevronDown } from "lucide-react";
import { type ReactNode, useId, useState } from "react";

interface Props {
  /** What is inside, in a line. */
  readonly label: string;
  /** Something in it has to be answered: it can't be closed. */
  readonly open?: boolean;
  readonly children: ReactNode;
}

/** Fields that are seldom changed: a line that opens on a phone, all in sight where there is room. */
export function Folded({ label, open = false, children }: Props) {
  const [pressed, setPressed] = useState(false);
  const id = useId();
  const isOpen = open || pressed;
  return (
    <>
      {!open && (
        <button
          type="button"
          aria-expanded={isOpen}
          aria-controls={id}
          onClick={() => setPressed(!pressed)}
          className="flex min-h-12 w-full items-center justify-between gap-3 border-rule border-y text-left lg:hidden print:hidden"
        >
          <span>
            {label} <strong className="font-semibold text-accent">Change</strong>
          </span>
          <ChevronDown aria-hidden size={20} className={isOpen ? "rotate-180" : ""} />
        </button>
      )}
      <div id={id} className={isOpen ? "max-lg:mt-3" : "max-lg:hidden"}>
        {children}
      </div>
    </>
  );
}
