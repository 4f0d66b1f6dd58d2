import type { CrewSettings } from "@scutch/contract";
import { toSi } from "@scutch/core/quantity";
import { EXTRA_UNIT, EXTRAS, type Extra } from "@scutch/core/quote";
import { useId } from "react";
import { saveRecord } from "../../device/changes.ts";
import { MAX_PRICE, mapReading, numberReader } from "../../format/readers.ts";
import { EXTRA_NAMES } from "../../format/words.ts";
import { selectCrew } from "../../state/crewSlice.ts";
import { nameGiven, themeChosen, unitsLeftToCrew } from "../../state/settingsSlice.ts";
import { useAppDispatch, useAppSelector } from "../../state/store.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Dialog } from "../../ui/Dialog.tsx";
import { inputLook } from "../../ui/FieldFrame.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { CrewDataFile, CrewHabits } from "./CrewHabits.tsx";

export function SettingsDialog({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  const nameId = useId();
  const people = useAppSelector(selectCrew).settings?.people ?? [];
  return (
    <Dialog open={open} title="Settings" onClose={onClose}>
      <div className="mt-4 grid gap-5">
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
            Your name in the log
          </label>
          <input
            id={nameId}
            className={inputLook(false)}
            maxLength={60}
            autoComplete="given-name"
            list={`${nameId}people`}
            value={settings.name}
            onChange={(event) => dispatch(nameGiven(event.target.value))}
          />
          <datalist id={`${nameId}people`}>
            {people.map((person) => (
              <option key={person} value={person} />
            ))}
          </datalist>
        </div>
        <CrewFields />
      </div>
    </Dialog>
  );
}

/** What holds for the crew on all its devices: units, and what is asked for what is charged apart, in its own money. */
function CrewFields() {
  const { settings } = useAppSelector(selectCrew);
  return (
    <div className="grid gap-4 border-ink border-t-2 pt-3">
      <h3 className="font-semibold">Crew settings, all devices</h3>
      {settings ? (
        <KnownCrewFields settings={settings} />
      ) : (
        <p className="text-soft">Units and prices aren’t on this device yet. Go online to get them.</p>
      )}
    </div>
  );
}

function KnownCrewFields({ settings }: { readonly settings: CrewSettings }) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const { prices } = settings;
  const set = (change: Partial<CrewSettings>) => saveRecord("settings", { ...settings, ...change }, settings);
  const setPrice = (extra: Extra, price: number | undefined) => {
    const { [extra]: _, ...others } = prices;
    set({ prices: price === undefined ? others : { ...others, [extra]: price } });
  };
  // Kept for one m², m or piece; asked and shown for one of the crew's units.
  const perUnit = (extra: Extra) =>
    EXTRA_UNIT[extra] === "piece" || units.system === "metric"
      ? 1
      : toSi(1, EXTRA_UNIT[extra] === "area" ? "ft2" : "ft");
  const per = (extra: Extra) =>
    ({
      area: units.system === "metric" ? "a m²" : "per sq ft",
      length: units.system === "metric" ? "a m" : "per ft",
      piece: "each",
    })[EXTRA_UNIT[extra]];
  return (
    <>
      <Segmented
        label="Units"
        value={units.system}
        options={[
          { value: "metric", name: "Metric" },
          { value: "us", name: "US" },
        ]}
        onChange={(chosen) => {
          set({ units: chosen });
          dispatch(unitsLeftToCrew());
        }}
      />
      <CrewHabits settings={settings} set={set} />
      <fieldset>
        <legend className="text-sm text-soft">Prices of extras</legend>
        <div className="mt-1 grid grid-cols-2 gap-3">
          {EXTRAS.map((extra) => (
            <QuantityField
              key={extra}
              label={`${EXTRA_NAMES[extra].replace(/, each|, a step/, "")}, ${per(extra)}`}
              value={prices[extra]}
              show={(price) => (price * perUnit(extra)).toFixed(2)}
              placeholder="not set"
              read={(text) =>
                mapReading(numberReader(0, MAX_PRICE, "Enter a price, like 4.50.")(text), (price) => ({
                  value: price / perUnit(extra),
                }))
              }
              onChange={(price) => void setPrice(extra, price)}
            />
          ))}
        </div>
      </fieldset>
      <CrewDataFile />
    </>
  );
}
