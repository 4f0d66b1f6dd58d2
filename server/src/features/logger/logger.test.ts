import { once } from "node:events";
import http from "node:http";
import type { AddressInfo } from "node:net";
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { LoggerReading } from "@scutch/contract";
import { simulatedLogger } from "../../logger/simulatedLogger.ts";
import { startTestServer, type TestServer } from "../../testing/testServer.ts";

let server: TestServer;
let listening: http.Server;
beforeAll(async () => {
  server = await startTestServer();
  listening = server.app.listen(0, "127.0.0.1");
  await once(listening, "listening");
}, 60_000);
afterAll(async () => {
  listening.closeAllConnections();
  listening.close();
  await server.stop();
});

const open = async (query: string) => {
  const { port } = listening.address() as AddressInfo;
  const request = http.get({ port, host: "127.0.0.1", path: `/api/logger/events?${query}` });
  const [response] = (await once(request, "response")) as [http.IncomingMessage];
  return { request, response };
};

test("readings come in as events, the first at once with the air it begins with, each as the contract has it", async () => {
  const { request, response } = await open("temperature=21.4&relativeHumidity=0.55");
  expect(response.headers["content-type"]).toBe("text/event-stream");
  let text = "";
  for await (const piece of response) {
    text += String(piece);
    if (text.includes("event: reading")) break;
  }
  request.destroy();
  const [, data = ""] = /event: reading\ndata: (.+)\n/.exec(text) ?? [];
  expect(LoggerReading.parse(JSON.parse(data))).toMatchObject({ temperature: 21.4, relativeHumidity: 0.55 });
});

test("air that can't be is refused before a stream begins", async () => {
  for (const query of [
    "",
    "temperature=21",
    "temperature=900&relativeHumidity=0.5",
    "temperature=21&relativeHumidity=55",
  ]) {
    const { request, response } = await open(query);
    expect(response.statusCode).toBe(422);
    request.destroy();
  }
});

test("whoever leaves is told nothing more", async () => {
  const heard: unknown[] = [];
  const leave = simulatedLogger(5).follow({ temperature: 49.99, relativeHumidity: 1 }, (each) =>
    heard.push(each),
  );
  await new Promise((resolve) => setTimeout(resolve, 40));
  leave();
  const count = heard.length;
  expect(count).toBeGreaterThan(2);
  for (const each of heard) LoggerReading.parse(each);
  await new Promise((resolve) => setTimeout(resolve, 30));
  expect(heard).toHaveLength(count);
});
