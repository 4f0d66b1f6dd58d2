import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { Forecast } from "@scutch/contract";
import { demoId } from "../../demo/demoId.ts";
import { SITES } from "../../demo/shelf.ts";
import { simulatedForecast } from "../../forecast/simulatedForecast.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";

const HOUR = 3_600_000;
let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

const ask = (siteId: string, from: string) => server.api.get(`/api/sites/${siteId}/forecast`).query({ from });

test("a place of the crew has its forecast by the hour; another crew's place, or one that isn't, has none", async () => {
  const from = new Date().toISOString();
  const { body } = await ask(SITES.flat.id, from).expect(200);
  const { points } = Forecast.parse(body);
  expect(points).toHaveLength(96);
  expect(Date.parse(points[0]?.at ?? "")).toBeLessThanOrEqual(Date.parse(from));
  expect((await ask(SITES.flat.id, from).expect(200)).body).toEqual(body);
  await ask(demoId("site", 77), from).expect(404);
  await server.otherApi.get(`/api/sites/${SITES.flat.id}/forecast`).query({ from }).expect(404);
  await ask(SITES.flat.id, "tomorrow").expect(422);
});

test("the simulated forecast has nights and seasons, the southern ones half a year later, and reaches a week", async () => {
  const now = Date.parse("2026-07-16T12:00:00Z");
  const service = simulatedForecast(() => now);
  const at = async (zone: string, from: number) =>
    (await service.hourly({ id: SITES.flat.id, zone }, from)).points.map(({ temperature }) => temperature);
  const mean = (values: readonly number[]) => values.reduce((sum, each) => sum + each, 0) / values.length;
  const [north, south] = [await at("Europe/Lisbon", now), await at("Australia/Sydney", now)];
  expect(mean(north) - mean(south)).toBeGreaterThan(8);
  // Three in the afternoon against three at night.
  const hours = (await service.hourly({ id: SITES.flat.id, zone: "UTC" }, now)).points;
  const byHour = (hour: number) =>
    mean(
      hours
        .filter((point) => new Date(point.at).getUTCHours() === hour)
        .map(({ temperature }) => temperature),
    );
  expect(byHour(15) - byHour(3)).toBeGreaterThan(4);
  expect(await at("UTC", now + 8 * 24 * HOUR)).toEqual([]);
  expect(await at("UTC", now - 2 * 24 * HOUR)).toEqual([]);
});
