import { createSlice, type PayloadAction } from "@reduxjs/toolkit";

/** What stands between this device and the server: nothing, or one of these, each its own sentence. */
export type ConnectionState =
  | "ok"
  | "offline"
  | "server-fault"
  | "signed-out"
  | "update-needed"
  | "wrong-crew"
  | "other-person";

interface Connection {
  readonly reach: ConnectionState;
  /** A newer version of the app is here, to be taken when it suits. */
  readonly update: boolean;
  /** The browser deleted this device's database while the page was open. */
  readonly deviceLost: boolean;
}

const initialState: Connection = { reach: "ok", update: false, deviceLost: false };

export const connectionSlice = createSlice({
  name: "connection",
  initialState,
  reducers: {
    serverAnswered: (state, { payload }: PayloadAction<ConnectionState>) => {
      state.reach = payload;
    },
    deviceLost: (state) => {
      state.deviceLost = true;
    },
    updateFound: (state) => {
      state.update = true;
    },
  },
  selectors: {
    selectReach: (state) => state.reach,
    selectUpdate: (state) => state.update,
    selectDeviceLost: (state) => state.deviceLost,
  },
});

export const { deviceLost, serverAnswered, updateFound } = connectionSlice.actions;
export const { selectDeviceLost, selectReach, selectUpdate } = connectionSlice.selectors;

/** States of the line that a single answer ends. */
const ENDED_BY_ANSWER: readonly ConnectionState[] = ["offline", "server-fault"];

/** Takes in how asking the server something went, which tells about the line what nothing else has told yet. */
export function noteConnection(
  store: {
    getState(): { connection: Connection };
    dispatch(action: ReturnType<typeof serverAnswered>): unknown;
  },
  answer: Exclude<ConnectionState, "ok"> | "kept" | "not-found" | "unreadable",
): void {
  const { reach } = store.getState().connection;
  const now = answer === "kept" || answer === "not-found" || answer === "unreadable" ? "ok" : answer;
  if (now === "ok" ? ENDED_BY_ANSWER.includes(reach) : reach !== now) store.dispatch(serverAnswered(now));
}
