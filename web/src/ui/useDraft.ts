import { type Fault, faultsOf } from "@scutch/contract";
import { useState } from "react";
import type * as z from "zod";
import { contractFault } from "../format/words.ts";

/** What is typed so far: any field may not be said yet, or not any more. */
export type Draft<T> = { readonly [K in keyof T]?: T[K] | undefined };

/**
 * A thing being typed field by field: each checked when left, the whole checked by its contract before it is saved. `complete` fills in
 * what follows from the rest.
 */
export function useDraft<S extends z.ZodType>(
  schema: S,
  first: Draft<z.output<S>>,
  complete: (draft: Draft<z.output<S>>) => Draft<z.output<S>> = (draft) => draft,
) {
  const [draft, setDraft] = useState(first);
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  return {
    draft,
    set: (change: Draft<z.output<S>>): undefined => {
      setDraft((before) => ({ ...before, ...change }));
      setFaults([]);
    },
    /** The sentence under a field, if its value broke a rule. */
    errorAt: (field: string, show?: (limit: number) => string) => {
      const fault = faults.find(({ path }) => path[0] === field);
      return fault && contractFault(fault, show);
    },
    /** The finished thing, or undefined once its faults are shown. */
    check: (): z.output<S> | undefined => {
      const result = schema.safeParse(complete(draft));
      setFaults(result.success ? [] : faultsOf(result.error));
      return result.success ? result.data : undefined;
    },
  };
}
