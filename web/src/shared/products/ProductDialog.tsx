import { Product, ProductId, type Strength } from "@scutch/contract";
import { floorsFor } from "@scutch/core/care";
import { formatDuration } from "@scutch/core/quantity";
import { useId } from "react";
import { saveRecord } from "../../device/changes.ts";
import { newId } from "../../device/newId.ts";
import { CHEMISTRY_NAMES, PRODUCT_FLOOR_NAMES } from "../../format/careWords.ts";
import { MAX_PRICE, numberReader, packField, quantityReader, strengthReader } from "../../format/readers.ts";
import { formatAmount, labelSpelling } from "../../format/units.ts";
import { FIBRE_NAMES, PRODUCT_KIND_NAMES } from "../../format/words.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { FieldError, inputLook } from "../../ui/FieldFrame.tsx";
import { MultiSelect } from "../../ui/MultiSelect.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { useDraft } from "../../ui/useDraft.ts";

/** A scoop as many packs hold one, kg (common practice). */
const DEFAULT_SCOOP = 0.06;
const { unknown: _, ...LABEL_FIBRES } = FIBRE_NAMES;

interface Props {
  readonly product?: Product;
  readonly onSaved?: (id: ProductId) => void;
  readonly onClose: () => void;
}

/** A product from its label, in the label's own spelling. */
export function ProductDialog({ product, onSaved, onClose }: Props) {
  const units = useUnits();
  const cautionsId = useId();
  const { draft, set, errorAt, check } = useDraft(
    Product,
    product ?? {
      id: newId(ProductId),
      kind: "pre-spray",
      ratioMeans: "one-to-n",
      dwellLeast: 480,
      dwellMost: 900,
      cautions: [],
    },
  );
  const save = () => {
    const checked = check();
    if (!checked) return;
    saveRecord("product", checked);
    onSaved?.(checked.id);
    onClose();
  };
  const powder = draft.scoop !== undefined;
  const pack = packField(powder, units);
  const strength = (field: "light" | "ordinary" | "heavy", label: string) => (
    <QuantityField<Strength>
      label={label}
      value={draft[field]}
      show={labelSpelling}
      placeholder={powder ? "30 g/L" : "1:24"}
      read={strengthReader(draft.ratioMeans, powder)}
      onChange={(value) => set({ [field]: value })}
      fault={errorAt(field)}
    />
  );
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
        <Segmented
          label="Made for"
          value={floorsFor(draft)}
          assumed={draft.floors === undefined}
          options={optionsOf(PRODUCT_FLOOR_NAMES)}
          onChange={(floors) => set({ floors })}
        />
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
        <div className="grid grid-cols-3 gap-3">
          {strength("light", "Light strength")}
          {strength("ordinary", "Normal strength")}
          {strength("heavy", "Heavy strength")}
        </div>
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
        <MultiSelect
          label="Reactive contents"
          hint="From section 3 or 10 of the safety data sheet. Tap none if it has none of these."
          names={CHEMISTRY_NAMES}
          chosen={draft.chemistry ?? []}
          onChange={(chemistry) => set({ chemistry })}
        />
        <MultiSelect
          label="Label says safe on"
          names={LABEL_FIBRES}
          chosen={draft.labelAllows ?? []}
          onChange={(labelAllows) => set({ labelAllows })}
        />
        <MultiSelect
          label="Label says not on"
          names={LABEL_FIBRES}
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
        <Button weight="main" onClick={save}>
          Save product
        </Button>
      </div>
    </Dialog>
  );
}
