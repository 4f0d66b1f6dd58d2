import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import { type CrewRoom, type CrewSettings, may, type Permission, type Role } from "@scutch/contract";
import { held } from "./pendingSlice.ts";

/** What every screen needs of the crew, followed from the device's database. */
interface CrewState {
  readonly name: string | undefined;
  /** When the crew is deleted, where an owner asked for that. */
  readonly closesAt: string | undefined;
  /** For an owner: what of the crew's room on the server is nearly used up. */
  readonly nearlyFull: readonly CrewRoom[] | undefined;
  /** undefined: this device has yet to hear of them, and a save from here would overwrite them unseen. */
  readonly settings: CrewSettings | undefined;
  /** Who works here, and as what; undefined until that is known: the server decides then. */
  readonly me: Me | undefined;
}

interface Me {
  readonly person: { readonly id: string; readonly name: string };
  readonly role: Role;
  readonly demo: boolean;
}

const initialState: CrewState = {
  name: undefined,
  closesAt: undefined,
  nearlyFull: undefined,
  settings: undefined,
  me: undefined,
};

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
  selectors: {
    selectCrew: (state) => state,
    selectMe: (state) => state.me,
    /** What the person here may do; before that is known, everything, since the server has the last word. */
    selectMay: (state, permission: Permission) => !state.me || may(state.me.role, permission),
  },
});

export const { crewRead } = crewSlice.actions;
export const { selectCrew, selectMay, selectMe } = crewSlice.selectors;
