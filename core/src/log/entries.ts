import type { AirMover, Windows } from "../drying/index.ts";
import type { SecondLookResult, WalkRoundItem } from "./handoverKinds.ts";

/** What a job's log is made of, as far as anything is computed from it. Volumes m³, powders kg, times ISO 8601. */
interface Base {
  readonly id: string;
  readonly at: string;
  /** The entry that was logged with the same tap and that this one follows from. */
  readonly tap?: string | undefined;
}

export interface BoosterUsed {
  readonly productId: string;
  readonly concentrate: number;
  readonly powder?: number | undefined;
}

export interface FillMade extends Base {
  readonly kind: "fill-made";
  readonly batchId: string;
  readonly productId: string;
  /** Which fill of the batch, from 1. */
  readonly fill: number;
  readonly water: number;
  readonly concentrate: number;
  readonly powder?: number | undefined;
  readonly boosters?: readonly BoosterUsed[] | undefined;
  readonly lot?: string | undefined;
  /** The entry of the same fill that this one was made after, knowing of it: the sprayer was needed for another mix. */
  readonly again?: string | undefined;
}

export interface ProductUsed extends Base {
  readonly kind: "product-used";
  readonly productId: string;
  readonly amount?: number | undefined;
  readonly powder?: number | undefined;
  readonly roomId?: string | undefined;
}

export interface Reading extends Base {
  readonly kind: "reading";
  readonly roomId: string;
  /** dry-standard: an untouched place. */
  readonly place: "carpet" | "dry-standard";
  /** Fraction of the meter's scale. */
  readonly moisture: number;
}

export interface AirRead extends Base {
  readonly kind: "air-reading";
  readonly roomId: string;
  /** °C and 0…1. */
  readonly temperature: number;
  readonly relativeHumidity: number;
}

/** What a data logger recorded of a room's air. */
export interface AirLogged extends Base {
  readonly kind: "air-logged";
  readonly roomId: string;
  /** Moments as `at`, °C and 0…1. */
  readonly readings: readonly {
    readonly at: string;
    readonly temperature: number;
    readonly relativeHumidity: number;
  }[];
}

/** What was switched in a room while it dried; what isn't named stays as it was. */
export interface AirChanged extends Base {
  readonly kind: "air-changed";
  readonly roomId: string;
  readonly windows?: Windows | undefined;
  readonly heating?: boolean | undefined;
  readonly airMovers?: readonly AirMover[] | undefined;
  readonly dehumidifierLitresPerDay?: number | undefined;
  /** Doors of the room opened or closed with it. */
  readonly doors?: readonly { readonly doorId: string; readonly isShut: boolean }[] | undefined;
}

export interface WaterMeasured extends Base {
  readonly kind: "water-measured";
  readonly roomIds: readonly string[];
  readonly solution: number;
  readonly recovered: number;
}

export interface RoomFinished extends Base {
  readonly kind: "room-finished";
  readonly roomId: string;
}

export interface DyeTested extends Base {
  readonly kind: "dye-test";
  readonly roomId: string;
  readonly productId: string;
  readonly result: "no-colour" | "colour";
}

export interface TileTested extends Base {
  readonly kind: "tile-test";
  readonly roomId: string;
  readonly productId: string;
  readonly result: "no-change" | "changed";
}

export interface Overridden extends Base {
  readonly kind: "override";
  readonly roomId: string;
  readonly productId: string;
}

export interface SpotSkipped extends Base {
  readonly kind: "spot-skipped";
  readonly roomId: string;
  readonly spotId: string;
  readonly agent: string;
}

export interface SpotAttempted<Result extends string = string> extends Base {
  readonly kind: "spot-attempt";
  readonly roomId: string;
  readonly spotId: string;
  readonly result: Result;
}

/** The job begins. */
export interface RunStarted extends Base {
  readonly kind: "run-started";
}

/** A part of a room, as shares of it from its far corner. */
interface Part {
  readonly number: number;
  readonly from: number;
  readonly to: number;
}

/** A step done straight after the one begun, in the same hand; s it is planned to take. */
export interface JoinedStep {
  readonly step: string;
  readonly part?: Part | undefined;
  readonly lasts: number;
}

/** A step of the run begun, done, passed over, or given to somebody; `who` from 1. */
export interface StepChanged extends Base {
  readonly kind: "step-started" | "step-done" | "step-skipped" | "step-handed";
  readonly step: string;
  readonly who?: number | undefined;
  readonly roomId?: string | undefined;
  readonly part?: Part | undefined;
  readonly what?: string | undefined;
  /** Of a step begun that others follow at once: s it is planned to take, and those others. */
  readonly lasts?: number | undefined;
  readonly joined?: readonly JoinedStep[] | undefined;
  /** Why it was skipped. */
  readonly reason?: string | undefined;
}

/** An offer as far as anything is computed from it; amounts in smallest units of the currency. */
export interface QuotedOffer {
  readonly lines: readonly { readonly id: string; readonly name: string; readonly amount: number }[];
  readonly total: number;
}

/** Prices told to the customer. */
export interface QuoteGiven extends Base {
  readonly kind: "quote-given";
  /** YYYY-MM-DD, the last day they hold if nothing is accepted. */
  readonly validUntil: string;
  readonly offers: readonly QuotedOffer[];
}

/** An offer accepted; `offer` is its place in the quote. */
export interface QuoteAgreed extends Base {
  readonly kind: "quote-agreed";
  readonly quoteId: string;
  readonly offer: number;
}

/** Money received, in smallest units. */
export interface Payment extends Base {
  readonly kind: "payment";
  readonly amount: number;
}

export interface WalkRoundDone extends Base {
  readonly kind: "walk-round";
  readonly item: WalkRoundItem;
}

export interface HandedOver extends Base {
  readonly kind: "handed-over";
}

/** A room looked at again after it was left, and what was found. */
export interface SecondLook extends Base {
  readonly kind: "second-look";
  readonly roomId: string;
  readonly spotId?: string | undefined;
  readonly result: SecondLookResult;
}

export interface Noted extends Base {
  readonly kind: "note";
}

/** Strikes out another entry of the same job. */
export interface Correction extends Base {
  readonly kind: "correction";
  readonly corrects: string;
  /** At once: a slip of the finger. */
  readonly takenBack?: true | undefined;
}

export type Entry =
  | FillMade
  | ProductUsed
  | Reading
  | AirRead
  | AirLogged
  | AirChanged
  | WaterMeasured
  | RoomFinished
  | DyeTested
  | TileTested
  | Overridden
  | SpotAttempted
  | SpotSkipped
  | RunStarted
  | StepChanged
  | QuoteGiven
  | QuoteAgreed
  | Payment
  | WalkRoundDone
  | HandedOver
  | SecondLook
  | Noted
  | Correction;

/** The entries of one kind, as whoever asks knows them: a contract's entry may carry more than core reads. */
export type OfKind<E extends Entry, K extends Entry["kind"]> = Extract<E, { readonly kind: K }>;

export const isKind =
  <E extends Entry, K extends E["kind"]>(kind: K) =>
  (entry: E): entry is OfKind<E, K> =>
    entry.kind === kind;
