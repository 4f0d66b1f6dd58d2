import type { CrewSettings } from "@scutch/contract";
import { useState } from "react";
import { saveRecord } from "../../device/changes.ts";
import { PriceBookDialog } from "../../shared/prices/PriceBookDialog.tsx";
import { selectCrew } from "../../state/crewSlice.ts";
import { themeChosen, unitsLeftToCrew } from "../../state/settingsSlice.ts";
import { useAppDispatch, useAppSelector } from "../../state/store.ts";
import { useMay } from "../../state/useMay.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { AccountSection } from "./AccountSection.tsx";
import { CrewHabits } from "./CrewHabits.tsx";

export function SettingsDialog({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  const dispatch = useAppDispatch();
  const settings = useAppSelector((state) => state.settings);
  return (
    <Dialog open={open} title="Settings" onClose={onClose}>
      <div className="mt-4 grid gap-5">
        <AccountSection onClose={onClose} />
        <Segmented
          label="Colours"
          value={settings.theme}
          options={[
            { value: "day", name: "Day" },
            { value: "night", name: "Night" },
          ]}
          onChange={(theme) => dispatch(themeChosen(theme))}
        />
        <CrewFields />
      </div>
    </Dialog>
  );
}

/** What holds for the crew on all its devices: units, habits and prices. */
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
  const mayReadMoney = useMay("read-money");
  const [pricing, setPricing] = useState(false);
  const set = (change: Partial<CrewSettings>) => saveRecord("settings", { ...settings, ...change }, settings);
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
      {mayReadMoney && <Button onClick={() => setPricing(true)}>Price book</Button>}
      {pricing && <PriceBookDialog onClose={() => setPricing(false)} />}
    </>
  );
}
