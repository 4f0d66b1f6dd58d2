import type { ReactNode } from "react";

const TONE = {
  plain: "border-rule",
  caution: "border-caution",
  stop: "border-stop",
  good: "border-accent",
} as const;
export type Tone = keyof typeof TONE;

/** One thing of a reference page: its name, and what there is to know. */
export function Entry({
  title,
  mark,
  tone = "plain",
  children,
}: {
  readonly title: string;
  readonly mark?: string;
  readonly tone?: Tone;
  readonly children: ReactNode;
}) {
  return (
    <article className={`border-l-4 py-2.5 pl-3 ${TONE[tone]}`}>
      <h3 className="flex flex-wrap items-baseline justify-between gap-x-3 font-bold">
        {title}
        {mark && <span className="font-mono font-normal text-sm text-soft">{mark}</span>}
      </h3>
      <div className="grid gap-1">{children}</div>
    </article>
  );
}
