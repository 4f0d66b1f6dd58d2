import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { CrewSettings } from "@scutch/contract";
import { UNITS_OF, type UnitsOfCrew } from "../format/units.ts";
import { unitsOfDevice } from "./settingsSlice.ts";
import { useAppSelector } from "./store.ts";

/** What every screen needs of the crew, followed from the device's database. */
interface CrewState {
  readonly name: string | undefined;
  readonly settings: CrewSettings;
}

const initialState: CrewState = { name: undefined, settings: { prices: {} } };

export const crewSlice = createSlice({
  name: "crew",
  initialState,
  reducers: {
    crewRead: (state, { payload }: PayloadAction<Partial<CrewState>>) => ({ ...state, ...payload }),
  },
  selectors: { selectCrew: (state) => state },
});

export const { crewRead } = crewSlice.actions;
export const { selectCrew } = crewSlice.selectors;

/** The units in sight: chosen on this device, else the crew's, else what the device seems to be used to. */
export function useUnits(): UnitsOfCrew {
  const chosen = useAppSelector((state) => state.settings.units);
  const crew = useAppSelector((state) => state.crew.settings.units);
  return UNITS_OF[chosen ?? crew ?? unitsOfDevice()];
}
