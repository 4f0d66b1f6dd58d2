import type { AddressInfo } from "node:net";
import { setTimeout as pause } from "node:timers/promises";
import { expect, test } from "@jest/globals";
import express from "express";
import { inTurn } from "./inTurn.ts";

test("heavy requests are worked on a few at once and all answered, given-up ones take no turn, light ones don't wait", async () => {
  const seen = { arrived: 0, left: 0, begun: 0 };
  const until = async (so: () => boolean) => {
    for (let i = 0; i < 1000 && !so(); i++) await pause(10);
    expect([seen, so()]).toEqual([seen, true]);
  };
  let letGo = () => {};
  const held = new Promise<void>((resolve) => {
    letGo = resolve;
  });
  const app = express();
  app.use((_request, response, next) => {
    seen.arrived++;
    response.once("close", () => seen.left++);
    next();
  });
  app.use(inTurn(new Set(["/heavy"])));
  app.get("/heavy", async (_request, response) => {
    seen.begun++;
    await held;
    response.json("heavy");
  });
  app.get("/light", (_request, response) => void response.json("light"));
  const server = app.listen(0, "127.0.0.1");
  await new Promise((resolve) => server.once("listening", resolve));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  try {
    const given = new AbortController();
    const heavy = Array.from({ length: 20 }, () => fetch(`${address}/heavy`));
    await until(() => seen.arrived === 20);
    const abandoned = Array.from({ length: 10 }, () =>
      fetch(`${address}/heavy`, { signal: given.signal }).catch(() => "given up"),
    );
    await until(() => seen.arrived === 30);
    given.abort();
    await until(() => seen.left === 10);
    expect(new Set(await Promise.all(abandoned))).toEqual(new Set(["given up"]));
    const late = fetch(`${address}/heavy`);
    expect((await fetch(`${address}/light`)).status).toBe(200);
    expect(seen.begun).toBe(8);
    letGo();
    const answers = await Promise.all([...heavy, late]);
    expect(answers.every(({ status }) => status === 200)).toBe(true);
    expect(seen.begun).toBe(21);
  } finally {
    server.closeAllConnections();
    server.close();
  }
}, 30_000);
