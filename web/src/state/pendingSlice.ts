import { createSlice, type PayloadAction } from "@reduxjs/toolkit";
import type { Job, LogEntry, PhotoFacts } from "@scutch/contract";
import { deepEqual, type MergeConflict } from "@scutch/core/plan";

/** One thing done here, until this device's database has it and shows it. */
export type PendingChange = {
  readonly id: string;
  /**
   * storing: on its way into the database · stored: in it, at `rev` · unstored: the device can't keep it, it lives in this
   * page alone · sent: the device couldn't keep it, but the server has it.
   */
  readonly state: "storing" | "stored" | "unstored" | "sent";
  readonly rev?: number;
} & (
  | {
      readonly kind: "job";
      readonly jobId: string;
      /** null: the job is new. */
      readonly before: Job | null;
      readonly after: Job;
      readonly quietly?: boolean;
      /** Sent: what it and another device's save say differently, until a person decides. */
      readonly clashes?: readonly MergeConflict[];
    }
  | { readonly kind: "entry"; readonly jobId: string; readonly entry: LogEntry }
  | {
      readonly kind: "thing";
      readonly thing: string;
      readonly value: unknown;
      /** What was changed, as it was on the screen; absent: it is new, or replaced whole. */
      readonly before?: unknown;
    }
  | {
      readonly kind: "photo";
      readonly photo: {
        readonly id: string;
        readonly jobId: string;
        readonly facts: PhotoFacts;
        readonly picture: Blob;
      };
    }
  | { readonly kind: "photo-gone"; readonly photoId: string }
);
/** Something done here, before it is held. */
export type Doing = PendingChange extends infer H
  ? H extends PendingChange
    ? Omit<H, "id" | "state" | "rev">
    : never
  : never;
export type PendingChangeOf<K extends PendingChange["kind"]> = Extract<PendingChange, { kind: K }>;

/** Ids of what a held thing is about: a job's entries and pictures go with the job. */
function idsOf(item: PendingChange): readonly string[] {
  switch (item.kind) {
    case "job":
      return [item.jobId];
    case "entry":
      return [item.jobId, item.entry.id];
    case "thing":
      return [item.thing];
    case "photo":
      return [item.photo.jobId, item.photo.id];
    case "photo-gone":
      return [item.photoId];
  }
}

/** Stored ones are kept a little, since the database's own view follows a moment later. */
const KEPT_STORED = 20;

type Pending = readonly PendingChange[];
const NOTHING: Pending = [];

export const pendingSlice = createSlice({
  name: "holding",
  initialState: NOTHING,
  reducers: {
    held: (state: Pending, { payload }: PayloadAction<PendingChange>): Pending => {
      const stored = state.filter((each) => each.state === "stored");
      const spare = new Set(stored.slice(0, Math.max(0, stored.length - KEPT_STORED)).map(({ id }) => id));
      return [...state.filter(({ id }) => !spare.has(id)), payload];
    },
    heldMoved: (
      state: Pending,
      { payload }: PayloadAction<{ id: string; state: PendingChange["state"]; rev?: number | undefined }>,
    ): Pending =>
      state.map((each) =>
        each.id === payload.id
          ? { ...each, state: payload.state, ...(payload.rev === undefined ? {} : { rev: payload.rev }) }
          : each,
      ),
    /** The server has it: a plan as it was joined there. */
    heldSent: (
      state: Pending,
      {
        payload: { id, plan, clashes },
      }: PayloadAction<{ id: string; plan?: Job; clashes?: readonly MergeConflict[] }>,
    ): Pending =>
      state.map((each) => {
        if (each.id !== id) return each;
        if (each.kind !== "job") return { ...each, state: "sent" };
        return { ...each, state: "sent", after: plan ?? each.after, clashes: clashes ?? [] };
      }),
    heldClashDecided: (
      state: Pending,
      { payload }: PayloadAction<{ id: string; clash: MergeConflict }>,
    ): Pending =>
      state.map((each) =>
        each.id === payload.id && each.kind === "job"
          ? { ...each, clashes: (each.clashes ?? []).filter((clash) => !deepEqual(clash, payload.clash)) }
          : each,
      ),
    /** What was held under an id has been taken back: nothing of it is shown any more. */
    heldForgotten: (state: Pending, { payload }: PayloadAction<string>): Pending =>
      state.filter((each) => !idsOf(each).includes(payload)),
  },
  selectors: {
    selectHeld: (state): readonly PendingChange[] => state,
    selectHeldClash: (state): boolean =>
      state.some((each) => each.kind === "job" && (each.clashes?.length ?? 0) > 0),
    selectUnstored: (state): number => state.filter((each) => each.state === "unstored").length,
  },
});

export const { held, heldClashDecided, heldForgotten, heldMoved, heldSent } = pendingSlice.actions;
export const { selectHeld, selectHeldClash, selectUnstored } = pendingSlice.selectors;
