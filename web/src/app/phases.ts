import { itemAt } from "@scutch/core";
import { type ComponentType, lazy } from "react";
import type { JobPath } from "../features/today/jobRowProps.ts";
import type { JobState } from "../features/today/jobState.ts";

export interface Phase {
  readonly path: string;
  readonly name: string;
  readonly key: string;
  readonly Screen: ComponentType;
  /** Fetches the screen before it is drawn. */
  readonly fetch: () => Promise<unknown>;
  /** The stages of a job that it opens at; running: step by step, on the card. */
  readonly opens: readonly (JobState["kind"] | "running")[];
  /** It tells from the log: not for who can’t read that. */
  readonly needsLog?: boolean;
}

const survey = async () => ({ default: (await import("../features/survey/SurveyScreen.tsx")).SurveyScreen });
const mix = async () => ({ default: (await import("../features/mix/MixScreen.tsx")).MixScreen });
const run = async () => ({ default: (await import("../features/run/RunScreen.tsx")).RunScreen });
const dry = async () => ({ default: (await import("../features/dry/DryScreen.tsx")).DryScreen });
const handOver = async () => ({
  default: (await import("../features/handover/HandOverScreen.tsx")).HandOverScreen,
});
const log = async () => ({ default: (await import("../features/log/LogScreen.tsx")).LogScreen });

/** The phases of a job, in their order: a new one is a line here. */
export const PHASES: readonly Phase[] = [
  { path: "survey", name: "Survey", key: "1", Screen: lazy(survey), fetch: survey, opens: ["planned"] },
  { path: "mix", name: "Mix", key: "2", Screen: lazy(mix), fetch: mix, opens: ["under-way"] },
  { path: "run", name: "Run", key: "3", Screen: lazy(run), fetch: run, opens: ["running"], needsLog: true },
  { path: "dry", name: "Dry", key: "4", Screen: lazy(dry), fetch: dry, opens: ["drying"], needsLog: true },
  { path: "hand-over", name: "Hand over", key: "5", Screen: lazy(handOver), fetch: handOver, opens: [] },
  { path: "log", name: "Log", key: "6", Screen: lazy(log), fetch: log, opens: ["dry"], needsLog: true },
];

/** The phases a person works in. */
export const phasesFor = (readsLog: boolean): readonly Phase[] =>
  PHASES.filter(({ needsLog }) => readsLog || needsLog !== true);

/** The phase an address is in. */
export const phaseAt = (pathname: string): Phase | undefined =>
  pathname.startsWith("/jobs/") ? PHASES.find(({ path }) => path === pathname.split("/")[3]) : undefined;

/** Fetches the phases ahead of their first use, each when there is time: a key pressed on opening a job then finds its screen there. */
export async function fetchPhases(idle: () => Promise<void>): Promise<void> {
  for (const phase of PHASES) {
    await idle();
    await phase.fetch();
  }
}

const FIRST = itemAt(PHASES, 0);

/** Address of a job at the phase its stage opens at. */
export const jobPath: JobPath = (jobId, stage) =>
  `/jobs/${jobId}/${(PHASES.find(({ opens }) => opens.includes(stage)) ?? FIRST).path}`;
