import { Check } from "lucide-react";
import type { ReactNode } from "react";

interface Props {
  readonly id: string;
  readonly label: string;
  readonly hint?: string | undefined;
  readonly error?: string | undefined;
  /** Nobody has said this: a default stands in. Pressing it makes the default what was said. */
  readonly onConfirm?: (() => void) | undefined;
  /** Under what is wrong: a way out of it. */
  readonly below?: ReactNode;
  readonly children: ReactNode;
}

/** Label, what is wrong, and the mark of an assumption: the same round every field. */
export function FieldFrame({ id, label, hint, error, onConfirm, below, children }: Props) {
  return (
    <div className="min-w-0">
      <div className="flex min-h-6 flex-wrap items-center justify-between gap-x-1">
        <label htmlFor={id} className="text-sm text-soft">
          {label}
        </label>
        {onConfirm && (
          <button
            type="button"
            onClick={onConfirm}
            aria-label={`${label}: assumed. Confirm it`}
            className="-my-3 flex min-h-12 items-center gap-1 text-caution-ink text-sm"
          >
            assumed <Check aria-hidden size={14} className="max-sm:hidden" />
          </button>
        )}
      </div>
      {children}
      {error ? (
        <FieldError id={`${id}-error`} sentence={error} />
      ) : (
        hint && (
          <p id={`${id}-hint`} className="mt-1 text-sm text-soft">
            {hint}
          </p>
        )
      )}
      {below}
    </div>
  );
}

export const inputLook = (error: boolean, assumed = false) =>
  `w-full min-h-12 rounded-md border bg-ground px-3 text-ink ${error ? "border-stop border-2" : "border-rule"} ${assumed ? "text-soft italic" : ""}`;

/** What is wrong with the field above, and what to do next. */
export function FieldError({
  sentence,
  id,
}: {
  readonly sentence: string | undefined;
  readonly id?: string;
}) {
  if (!sentence) return null;
  return (
    <p id={id} role="alert" className="mt-1 border-stop border-l-4 pl-2 text-sm text-stop">
      {sentence}
    </p>
  );
}
