import type { Stock } from "@scutch/contract";
import { usePull } from "../../device/deviceQuery.ts";
import { useLocalStock } from "../../device/localRecords.ts";
import { pullStock } from "../../device/pull.ts";

/** What there is of each product, asked for when first wanted; undefined while this device has never seen it. */
export function useStock(): Stock | undefined {
  usePull("stock", ({ db, send }) => pullStock(db, send));
  return useLocalStock() ?? undefined;
}
