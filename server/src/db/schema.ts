export {
  accounts,
  auditLines,
  invites,
  members,
  passkeys,
  rateLimits,
  sessions,
  tries,
  users,
  verifications,
} from "../features/account/table.ts";
export { changeCounters, changes } from "../features/change/table.ts";
export { crews } from "../features/crew/table.ts";
export { jobs } from "../features/job/table.ts";
export { logEntries, logFacts } from "../features/log/table.ts";
export { photos } from "../features/photo/table.ts";
export { customers } from "../features/shelf/customer/table.ts";
export { gear } from "../features/shelf/gear/table.ts";
export { products } from "../features/shelf/product/table.ts";
export { sites } from "../features/shelf/site/table.ts";
export { vessels } from "../features/shelf/vessel/table.ts";
export { stockLots, stockUse } from "../features/stock/table.ts";
