import * as z from "zod";
import { Customer } from "../customer.ts";
import { Gear } from "../gear.ts";
import { GearId, ProductId, SiteId, VesselId } from "../ids.ts";
import { Product } from "../product.ts";
import { Site } from "../site.ts";
import { Vessel } from "../vessel.ts";
import { endpoint, WRITE_ERRORS } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

export const shelfEndpoints = {
  readShelf: endpoint({
    method: "get",
    path: PATHS.readShelf,
    needs: "read",
    summary: "The crew’s products, sprayers and tanks, gear, places and customers",
    response: z
      .strictObject({
        products: z.array(Product),
        vessels: z.array(Vessel),
        gear: z.array(Gear),
        sites: z.array(Site),
        customers: z.array(Customer),
      })
      .meta({ id: "Shelf" }),
    errors: [],
  }),
  saveProduct: endpoint({
    method: "put",
    path: PATHS.saveProduct,
    needs: "change-van",
    summary: "Add or change a product; the last save wins",
    params: z.strictObject({ productId: ProductId }),
    body: Product,
    response: Product,
    errors: WRITE_ERRORS,
  }),
  saveVessel: endpoint({
    method: "put",
    path: PATHS.saveVessel,
    needs: "change-van",
    summary: "Add or change a sprayer or tank; the last save wins",
    params: z.strictObject({ vesselId: VesselId }),
    body: Vessel,
    response: Vessel,
    errors: WRITE_ERRORS,
  }),
  saveGear: endpoint({
    method: "put",
    path: PATHS.saveGear,
    needs: "change-van",
    summary: "Add or change a van item; the last save wins",
    params: z.strictObject({ gearId: GearId }),
    body: Gear,
    response: Gear,
    errors: WRITE_ERRORS,
  }),
  saveSite: endpoint({
    method: "put",
    path: PATHS.saveSite,
    needs: "change-customers",
    summary: "Add or change a place; the last save wins",
    params: z.strictObject({ siteId: SiteId }),
    body: Site,
    response: Site,
    errors: WRITE_ERRORS,
  }),
};
