import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { Extra } from "@scutch/core/quote";
import type { UnitSystem } from "../../format/units.ts";

export type Theme = "day" | "night";

export interface Settings {
  readonly units: UnitSystem;
  readonly theme: Theme;
  /** Who writes the log on this device. */
  readonly name: string;
  /** What is asked for one m², m or piece of what is charged apart; absent: not set. */
  readonly prices: Partial<Record<Extra, number>>;
}

const KEY = "scutch-settings";
const US_PLACES = new Set(["US", "LR", "MM"]);

function firstSettings(): Settings {
  const units = US_PLACES.has(navigator.language.split("-")[1] ?? "") ? "us" : "metric";
  const theme = matchMedia("(prefers-color-scheme: dark)").matches ? "night" : "day";
  return { units, theme, name: "", prices: {} };
}

/** What this device was set to, or what it seems to be used to. */
export function loadSettings(): Settings {
  try {
    return { ...firstSettings(), ...(JSON.parse(localStorage.getItem(KEY) ?? "{}") as Partial<Settings>) };
  } catch {
    return firstSettings();
  }
}

export const keepSettings = (settings: Settings) => localStorage.setItem(KEY, JSON.stringify(settings));

export const settingsSlice = createSlice({
  name: "settings",
  initialState: loadSettings,
  reducers: {
    unitsChosen: (state, { payload }: PayloadAction<UnitSystem>) => {
      state.units = payload;
    },
    themeChosen: (state, { payload }: PayloadAction<Theme>) => {
      state.theme = payload;
    },
    nameGiven: (state, { payload }: PayloadAction<string>) => {
      state.name = payload;
    },
    priceSet: (state, { payload }: PayloadAction<{ extra: Extra; price: number | undefined }>) => {
      if (payload.price === undefined) delete state.prices[payload.extra];
      else state.prices[payload.extra] = payload.price;
    },
  },
  selectors: { selectSettings: (state) => state },
});

export const { unitsChosen, themeChosen, nameGiven, priceSet } = settingsSlice.actions;
export const { selectSettings } = settingsSlice.selectors;
