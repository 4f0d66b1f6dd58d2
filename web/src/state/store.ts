import { configureStore } from "@reduxjs/toolkit";
import { useDispatch, useSelector } from "react-redux";
import { connectionSlice } from "./connectionSlice.ts";
import { crewSlice } from "./crewSlice.ts";
import { historySlice } from "./historySlice.ts";
import { loggedSlice } from "./loggedSlice.ts";
import { pendingSlice } from "./pendingSlice.ts";
import { refusalSlice } from "./refusalSlice.ts";
import { settingsSlice } from "./settingsSlice.ts";

/** What the interface remembers. The crew's work is in the device's database, read live. */
export const makeStore = () =>
  configureStore({
    reducer: {
      [connectionSlice.name]: connectionSlice.reducer,
      [crewSlice.name]: crewSlice.reducer,
      [historySlice.name]: historySlice.reducer,
      [pendingSlice.name]: pendingSlice.reducer,
      [refusalSlice.name]: refusalSlice.reducer,
      [loggedSlice.name]: loggedSlice.reducer,
      [settingsSlice.name]: settingsSlice.reducer,
    },
    middleware: (defaults) => defaults({ serializableCheck: false, immutableCheck: false }),
  });

export type Store = ReturnType<typeof makeStore>;
export type RootState = ReturnType<Store["getState"]>;
export type AppDispatch = Store["dispatch"];
export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
