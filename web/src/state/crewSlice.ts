import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { CrewSettings } from "@scutch/contract";
import { held } from "./pendingSlice.ts";

/** What every screen needs of the crew, followed from the device's database. */
interface CrewState {
  readonly name: string | undefined;
  /** undefined: this device has yet to hear of them, and a save from here would overwrite them unseen. */
  readonly settings: CrewSettings | undefined;
}

const initialState: CrewState = { name: undefined, settings: undefined };

export const crewSlice = createSlice({
  name: "crew",
  initialState,
  reducers: {
    crewRead: (state, { payload }: PayloadAction<Partial<CrewState>>) => ({ ...state, ...payload }),
  },
  // What was just set counts at once: the next change is made on it, whether the device could keep it or not.
  extraReducers: (builder) =>
    builder.addCase(held, (state, { payload }) =>
      payload.kind === "thing" && payload.thing === "settings:crew"
        ? { ...state, settings: payload.value as CrewSettings }
        : state,
    ),
  selectors: { selectCrew: (state) => state },
});

export const { crewRead } = crewSlice.actions;
export const { selectCrew } = crewSlice.selectors;
