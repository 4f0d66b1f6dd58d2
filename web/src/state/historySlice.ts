import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { Job } from "@scutch/contract";

/** A change of a plan made here: undone by making it the other way round, so that nobody else's goes with it. */
export interface Change {
  readonly before: Job;
  readonly after: Job;
  /** The phase of the job it was made on: undone there, where it can be seen. */
  readonly screen: string;
}

/** Changes of a job made in this page, and those undone. Kept while the app is open. */
interface History {
  readonly past: readonly Change[];
  readonly future: readonly Change[];
}

const DEPTH = 60;
type Histories = Readonly<Record<string, History>>;
const NONE: Histories = {};
const EMPTY: History = { past: [], future: [] };
type OnScreen = PayloadAction<{ readonly jobId: string; readonly screen: string }>;

const lastOn = (changes: readonly Change[], screen: string) =>
  changes.findLastIndex((change) => change.screen === screen);

/** Takes the last change made on a screen from one pile to the other. */
function move(from: readonly Change[], to: readonly Change[], screen: string) {
  const place = lastOn(from, screen);
  const change = from[place];
  return change ? { from: from.toSpliced(place, 1), to: [...to, change] } : undefined;
}

export const historySlice = createSlice({
  name: "history",
  initialState: NONE,
  reducers: {
    jobChanged: (state: Histories, { payload }: PayloadAction<Change>): Histories => {
      const { past, future } = state[payload.after.id] ?? EMPTY;
      return {
        ...state,
        [payload.after.id]: {
          past: [...past, payload].slice(-DEPTH),
          future: future.filter(({ screen }) => screen !== payload.screen),
        },
      };
    },
    changeUndone: (state: Histories, { payload: { jobId, screen } }: OnScreen): Histories => {
      const { past, future } = state[jobId] ?? EMPTY;
      const moved = move(past, future, screen);
      return moved ? { ...state, [jobId]: { past: moved.from, future: moved.to } } : state;
    },
    changeRedone: (state: Histories, { payload: { jobId, screen } }: OnScreen): Histories => {
      const { past, future } = state[jobId] ?? EMPTY;
      const moved = move(future, past, screen);
      return moved ? { ...state, [jobId]: { past: moved.to, future: moved.from } } : state;
    },
  },
  selectors: {
    selectHistory: (state, jobId: string) => state[jobId] ?? EMPTY,
  },
});

/** What undo and redo would take on a screen: its last change, and its last one undone. */
export function onScreen({ past, future }: History, screen: string) {
  return { last: past[lastOn(past, screen)], next: future[lastOn(future, screen)] };
}

export const { jobChanged, changeUndone, changeRedone } = historySlice.actions;
export const { selectHistory } = historySlice.selectors;
