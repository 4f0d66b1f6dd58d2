import { effectiveEntries } from "./effective.ts";
import type { Entry } from "./entries.ts";

/**
 * Other entries that one tap wrote with this one and that stand: a step done, its room finished, the next step begun. From before
 * entries named their tap it is those of the same moment.
 */
export function sameTap<E extends Entry>(log: readonly E[], entry: E): E[] {
  const named = new Set(log.flatMap(({ tap }) => tap ?? []));
  const mainOf = ({ id, tap }: E) => tap ?? (named.has(id) ? id : undefined);
  const main = mainOf(entry);
  return effectiveEntries(log).filter(
    (each) => each.id !== entry.id && mainOf(each) === main && (main !== undefined || each.at === entry.at),
  );
}
