import { endpoints } from "@scutch/contract";
import type { Router } from "express";
import { notFound } from "../../failures.ts";
import type { Context } from "../../http/context.ts";
import { mount } from "../../http/mount.ts";
import { readSites } from "../shelf/service.ts";

export function forecastRoutes(router: Router, { db, forecasts }: Context): void {
  mount(router, endpoints.readForecast, async ({ params, query }, { crewId }) => {
    const site = (await readSites(db, crewId)).find(({ id }) => id === params.siteId);
    if (!site) throw notFound();
    return forecasts.hourly(site, Date.parse(query.from));
  });
}
