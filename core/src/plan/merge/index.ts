export { changedFields, type MergeConflict } from "./fields.ts";
export { joinRecord } from "./joinRecord.ts";
export { type Item, type Merged, mergePlans, PLAN_LISTS, type PlanDoc, type PlanList } from "./mergePlans.ts";
export { deepEqual, isDoc } from "./same.ts";
export { removeItem, resolveConflict } from "./settle.ts";
