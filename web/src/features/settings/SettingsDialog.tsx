import { toSi } from "@scutch/core/quantity";
import { EXTRA_UNIT, EXTRAS, type Extra } from "@scutch/core/quote";
import { useId } from "react";
import { useAppDispatch, useAppSelector, useUnits } from "../../app/store.ts";
import { EXTRA_NAMES } from "../../format/words.ts";
import { Dialog } from "../../ui/Dialog.tsx";
import { inputLook } from "../../ui/FieldFrame.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { nameGiven, priceSet, themeChosen, unitsChosen } from "./settingsSlice.ts";

export function SettingsDialog({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const nameId = useId();
  return (
    <Dialog open={open} title="Settings of this device" onClose={onClose}>
      <div className="mt-4 grid gap-5">
        <Segmented
          label="Units"
          value={settings.units}
          options={[
            { value: "metric", name: "Metric" },
            { value: "us", name: "US" },
          ]}
          onChange={(units) => dispatch(unitsChosen(units))}
        />
        <Segmented
          label="Colours"
          value={settings.theme}
          options={[
            { value: "day", name: "Day" },
            { value: "night", name: "Night" },
          ]}
          onChange={(theme) => dispatch(themeChosen(theme))}
        />
        <div>
          <label htmlFor={nameId} className="text-sm text-soft">
            Your name, as it stands in the log
          </label>
          <input
            id={nameId}
            className={inputLook(false)}
            maxLength={60}
            autoComplete="given-name"
            value={settings.name}
            onChange={(event) => dispatch(nameGiven(event.target.value))}
          />
        </div>
        <PriceFields />
      </div>
    </Dialog>
  );
}

/** What is asked for what is charged apart, in the crew's own money. */
function PriceFields() {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const { prices } = useAppSelector((state) => state.settings);
  // Kept for one m², m or piece; asked and shown for one of the crew's units.
  const perUnit = (extra: Extra) =>
    EXTRA_UNIT[extra] === "piece" || units.system === "metric"
      ? 1
      : toSi(1, EXTRA_UNIT[extra] === "area" ? "ft2" : "ft");
  const per = (extra: Extra) =>
    ({
      area: units.system === "metric" ? "a m²" : "a ft²",
      length: units.system === "metric" ? "a m" : "a ft",
      piece: "each",
    })[EXTRA_UNIT[extra]];
  return (
    <fieldset>
      <legend className="font-semibold">Prices of what is charged apart</legend>
      <div className="mt-1 grid grid-cols-2 gap-3">
        {EXTRAS.map((extra) => (
          <QuantityField
            key={extra}
            label={`${EXTRA_NAMES[extra].replace(/, each|, a step/, "")}, ${per(extra)}`}
            value={prices[extra]}
            show={(price) => (price * perUnit(extra)).toFixed(2)}
            placeholder="not set"
            read={(text) => {
              const price = Number(text.replace(",", ".").replace(/[^\d.]/g, ""));
              return text.trim() !== "" && Number.isFinite(price) && /\d/.test(text)
                ? { value: price / perUnit(extra) }
                : { error: "Type a price, like 4.50." };
            }}
            onChange={(price) => void dispatch(priceSet({ extra, price }))}
          />
        ))}
      </div>
    </fieldset>
  );
}
