import { createSlice, type PayloadAction } from "@reduxjs/toolkit";

/** What stands between this device and the server: nothing, or one of these, each its own sentence. */
export type Reach = "ok" | "offline" | "server-fault" | "signed-out" | "update-needed" | "wrong-crew";

interface Connection {
  readonly reach: Reach;
  /** A newer version of the app is here, to be taken when it suits. */
  readonly update: boolean;
}

const initialState: Connection = { reach: "ok", update: false };

export const connectionSlice = createSlice({
  name: "connection",
  initialState,
  reducers: {
    serverAnswered: (state, { payload }: PayloadAction<Reach>) => {
      state.reach = payload;
    },
    updateFound: (state) => {
      state.update = true;
    },
  },
  selectors: { selectReach: (state) => state.reach, selectUpdate: (state) => state.update },
});

export const { serverAnswered, updateFound } = connectionSlice.actions;
export const { selectReach, selectUpdate } = connectionSlice.selectors;
