import { Gear, GearId, type GearKind } from "@scutch/contract";
import { useState } from "react";
import { saveRecord } from "../../device/changes.ts";
import { newId } from "../../device/newId.ts";
import { numberReader, quantityReader } from "../../format/readers.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Stepper } from "../../ui/Stepper.tsx";
import { useDraft } from "../../ui/useDraft.ts";
import { DEFAULT_GEAR, GEAR_FIELDS, GEAR_KIND_NAMES, type GearField } from "./gearFields.ts";

interface Props {
  readonly kind: GearKind;
  readonly item?: Gear;
  readonly onClose: () => void;
}

const plainNumber = (text: string) =>
  numberReader(0, Number.MAX_VALUE, "Enter a number.")(text.replace(/^\s*1\s*:\s*/, ""));

/** Something of the van, by the figures its kind has. */
export function GearDialog({ kind, item, onClose }: Props) {
  const units = useUnits();
  const [before] = useState(item);
  const first = item ?? { id: newId(GearId), kind, count: 1, ...DEFAULT_GEAR[kind] };
  const { draft, set, errorAt, check } = useDraft(Gear, first);
  const [values, setValues] = useState<Readonly<Record<string, unknown>>>(first);
  const save = () => {
    const checked = check();
    if (!checked) return;
    saveRecord("gear", checked, before);
    onClose();
  };
  const change = (field: GearField, value: number | undefined): undefined => {
    if (value === undefined) return;
    const kept = value * (field.kept ?? 1);
    setValues((before) => ({ ...before, [field.key]: kept }));
    set({ [field.key]: kept });
  };
  return (
    <Dialog open title={item ? item.name : GEAR_KIND_NAMES[kind]} onClose={onClose}>
      <div className="mt-4 grid gap-3">
        <NameField value={draft.name} onChange={(name) => set({ name })} fault={errorAt("name")} />
        <div className="grid grid-cols-2 gap-3">
          {GEAR_FIELDS[kind].map((field) => {
            const value = values[field.key];
            return (
              <QuantityField<number>
                key={field.key}
                label={field.label}
                value={typeof value === "number" ? value : undefined}
                show={(number) => field.show(number, units)}
                read={field.dimension ? quantityReader(field.dimension, field.bare(units)) : plainNumber}
                onChange={(number) => change(field, number)}
                fault={errorAt(field.key, (limit) => field.show(limit, units))}
              />
            );
          })}
        </div>
        <Stepper
          label="Number in the van"
          value={draft.count ?? 1}
          most={99}
          onChange={(count) => set({ count })}
        />
        <Button weight="main" onClick={save}>
          Save
        </Button>
      </div>
    </Dialog>
  );
}
