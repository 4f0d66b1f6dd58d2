import { useId } from "react";
import { CHEMISTRY_NAMES, LABEL_FLOOR_NAMES } from "../../format/careWords.ts";
import { FieldError, inputLook } from "../../ui/FieldFrame.tsx";
import { MultiSelect } from "../../ui/MultiSelect.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import type { ProductFormProps } from "./productForm.ts";

/** What is in it that reacts, and what its label allows, forbids and warns of. */
export function LabelFields({ form: { draft, set, errorAt } }: ProductFormProps) {
  const cautionsId = useId();
  return (
    <>
      <MultiSelect
        label="Reactive contents"
        hint="From section 3 or 10 of the safety data sheet. Tap none if it has none of these."
        names={CHEMISTRY_NAMES}
        chosen={draft.chemistry ?? []}
        onChange={(chemistry) => set({ chemistry })}
      />
      {draft.kind === "odour-treatment" && (
        <Segmented
          label="Goes on"
          value={draft.treats ?? "after"}
          assumed={draft.treats === undefined}
          options={[
            { value: "before", name: "Before cleaning" },
            { value: "after", name: "After cleaning" },
          ]}
          onChange={(treats) => set({ treats })}
        />
      )}
      <MultiSelect
        label="Label says safe on"
        names={LABEL_FLOOR_NAMES}
        chosen={draft.labelAllows ?? []}
        onChange={(labelAllows) => set({ labelAllows })}
      />
      <MultiSelect
        label="Label says not on"
        names={LABEL_FLOOR_NAMES}
        chosen={draft.labelForbids ?? []}
        onChange={(labelForbids) => set({ labelForbids })}
      />
      <div>
        <label htmlFor={cautionsId} className="text-sm text-soft">
          Label cautions, one per line
        </label>
        <textarea
          id={cautionsId}
          rows={3}
          className={`${inputLook(false)} py-2`}
          defaultValue={draft.cautions?.join("\n")}
          onChange={(event) =>
            set({
              cautions: event.target.value
                .split("\n")
                .map((line) => line.trim())
                .filter(Boolean),
            })
          }
        />
        <FieldError sentence={errorAt("cautions")} />
      </div>
    </>
  );
}
