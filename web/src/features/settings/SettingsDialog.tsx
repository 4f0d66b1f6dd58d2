import { useId } from "react";
import { useAppDispatch, useAppSelector } from "../../app/store.ts";
import { Dialog } from "../../ui/Dialog.tsx";
import { inputLook } from "../../ui/FieldFrame.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { nameGiven, themeChosen, unitsChosen } from "./settingsSlice.ts";

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
      </div>
    </Dialog>
  );
}
