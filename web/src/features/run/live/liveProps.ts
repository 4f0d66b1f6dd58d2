import type { JobRun } from "@scutch/core/run";
import type { JobDesk } from "../../../planning/desk.ts";

/** What the cards of a run under way are given. */
export interface LiveProps {
  readonly desk: JobDesk;
  readonly run: JobRun;
  readonly people: number;
  readonly names: readonly string[];
  readonly roomName: (id: string) => string;
  /** Nothing of it is real: no mix to make elsewhere, no stop to lift, nothing to note. */
  readonly practice?: boolean;
}
