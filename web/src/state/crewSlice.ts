import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { CrewSettings } from "@scutch/contract";

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
