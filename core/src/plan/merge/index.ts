export { type Clash, changedFields } from "./fields.ts";
export { type Item, type Merged, mergePlans, PLAN_LISTS, type PlanDoc, type PlanList } from "./mergePlans.ts";
export { same } from "./same.ts";
export { settleClash, withoutItem } from "./settle.ts";
