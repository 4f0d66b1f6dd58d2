export { crews } from "../features/crew/table.ts";
export { gear } from "../features/gear/table.ts";
export { jobs } from "../features/job/table.ts";
export { logEntries } from "../features/log/table.ts";
export { photos } from "../features/photo/table.ts";
export { products } from "../features/product/table.ts";
export { sites } from "../features/site/table.ts";
export { stockLots, stockUse } from "../features/stock/table.ts";
export { vessels } from "../features/vessel/table.ts";
