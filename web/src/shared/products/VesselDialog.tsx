import { Vessel, VesselId } from "@scutch/contract";
import { toSi } from "@scutch/core/quantity";
import { useState } from "react";
import { saveRecord } from "../../device/changes.ts";
import { newId } from "../../device/newId.ts";
import { listReader, quantityReader } from "../../format/readers.ts";
import { formatAmount } from "../../format/units.ts";
import { VESSEL_KIND_NAMES } from "../../format/words.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { type Draft, useDraft } from "../../ui/useDraft.ts";

interface Props {
  readonly vessel?: Vessel;
  readonly onSaved?: (id: VesselId) => void;
  readonly onClose: () => void;
}

const MINUTE = 60;
/** Shares of what a sprayer holds that its pump leaves and that foam takes (common practice). */
const HEEL = 0.03;
const HEAD_SPACE = 0.1;

/** A sprayer of which the size was entered, with what is usual for the rest. */
const withUsual = (
  draft: Draft<Vessel>,
  nameOf: (kind: NonNullable<Vessel["kind"]>, nominal: number) => string,
): Draft<Vessel> =>
  draft.nominal === undefined
    ? draft
    : {
        ...draft,
        name: draft.name ?? nameOf(draft.kind ?? "pump-sprayer", draft.nominal),
        heel: draft.heel ?? draft.nominal * HEEL,
        headSpace: draft.headSpace ?? draft.nominal * HEAD_SPACE,
      };

/** A sprayer's volumes: what it holds, what its pump leaves, what stays empty, how finely it is marked. */
export function VesselDialog({ vessel, onSaved, onClose }: Props) {
  const units = useUnits();
  const metric = units.system === "metric";
  const [before] = useState(vessel);
  const nameOf = (kind: NonNullable<Vessel["kind"]>, nominal: number) =>
    `${VESSEL_KIND_NAMES[kind]}, ${formatAmount(units.volume(nominal))}`.replace(/\s/g, " ");
  const { draft, set, errorAt, check } = useDraft(
    Vessel,
    vessel ?? {
      id: newId(VesselId),
      kind: "pump-sprayer",
      graduation: metric ? toSi(0.1, "l") : toSi(4, "floz"),
      sprayFlow: toSi(metric ? 1 : 0.25, metric ? "l" : "gal") / MINUTE,
    },
    (typed) => withUsual(typed, nameOf),
  );
  const usual = withUsual(draft, nameOf);
  const save = () => {
    const checked = check();
    if (!checked) return;
    saveRecord("vessel", checked, before);
    onSaved?.(checked.id);
    onClose();
  };
  const volume = (field: "nominal" | "heel" | "headSpace" | "graduation", label: string, small = false) => {
    const show = (value: number) => formatAmount(small ? units.amount(value) : units.volume(value));
    return (
      <QuantityField
        label={label}
        value={draft[field]}
        placeholder={usual[field] === undefined ? "" : show(usual[field])}
        show={show}
        read={quantityReader("volume", small ? units.bare.amount : units.bare.volume)}
        onChange={(value) => set({ [field]: value })}
        fault={errorAt(field, show)}
      />
    );
  };
  return (
    <Dialog open title={vessel ? "Change sprayer" : "Add sprayer"} onClose={onClose}>
      <div className="mt-4 grid gap-3">
        {volume("nominal", "Full to the brim")}
        <NameField
          value={draft.name}
          placeholder={usual.name ?? ""}
          onChange={(name) => set({ name })}
          fault={errorAt("name")}
        />
        <ChoiceField
          label="Kind"
          value={draft.kind ?? "pump-sprayer"}
          options={optionsOf(VESSEL_KIND_NAMES)}
          onChange={(kind) => set({ kind })}
          hint={draft.kind === "injection-sprayer" ? "Use the volumes of its jug." : undefined}
        />
        <div className="grid grid-cols-2 gap-3">
          {volume("headSpace", "Headspace for foam")}
          {volume("heel", "Left in bottom by pump")}
          {volume("graduation", "Marks every", true)}
        </div>
        <QuantityField<readonly number[]>
          label="Marks, where uneven"
          value={draft.lines}
          show={(lines) => lines.map((line) => formatAmount(units.volume(line))).join(", ")}
          read={listReader(quantityReader("volume", units.bare.volume))}
          placeholder={metric ? "2 L, 4 L, 6 L" : "1 gal, 2 gal"}
          onChange={(lines) => set({ lines: lines && [...lines] })}
          fault={errorAt("lines")}
        />
        <QuantityField
          label="Sprays per minute"
          value={draft.sprayFlow === undefined ? undefined : draft.sprayFlow * MINUTE}
          show={(value) => formatAmount(units.volume(value))}
          read={quantityReader("volume", units.bare.volume)}
          onChange={(value) => set({ sprayFlow: value === undefined ? undefined : value / MINUTE })}
          fault={errorAt("sprayFlow", (limit) => formatAmount(units.amount(limit * MINUTE)))}
        />
        <Button weight="main" onClick={save}>
          Save sprayer
        </Button>
      </div>
    </Dialog>
  );
}
