import type { ButtonHTMLAttributes } from "react";

type Weight = "main" | "plain" | "quiet";

const LOOK: Record<Weight, string> = {
  main: "bg-accent text-on-accent font-bold text-lg min-h-14 px-6",
  plain: "border border-rule bg-paper font-semibold min-h-12 px-4 hover:border-accent",
  quiet: "font-semibold text-accent min-h-12 px-2 hover:underline",
};

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly weight?: Weight;
}

/** One look for each weight: the one thing to do now, another thing, an aside. */
export function Button({ weight = "plain", className = "", type = "button", ...rest }: Props) {
  return (
    <button
      type={type}
      className={`inline-flex items-center justify-center gap-2 rounded-md disabled:opacity-45 ${LOOK[weight]} ${className}`}
      {...rest}
    />
  );
}
