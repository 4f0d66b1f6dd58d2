import { type ReactNode, useState } from "react";

const LOOK = {
  caution: "border-caution bg-caution-wash",
  stop: "border-stop bg-stop-wash",
  advice: "border-accent bg-wash",
} as const;

/** A caution, a stop or advice, at the step where it matters. */
export function Callout({
  tone,
  title,
  children,
}: {
  readonly tone: keyof typeof LOOK;
  readonly title?: string;
  readonly children?: ReactNode;
}) {
  return (
    <div role={tone === "stop" ? "alert" : "note"} className={`border-l-4 px-4 py-3 ${LOOK[tone]}`}>
      {title && <strong className="block">{title}</strong>}
      {children}
    </div>
  );
}

/** A caution in one line that opens: what it says in full is there for who asks. */
export function FoldedCaution({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <Callout tone="caution">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="-my-2 flex min-h-12 w-full items-center justify-between gap-3 text-left font-semibold"
      >
        <span>{title}</span>
        <span aria-hidden>{open ? "–" : "+"}</span>
      </button>
      {open && children}
    </Callout>
  );
}
