export { crews } from "../features/crew/table.ts";
export { jobs } from "../features/job/table.ts";
export { logEntries } from "../features/log/table.ts";
export { photos } from "../features/photo/table.ts";
export { gear } from "../features/shelf/gear/table.ts";
export { products } from "../features/shelf/product/table.ts";
export { sites } from "../features/shelf/site/table.ts";
export { vessels } from "../features/shelf/vessel/table.ts";
export { stockLots, stockUse } from "../features/stock/table.ts";
