/** Why something can't be sent for the time being, and since which try it is left alone. */
export interface SendFailure {
  readonly tries: number;
  /** Set aside: the rest goes on without it, until a person says what becomes of it. */
  readonly aside?: {
    readonly why: "refused" | "fault" | "silent";
    readonly faults?: readonly { readonly path: readonly (string | number)[]; readonly code: string }[];
    readonly code?: string;
  };
}
