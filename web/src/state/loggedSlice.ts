import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { LogEntry, RoomId } from "@scutch/contract";

/** The last entry written here, to be taken back while it is fresh. */
export interface RecentEntry {
  readonly jobId: string;
  readonly entry: LogEntry;
  /** Written with it, and taken back with it. */
  readonly follows: readonly LogEntry[];
  /** ms since 1970 at which it was written, whenever it happened. */
  readonly at: number;
}

interface Logged {
  readonly last: RecentEntry | null;
  /** The room last chosen for an entry, by job. */
  readonly rooms: Readonly<Record<string, RoomId | undefined>>;
}

/** How long a slip of the finger can be taken back, ms; after that it is a correction with its reason. */
export const UNDO_WINDOW_MS = 10_000;

const initialState: Logged = { last: null, rooms: {} };

export const loggedSlice = createSlice({
  name: "logged",
  initialState,
  reducers: {
    justLogged: (state: Logged, { payload }: PayloadAction<RecentEntry>): Logged => ({
      ...state,
      last: payload,
    }),
    takenBack: (state: Logged): Logged => ({ ...state, last: null }),
    roomChosen: (
      state: Logged,
      { payload: { jobId, roomId } }: PayloadAction<{ jobId: string; roomId: RoomId | undefined }>,
    ): Logged => ({ ...state, rooms: { ...state.rooms, [jobId]: roomId } }),
  },
  selectors: {
    selectJustLogged: (state): RecentEntry | null => state.last,
    selectRoomChosen: (state, jobId: string): RoomId | undefined => state.rooms[jobId],
  },
});

export const { justLogged, takenBack, roomChosen } = loggedSlice.actions;
export const { selectJustLogged, selectRoomChosen } = loggedSlice.selectors;
