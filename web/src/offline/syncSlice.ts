import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { Conflict, Refusal, Sent } from "./sender.ts";

interface SyncState {
  readonly reachable: boolean;
  /** Changes made here that the server has yet to hear of. */
  readonly pending: number;
  readonly conflicts: readonly Conflict[];
  readonly refused: readonly Refusal[];
}

const initialState: SyncState = { reachable: true, pending: 0, conflicts: [], refused: [] };

export const syncSlice = createSlice({
  name: "sync",
  initialState,
  reducers: {
    outboxSent: (_, { payload }: PayloadAction<Sent>) => payload,
    changeQueued: (state) => {
      state.pending++;
    },
  },
  selectors: { selectSync: (state) => state },
});

export const { outboxSent, changeQueued } = syncSlice.actions;
export const { selectSync } = syncSlice.selectors;
