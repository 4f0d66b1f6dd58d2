import type { SecondLookResult } from "../log/index.ts";

/** Why something came back. */
export type CallbackCause = Exclude<SecondLookResult, "fine">;

/** A room that was finished, and what it was cleaned with. */
export interface ReviewedRoom {
  readonly roomId: string;
  readonly method: string;
  readonly fibre?: string;
  readonly productId?: string;
  /** Who cleaned it, by the name in the log. */
  readonly person?: string;
  /** What came back in it. */
  readonly callbacks: readonly CallbackCause[];
}

/** What a job earned, in smallest units of its currency. */
export interface ReviewedMoney {
  readonly total: number;
  readonly net: number;
  readonly discount: number;
  readonly product: number;
  readonly pads: number;
  readonly travel: number;
  readonly wages: number;
  readonly left: number;
}

/** A job as it is looked back on. */
export interface ReviewedJob {
  readonly jobId: string;
  /** YYYY-MM-DD. */
  readonly day: string;
  /** All rooms are finished, or the run is over. */
  readonly isDone: boolean;
  readonly people: number;
  /** s of the run; undefined: it can’t be planned, or it wasn’t logged from start to end. */
  readonly plannedSeconds?: number;
  readonly takenSeconds?: number;
  /** Absent: a line has no price. */
  readonly money?: ReviewedMoney;
  /** m³. */
  readonly water: number;
  /** m³, or kg of a powder, by product id. */
  readonly products: readonly (readonly [productId: string, amount: number])[];
  readonly rooms: readonly ReviewedRoom[];
}
