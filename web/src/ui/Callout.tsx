import type { ReactNode } from "react";

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
