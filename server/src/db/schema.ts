export { crews } from "../features/crew/table.ts";
export { batches, jobs, roomAirMovers, rooms } from "../features/job/table.ts";
export { logEntries } from "../features/log/table.ts";
export { products } from "../features/product/table.ts";
export { sites } from "../features/site/table.ts";
export { vessels } from "../features/vessel/table.ts";
