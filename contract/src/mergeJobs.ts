import {
  changedFields,
  type MergeConflict,
  mergePlans,
  PLAN_LISTS,
  type PlanDoc,
  type PlanList,
  removeItem,
} from "@scutch/core/plan";
import { Job } from "./job.ts";
import { parseTolerantly } from "./tolerant.ts";

export interface MergedJob {
  /** Always a plan the contract takes. */
  readonly plan: Job;
  readonly clashes: readonly MergeConflict[];
}

type Lists = Record<PlanList, readonly { readonly id: string }[] | undefined>;

/** Where a fault lies in a joined plan: the thing of a list, or the list itself where it has grown too long. */
function placeOf(path: readonly PropertyKey[], plan: Job): { list: PlanList; id?: string } | undefined {
  const list = PLAN_LISTS.find((each) => each === path[0]);
  if (!list) return undefined;
  const id = typeof path[1] === "number" ? (plan as Lists)[list]?.[path[1]]?.id : undefined;
  return id === undefined ? { list } : { list, id };
}

/**
 * Joins two jobs made from one (see core's mergePlans) into one the contract takes. What each side may say but both
 * together may not (a spinner here, carpet there) is theirs for the time being, and what I changed of it is asked.
 */
export function mergeJobs(base: Job | undefined, mine: Job, theirs: Job): MergedJob {
  const from = (base ?? {}) as Job;
  const merged = mergePlans<PlanDoc>(from, mine, theirs);
  let plan = merged.plan as Job;
  const clashes = [...merged.conflicts];
  // Each round puts at least one thing back to theirs, so it ends.
  for (let round = 0; round <= PLAN_LISTS.length * 400; round++) {
    const checked = parseTolerantly(Job, plan);
    if (checked.ok) return { plan, clashes };
    const [issue] = checked.error.issues;
    const place = issue && placeOf(issue.path, plan);
    const next = place && withTheirs(plan, place, { base: from, mine, theirs }, clashes);
    if (!next) break;
    plan = next;
  }
  return { plan: theirs, clashes: [{ kind: "plan", path: [], mine, theirs }] };
}

interface Sides {
  readonly base: Job;
  readonly mine: Job;
  readonly theirs: Job;
}

/** The plan with one thing as they have it, or one addition of mine fewer; undefined where that changes nothing. */
function withTheirs(
  plan: Job,
  { list, id }: { readonly list: PlanList; readonly id?: string },
  sides: Sides,
  clashes: MergeConflict[],
): Job | undefined {
  const items = (plan as Lists)[list] ?? [];
  const find = (side: Job, wanted: string) => (side as Lists)[list]?.find((item) => item.id === wanted);
  if (id === undefined) {
    const extra = items.findLast((item) => !find(sides.theirs, item.id));
    if (!extra) return undefined;
    clashes.push({ kind: "full", path: [list, extra.id], mine: extra });
    return without(plan, list, extra.id);
  }
  const [mine, theirs] = [find(sides.mine, id), find(sides.theirs, id)];
  const known = clashes.some(
    (clash) => clash.path[0] === list && clash.path[1] === id && clash.kind !== "field",
  );
  if (!theirs) {
    if (known) return undefined;
    clashes.push({ kind: "full", path: [list, id], mine });
    return without(plan, list, id);
  }
  if (items.find((item) => item.id === id) === theirs) return undefined;
  const others = clashes.filter((clash) => clash.path[0] !== list || clash.path[1] !== id);
  clashes.splice(0, clashes.length, ...others);
  if (mine)
    clashes.push(
      ...changedFields((find(sides.base, id) ?? {}) as never, mine as never, theirs as never, [list, id]),
    );
  return { ...plan, [list]: items.map((item) => (item.id === id ? theirs : item)) };
}

const without = (plan: Job, list: PlanList, id: string) => removeItem<PlanDoc>(plan, list, id) as Job;
