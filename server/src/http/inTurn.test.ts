import type { AddressInfo } from "node:net";
import { setTimeout as pause } from "node:timers/promises";
import { expect, test } from "@jest/globals";
import express from "express";
import { inTurn } from "./inTurn.ts";

test("heavy requests are worked on a few at once and all answered, given-up ones take no turn, light ones don't wait", async () => {
  let working = 0;
  let most = 0;
  let begun = 0;
  const app = express();
  app.use(inTurn(new Set(["/heavy"])));
  app.get("/heavy", async (_request, response) => {
    begun++;
    most = Math.max(most, ++working);
    await pause(60);
    working--;
    response.json(begun);
  });
  app.get("/light", (_request, response) => void response.json("light"));
  const server = app.listen(0, "127.0.0.1");
  await new Promise((resolve) => server.once("listening", resolve));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  try {
    const given = new AbortController();
    const heavy = Array.from({ length: 40 }, () => fetch(`${address}/heavy`));
    await pause(20);
    const abandoned = Array.from({ length: 30 }, () =>
      fetch(`${address}/heavy`, { signal: given.signal }).catch(() => "given up"),
    );
    await pause(20);
    given.abort();
    expect(new Set(await Promise.all(abandoned))).toEqual(new Set(["given up"]));
    const late = fetch(`${address}/heavy`);
    // While most of them still wait.
    expect((await fetch(`${address}/light`)).status).toBe(200);
    expect(begun).toBeLessThan(40);
    const answers = await Promise.all([...heavy, late]);
    expect(answers.every(({ status }) => status === 200)).toBe(true);
    expect(most).toBe(8);
    expect(begun).toBeLessThan(60);
  } finally {
    server.closeAllConnections();
    server.close();
  }
}, 20_000);
