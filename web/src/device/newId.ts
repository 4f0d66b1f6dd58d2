import { v7 } from "uuid";
import type * as z from "zod";

/** A new id of what has no kind of its own. Made without the browser's, which a page without HTTPS doesn't have. */
export const newUuid = (): string => v7();

/** A new id of a kind, made here: what is made with no signal keeps its name when it joins up. */
export function newId<S extends z.ZodType<unknown>>(kind: S): z.output<S> {
  return kind.parse(newUuid());
}
