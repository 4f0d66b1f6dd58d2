import { UNITS_OF, type UnitFormatter } from "../format/units.ts";
import { unitsOfDevice } from "./settingsSlice.ts";
import { useAppSelector } from "./store.ts";

/** The units in sight: chosen on this device, else the crew's, else what the device seems to be used to. */
export function useUnits(): UnitFormatter {
  const chosen = useAppSelector((state) => state.settings.units);
  const crew = useAppSelector((state) => state.crew.settings?.units);
  return UNITS_OF[chosen ?? crew ?? unitsOfDevice()];
}
