import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { Role } from "@scutch/contract";

interface Refusal {
  /** Somebody of this role tried to change what they may not. */
  readonly role: Role | undefined;
}

const initialState: Refusal = { role: undefined };

export const refusalSlice = createSlice({
  name: "refusal",
  initialState,
  reducers: {
    changeRefused: (_, { payload }: PayloadAction<Role>): Refusal => ({ role: payload }),
    refusalRead: (): Refusal => initialState,
  },
  selectors: { selectRefused: (state) => state.role },
});

export const { changeRefused, refusalRead } = refusalSlice.actions;
export const { selectRefused } = refusalSlice.selectors;
