import { configureStore } from "@reduxjs/toolkit";
import { useDispatch, useSelector } from "react-redux";
import { scutchApi } from "../api/scutchApi.ts";
import { historySlice } from "../features/job/historySlice.ts";
import { keepSettings, settingsSlice } from "../features/settings/settingsSlice.ts";
import { UNITS_OF, type UnitsOfCrew } from "../format/units.ts";
import { syncSlice } from "../offline/syncSlice.ts";

export const store = configureStore({
  reducer: {
    [scutchApi.reducerPath]: scutchApi.reducer,
    [historySlice.name]: historySlice.reducer,
    [settingsSlice.name]: settingsSlice.reducer,
    [syncSlice.name]: syncSlice.reducer,
  },
  middleware: (defaults) =>
    defaults({ serializableCheck: false, immutableCheck: false }).concat(scutchApi.middleware),
});

export type RootState = ReturnType<typeof store.getState>;
export type AppDispatch = typeof store.dispatch;
export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();

export const useUnits = (): UnitsOfCrew => UNITS_OF[useAppSelector((state) => state.settings.units)];

let kept = store.getState().settings;
store.subscribe(() => {
  const { settings } = store.getState();
  if (settings === kept) return;
  kept = settings;
  keepSettings(settings);
  document.documentElement.dataset.theme = settings.theme;
});
document.documentElement.dataset.theme = kept.theme;
