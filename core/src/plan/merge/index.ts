export { type Clash, changedFields } from "./fields.ts";
export { type Item, type Merged, mergePlans, type PlanDoc } from "./mergePlans.ts";
export { same } from "./same.ts";
export { settleClash } from "./settle.ts";
