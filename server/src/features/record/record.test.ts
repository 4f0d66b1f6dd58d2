/** Two devices change one thing: what each said stays, whatever the order, and two at once lose nothing. */
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import type { Product, RecordChange } from "@scutch/contract";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
}, 60_000);
afterAll(() => server.stop());

const product = async (): Promise<Product> =>
  (await server.api.get("/api/shelf").expect(200)).body.products[0];
const save = (change: object) => server.api.post("/api/records").send(change);

test("a product renamed on one device keeps the caution another added since; both are answered", async () => {
  const base = await product();
  const elsewhere = { ...base, cautions: [...base.cautions, "Open a window."] };
  await save({ kind: "product", base, value: elsewhere }).expect(200, { value: elsewhere });
  const { body } = await save({ kind: "product", base, value: { ...base, name: "Renamed offline" } }).expect(
    200,
  );
  expect(body.value).toEqual({ ...elsewhere, name: "Renamed offline" });
  expect((await server.api.get("/api/shelf")).body.products).toContainEqual(body.value);
  // The same sending again, its answer lost, changes nothing.
  const again = await save({ kind: "product", base, value: { ...base, name: "Renamed offline" } }).expect(
    200,
  );
  expect(again.body.value).toEqual(body.value);
});

test("where two changes don't go together the save stands as it was sent; what isn't allowed is refused at its field", async () => {
  const { body: shelf } = await server.api.get("/api/shelf").expect(200);
  const base = shelf.vessels[0];
  // Less room here, more left over there: together the sprayer would hold nothing.
  const smaller = { ...base, nominal: base.nominal / 4 };
  const leftOver = { ...base, heel: base.nominal * 0.6 };
  await save({ kind: "vessel", base, value: smaller }).expect(200);
  await save({ kind: "vessel", base, value: leftOver }).expect(200, { value: leftOver });
  const refused = await save({ kind: "vessel", base, value: { ...base, nominal: 0 } }).expect(422);
  expect(refused.body.error.faults[0].path).toEqual(["value", "nominal"]);
});

test("seven prices set on seven devices at once all stand", async () => {
  const { body: crew } = await server.api.get("/api/crew").expect(200);
  const base = { ...crew.settings, prices: {} };
  await server.api.put("/api/crew/settings").send(base).expect(200);
  const extras = ["extra-rinse", "odour", "stain", "spot", "stairs", "edges", "matting"];
  const changes: RecordChange[] = extras.map((extra, i) => ({
    kind: "settings",
    base,
    value: { ...base, prices: { [extra]: i + 1 } },
  }));
  await Promise.all(changes.map((change) => save(change).expect(200)));
  const { body } = await server.api.get("/api/crew").expect(200);
  expect(body.settings.prices).toEqual(Object.fromEntries(extras.map((extra, i) => [extra, i + 1])));
});
