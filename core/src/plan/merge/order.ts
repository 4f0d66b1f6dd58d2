import { itemAt } from "../../itemAt.ts";
import { deepEqual } from "./same.ts";

interface Ordered {
  readonly ids: readonly string[];
  /** The two sides put what they share in two orders; theirs was taken. */
  readonly clash: boolean;
}

/**
 * The order of a joined list: of what both sides have, the order of the side that changed it; what one side alone has
 * stands behind what it stood behind there. Additions of both at one place go by id, so by when they were made.
 */
export function mergeOrder(
  base: readonly string[],
  mine: readonly string[],
  theirs: readonly string[],
  kept: ReadonlySet<string>,
): Ordered {
  const [inMine, inTheirs] = [new Set(mine), new Set(theirs)];
  const shared = new Set([...kept].filter((id) => inMine.has(id) && inTheirs.has(id)));
  const sharedOf = (ids: readonly string[]) => ids.filter((id) => shared.has(id));
  const [mineOrder, theirOrder] = [sharedOf(mine), sharedOf(theirs)];
  const known = new Set(base);
  // Order counts among what was there before; things both sides added stand where theirs has them.
  const before = (ids: readonly string[]) => ids.filter((id) => known.has(id));
  const baseOrder = sharedOf(base);
  const mineMoved = !deepEqual(before(mineOrder), baseOrder);
  const theirsMoved = !deepEqual(before(theirOrder), baseOrder);
  const spine = mineMoved && !theirsMoved ? mineOrder : theirOrder;

  const behind = new Map<string, string[][]>();
  for (const ids of [mine, theirs]) {
    let anchor = "";
    const runs = new Map<string, string[]>();
    for (const id of ids) {
      if (shared.has(id)) anchor = id;
      else if (kept.has(id)) runs.set(anchor, [...(runs.get(anchor) ?? []), id]);
    }
    for (const [at, run] of runs) behind.set(at, [...(behind.get(at) ?? []), run]);
  }
  const runsAt = (anchor: string) =>
    (behind.get(anchor) ?? []).toSorted((a, b) => (itemAt(a, 0) < itemAt(b, 0) ? -1 : 1)).flat();
  return {
    ids: [...runsAt(""), ...spine.flatMap((id) => [id, ...runsAt(id)])],
    clash: mineMoved && theirsMoved && !deepEqual(before(mineOrder), before(theirOrder)),
  };
}
