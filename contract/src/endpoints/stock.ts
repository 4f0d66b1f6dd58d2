import * as z from "zod";
import { LotId } from "../ids.ts";
import { Stock, StockLot } from "../stock.ts";
import { endpoint, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

export const stockEndpoints = {
  readStock: endpoint({
    method: "get",
    path: PATHS.readStock,
    needs: "read",
    summary: "Lots received, and usage from all logs",
    response: Stock,
    errors: [],
  }),
  saveLot: endpoint({
    method: "put",
    path: PATHS.saveLot,
    needs: "change-van",
    summary: "Add or change a lot; the last save wins",
    params: z.strictObject({ lotId: LotId }),
    body: StockLot,
    response: StockLot,
    errors: WRITE_ERRORS,
  }),
};
