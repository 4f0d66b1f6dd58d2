import type { Product, ProductId } from "@scutch/contract";
import { floorsFor } from "@scutch/core/care";
import { useState } from "react";
import { saveRecord } from "../../device/changes.ts";
import { PRODUCT_FLOOR_NAMES } from "../../format/careWords.ts";
import { PRODUCT_KIND_NAMES } from "../../format/words.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { LabelFields } from "./LabelFields.tsx";
import { PackFields, StrengthFields, UseFields } from "./ProductFigures.tsx";
import { useProductForm } from "./productForm.ts";

/** A scoop as many packs hold one, kg (common practice). */
const DEFAULT_SCOOP = 0.06;

interface Props {
  readonly product?: Product;
  readonly onSaved?: (id: ProductId) => void;
  readonly onClose: () => void;
}

/** A product from its label, in the label's own spelling. */
export function ProductDialog({ product, onSaved, onClose }: Props) {
  // Another device may change it while it is open here.
  const [before] = useState(product);
  const form = useProductForm(product);
  const { draft, set, errorAt, check } = form;
  const save = () => {
    const checked = check();
    if (!checked) return;
    saveRecord("product", checked, before);
    onSaved?.(checked.id);
    onClose();
  };
  const powder = draft.scoop !== undefined;
  return (
    <Dialog open title={product ? "Change product" : "Add product"} onClose={onClose}>
      <p className="mt-1 text-sm text-soft">
        Copy these from the label. The label and safety data sheet come first.
      </p>
      <div className="mt-4 grid gap-3">
        <div className="grid grid-cols-2 gap-3">
          <NameField value={draft.name} onChange={(name) => set({ name })} fault={errorAt("name")} />
          <ChoiceField
            label="Kind"
            value={draft.kind}
            options={optionsOf(PRODUCT_KIND_NAMES)}
            onChange={(kind) => set({ kind })}
          />
        </div>
        <Segmented<"liquid" | "powder">
          label="Form"
          value={powder ? "powder" : "liquid"}
          options={[
            { value: "liquid", name: "Liquid" },
            { value: "powder", name: "Powder" },
          ]}
          onChange={(matter) =>
            set({
              scoop: matter === "powder" ? DEFAULT_SCOOP : undefined,
              packSize: undefined,
              light: undefined,
              ordinary: undefined,
              heavy: undefined,
            })
          }
        />
        <PackFields form={form} />
        <Segmented
          label="Made for"
          value={floorsFor(draft)}
          assumed={draft.floors === undefined}
          options={optionsOf(PRODUCT_FLOOR_NAMES)}
          onChange={(floors) => set({ floors })}
        />
        <StrengthFields form={form} />
        <UseFields form={form} />
        <LabelFields form={form} />
        <Button weight="main" onClick={save}>
          Save product
        </Button>
      </div>
    </Dialog>
  );
}
