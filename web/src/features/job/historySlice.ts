import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { Job, JobId } from "@scutch/contract";

/** Plans a job had before, and those undone: undo is the previous plan. Kept while the app is open. */
interface History {
  readonly past: readonly Job[];
  readonly future: readonly Job[];
}

const DEPTH = 60;
const EMPTY: History = { past: [], future: [] };

export const historySlice = createSlice({
  name: "history",
  initialState: {} as Record<string, History>,
  reducers: {
    jobChanged: (state, { payload }: PayloadAction<{ before: Job }>) => {
      const { past } = state[payload.before.id] ?? EMPTY;
      state[payload.before.id] = { past: [...past, payload.before].slice(-DEPTH), future: [] };
    },
    changeUndone: (state, { payload }: PayloadAction<{ now: Job }>) => {
      const { past, future } = state[payload.now.id] ?? EMPTY;
      state[payload.now.id] = { past: past.slice(0, -1), future: [...future, payload.now] };
    },
    changeRedone: (state, { payload }: PayloadAction<{ now: Job }>) => {
      const { past, future } = state[payload.now.id] ?? EMPTY;
      state[payload.now.id] = { past: [...past, payload.now], future: future.slice(0, -1) };
    },
  },
  selectors: {
    selectHistory: (state, jobId: JobId) => state[jobId] ?? EMPTY,
  },
});

export const { jobChanged, changeUndone, changeRedone } = historySlice.actions;
export const { selectHistory } = historySlice.selectors;
