import type { Strength } from "@scutch/contract";
import { formatDuration } from "@scutch/core/quantity";
import { MAX_PRICE, numberReader, packField, quantityReader, strengthReader } from "../../format/readers.ts";
import { formatAmount, labelSpelling } from "../../format/units.ts";
import { useUnits } from "../../state/useUnits.ts";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { type ProductFormProps, withAllStrengths } from "./productForm.ts";

/** What a pack holds and costs, and a scoop of a powder. */
export function PackFields({ form: { draft, set, errorAt } }: ProductFormProps) {
  const units = useUnits();
  const powder = draft.scoop !== undefined;
  const pack = packField(powder, units);
  return (
    <div className="grid grid-cols-3 gap-3">
      {powder && (
        <QuantityField
          label="A level scoop holds"
          value={draft.scoop}
          show={(value) => formatAmount(units.powder(value))}
          read={quantityReader("mass", units.system === "metric" ? "g" : "oz")}
          onChange={(scoop) => (scoop === undefined ? undefined : set({ scoop }))}
          fault={errorAt("scoop", (limit) => formatAmount(units.powder(limit)))}
        />
      )}
      <QuantityField
        label="Pack"
        value={draft.packSize}
        show={pack.show}
        read={pack.read}
        onChange={(packSize) => set({ packSize })}
        fault={errorAt("packSize", pack.show)}
      />
      <QuantityField
        label="Pack price"
        value={draft.packPrice}
        show={(price) => price.toFixed(2)}
        read={numberReader(0, MAX_PRICE, "Enter a price, like 24.90.")}
        onChange={(packPrice) => set({ packPrice })}
        fault={errorAt("packPrice")}
      />
    </div>
  );
}

/** What the label gives for each weight of soil, and what it means with 1:4. */
export function StrengthFields({ form: { draft, set, errorAt } }: ProductFormProps) {
  const powder = draft.scoop !== undefined;
  const all = withAllStrengths(draft);
  const strength = (field: "light" | "ordinary" | "heavy", label: string, otherwise?: Strength) => (
    <QuantityField<Strength>
      label={label}
      value={draft[field]}
      show={labelSpelling}
      placeholder={otherwise ? labelSpelling(otherwise) : powder ? "30 g/L" : "1:24"}
      read={strengthReader(draft.ratioMeans, powder)}
      onChange={(value) => set({ [field]: value })}
      fault={errorAt(field)}
    />
  );
  return (
    <>
      {!powder && (
        <Segmented
          label="Label’s 1:4 means"
          value={draft.ratioMeans ?? "one-to-n"}
          options={[
            { value: "one-to-n", name: "1 and 4 of water" },
            { value: "one-in-n", name: "1 in 4 of mix" },
          ]}
          onChange={(ratioMeans) => set({ ratioMeans })}
        />
      )}
      {strength("ordinary", "Normal strength")}
      <div className="grid grid-cols-2 gap-3">
        {strength("light", "Light strength", all.light)}
        {strength("heavy", "Heavy strength", all.heavy)}
      </div>
      <p className="text-sm text-soft">Leave light and heavy blank if the label gives one strength.</p>
    </>
  );
}

/** How long it stands and keeps, how warm its water is, and its pH. */
export function UseFields({ form: { draft, set, errorAt } }: ProductFormProps) {
  const units = useUnits();
  const time = (
    field: "dwellLeast" | "dwellMost" | "potLife",
    label: string,
    bare: "min" | "h",
    hint?: string,
  ) => (
    <QuantityField
      label={label}
      value={draft[field]}
      show={formatDuration}
      read={quantityReader("time", bare)}
      hint={hint}
      onChange={(value) => set({ [field]: value })}
      fault={errorAt(field, formatDuration)}
    />
  );
  const ph = (field: "phInUse" | "phConcentrate", label: string) => (
    <QuantityField
      label={label}
      value={draft[field]}
      show={String}
      placeholder="from the label"
      read={numberReader(0, 14, "Enter a pH from 0 to 14, like 7.5.")}
      onChange={(value) => set({ [field]: value })}
      fault={errorAt(field)}
    />
  );
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        {time("dwellLeast", "Dwell time", "min")}
        {time("dwellMost", "Maximum dwell", "min")}
        {time("potLife", "Use within, once mixed", "h", "Blank: all day")}
        <QuantityField
          label="Water temperature"
          value={draft.waterTemperature}
          show={units.temperature}
          read={quantityReader("temperature", units.bare.temperature)}
          onChange={(waterTemperature) => set({ waterTemperature })}
          fault={errorAt("waterTemperature", units.temperature)}
        />
      </div>
      <div className="grid grid-cols-2 gap-3">
        {ph("phInUse", "pH as used")}
        {ph("phConcentrate", "pH in the bottle")}
      </div>
    </>
  );
}
