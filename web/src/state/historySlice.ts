import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { Job } from "@scutch/contract";

/** A change of a plan made here: undone by making it the other way round, so that nobody else's goes with it. */
export interface Change {
  readonly before: Job;
  readonly after: Job;
}

/** Changes of a job made in this page, and those undone. Kept while the app is open. */
interface History {
  readonly past: readonly Change[];
  readonly future: readonly Change[];
}

const DEPTH = 60;
const EMPTY: History = { past: [], future: [] };
type OfJob = PayloadAction<{ readonly jobId: string }>;

export const historySlice = createSlice({
  name: "history",
  initialState: {} as Record<string, History>,
  reducers: {
    jobChanged: (state, { payload }: PayloadAction<Change>) => {
      const { past } = state[payload.after.id] ?? EMPTY;
      state[payload.after.id] = { past: [...past, payload].slice(-DEPTH), future: [] };
    },
    changeUndone: (state, { payload }: OfJob) => {
      const { past, future } = state[payload.jobId] ?? EMPTY;
      const last = past.at(-1);
      if (last) state[payload.jobId] = { past: past.slice(0, -1), future: [...future, last] };
    },
    changeRedone: (state, { payload }: OfJob) => {
      const { past, future } = state[payload.jobId] ?? EMPTY;
      const last = future.at(-1);
      if (last) state[payload.jobId] = { past: [...past, last], future: future.slice(0, -1) };
    },
  },
  selectors: {
    selectHistory: (state, jobId: string) => state[jobId] ?? EMPTY,
  },
});

export const { jobChanged, changeUndone, changeRedone } = historySlice.actions;
export const { selectHistory } = historySlice.selectors;
