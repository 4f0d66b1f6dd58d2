import * as z from "zod";
import { Forecast } from "../forecast.ts";
import { SiteId } from "../ids.ts";
import { Instant } from "../moment.ts";
import { endpoint } from "./endpoint.ts";
import { PATHS } from "./paths.ts";

export const forecastEndpoints = {
  readForecast: endpoint({
    method: "get",
    path: PATHS.readForecast,
    needs: "read",
    summary:
      "Air outdoors at a place from a moment on, hour by hour; empty where no forecast reaches that far",
    params: z.strictObject({ siteId: SiteId }),
    query: z.strictObject({ from: Instant }),
    response: Forecast,
    errors: [404, 422],
  }),
};
