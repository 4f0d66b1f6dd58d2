import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { UnitSystem } from "../format/units.ts";

export type Theme = "day" | "night";

/** What this device is set to. What holds for the whole crew is the crew's own data. */
export interface Settings {
  /** Chosen on this device; absent: the crew's. */
  readonly units?: UnitSystem;
  readonly theme: Theme;
  /** Who writes the log on this device. */
  readonly name: string;
}

const US_PLACES = new Set(["US", "LR", "MM"]);

/** The units this device seems to be used to, for a crew that has said nothing. */
export const unitsOfDevice = (): UnitSystem =>
  US_PLACES.has(navigator.language.split("-")[1] ?? "") ? "us" : "metric";

const firstSettings = (): Settings => ({
  theme: matchMedia("(prefers-color-scheme: dark)").matches ? "night" : "day",
  name: "",
});

/** Another crew on the same phone has settings of its own. */
const keyOf = (crewId: string) => `scutch-settings-${crewId}`;
const BEFORE_CREWS = "scutch-settings";

/** What this device was set to for a crew, or what it seems to be used to. */
export function loadSettings(crewId: string): Settings {
  try {
    const kept = localStorage.getItem(keyOf(crewId)) ?? localStorage.getItem(BEFORE_CREWS) ?? "{}";
    const { units, theme, name } = JSON.parse(kept) as Partial<Settings>;
    return {
      ...firstSettings(),
      ...(units ? { units } : {}),
      ...(theme ? { theme } : {}),
      ...(name ? { name } : {}),
    };
  } catch {
    return firstSettings();
  }
}

/** Keeps them; a device that can't goes on without. */
export function keepSettings(crewId: string, settings: Settings): void {
  try {
    localStorage.setItem(keyOf(crewId), JSON.stringify(settings));
  } catch {
    // Full or forbidden: they hold while the page is open.
  }
}

export const settingsSlice = createSlice({
  name: "settings",
  initialState: { theme: "day", name: "" } as Settings,
  reducers: {
    settingsLoaded: (_, { payload }: PayloadAction<Settings>) => payload,
    unitsChosen: (state, { payload }: PayloadAction<UnitSystem>) => {
      state.units = payload;
    },
    /** The crew's units hold here again. */
    unitsLeftToCrew: ({ units: _, ...state }) => state,
    themeChosen: (state, { payload }: PayloadAction<Theme>) => {
      state.theme = payload;
    },
    nameGiven: (state, { payload }: PayloadAction<string>) => {
      state.name = payload;
    },
  },
  selectors: { selectSettings: (state) => state },
});

export const { settingsLoaded, unitsChosen, unitsLeftToCrew, themeChosen, nameGiven } = settingsSlice.actions;
export const { selectSettings } = settingsSlice.selectors;
