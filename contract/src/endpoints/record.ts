import * as z from "zod";
import { CrewSettings } from "../crew.ts";
import { Customer } from "../customer.ts";
import { Gear } from "../gear.ts";
import { Product } from "../product.ts";
import { Site } from "../site.ts";
import { StockLot } from "../stock.ts";
import { Vessel } from "../vessel.ts";
import { endpoint, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

const change = <K extends string, V extends z.ZodType>(kind: K, value: V) =>
  z.strictObject({
    kind: z.literal(kind),
    base: z
      .record(z.string(), z.unknown())
      .optional()
      .meta({ description: "As it was when it was changed; absent: it is new" }),
    value,
  });

/** A thing of the shelf, the van, the stock or the settings as it was changed, and as it was before. */
export const RecordChange = z
  .discriminatedUnion("kind", [
    change("product", Product),
    change("vessel", Vessel),
    change("gear", Gear),
    change("site", Site),
    change("customer", Customer),
    change("lot", StockLot),
    change("settings", CrewSettings),
  ])
  .meta({ id: "RecordChange" });
export type RecordChange = z.infer<typeof RecordChange>;

export const recordEndpoints = {
  saveRecord: endpoint({
    method: "post",
    path: PATHS.saveRecord,
    needs: ["change-van", "change-customers", "set-prices", "set-crew"],
    summary:
      "Change a thing; fields others changed since `base` stay, of a field changed twice the last save wins",
    body: RecordChange,
    response: z.strictObject({
      value: z.union([Product, Vessel, Gear, Site, Customer, StockLot, CrewSettings]),
    }),
    errors: WRITE_ERRORS,
  }),
};
