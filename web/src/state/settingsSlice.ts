import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { UnitSystem } from "../format/units.ts";

export type Theme = "day" | "night";

/** What this device is set to. What holds for the whole crew is the crew's own data. */
export interface Settings {
  /** Chosen on this device; absent: the crew's. */
  readonly units?: UnitSystem;
  readonly theme: Theme;
  /** Whose steps of a run this device shows, from 0; absent: by the name, or the first. */
  readonly seat?: number;
  readonly signals: Signals;
}

/** What a run under way does besides showing: each can be off. */
export interface Signals {
  readonly sound: boolean;
  readonly vibrate: boolean;
  readonly awake: boolean;
  readonly speak: boolean;
}
const DEFAULT_SIGNALS: Signals = { sound: true, vibrate: true, awake: true, speak: false };

const US_PLACES = new Set(["US", "LR", "MM"]);

/** The units this device seems to be used to, for a crew that has said nothing. */
export const unitsOfDevice = (): UnitSystem =>
  US_PLACES.has(navigator.language.split("-")[1] ?? "") ? "us" : "metric";

const firstSettings = (): Settings => ({
  theme: matchMedia("(prefers-color-scheme: dark)").matches ? "night" : "day",
  signals: DEFAULT_SIGNALS,
});

/** Another crew on the same phone has settings of its own. */
const keyOf = (crewId: string) => `scutch-settings-${crewId}`;

/** What this device was set to for a crew, or what it seems to be used to. */
export function loadSettings(crewId: string): Settings {
  try {
    const kept = localStorage.getItem(keyOf(crewId)) ?? "{}";
    const { units, theme, seat, signals }: Partial<Settings> = JSON.parse(kept);
    return {
      ...firstSettings(),
      ...(units ? { units } : {}),
      ...(theme ? { theme } : {}),
      ...(seat === undefined ? {} : { seat }),
      signals: { ...DEFAULT_SIGNALS, ...signals },
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

const initialState: Settings = { theme: "day", signals: DEFAULT_SIGNALS };

export const settingsSlice = createSlice({
  name: "settings",
  initialState,
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
    seatTaken: (state, { payload }: PayloadAction<number>) => {
      state.seat = payload;
    },
    signalSet: (state, { payload }: PayloadAction<Partial<Signals>>) => {
      state.signals = { ...state.signals, ...payload };
    },
  },
  selectors: { selectSettings: (state) => state },
});

export const { settingsLoaded, unitsChosen, unitsLeftToCrew, themeChosen, seatTaken, signalSet } =
  settingsSlice.actions;
export const { selectSettings } = settingsSlice.selectors;
