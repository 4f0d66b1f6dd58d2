import { expect, test } from "@jest/globals";
import { hasPin, isPin, removePin, setPin, tryPin } from "./pin.ts";

function memory() {
  const kept = new Map<string, string>();
  return {
    kept,
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  };
}
const ANA = "ana";

test("the right PIN opens, and it is nowhere kept as it is", async () => {
  const store = memory();
  expect(hasPin(ANA, store)).toBe(false);
  await setPin(ANA, "482913", store);
  expect(hasPin(ANA, store)).toBe(true);
  expect([...store.kept.values()].join()).not.toContain("482913");
  expect(await tryPin(ANA, "482913", 0, store)).toEqual({ outcome: "right" });
  expect(await tryPin(ANA, "482914", 0, store)).toEqual({ outcome: "wrong", left: 9 });
  // Another person's device is another matter.
  expect(hasPin("ben", store)).toBe(false);
  removePin(ANA, store);
  expect(hasPin(ANA, store)).toBe(false);
});

test("five wrong ones wait, longer each time; the right one waits too; ten need the password", async () => {
  const store = memory();
  await setPin(ANA, "1234", store);
  let now = 1_000_000;
  for (let i = 0; i < 5; i++) expect((await tryPin(ANA, "0000", now, store)).outcome).toBe("wrong");
  expect(await tryPin(ANA, "1234", now, store)).toEqual({ outcome: "wait", seconds: 30 });
  const waits: number[] = [];
  for (let i = 0; i < 5; i++) {
    const answer = await tryPin(ANA, "0000", now, store);
    if (answer.outcome !== "wait") throw new Error(answer.outcome);
    waits.push(answer.seconds);
    now += answer.seconds * 1000;
    await tryPin(ANA, "0000", now, store);
  }
  expect(waits).toEqual([30, 60, 120, 240, 480]);
  expect(await tryPin(ANA, "1234", now + 1e9, store)).toEqual({ outcome: "password-needed" });
});

test("a clock set back years locks out for no longer than the wait itself", async () => {
  const store = memory();
  await setPin(ANA, "1234", store);
  for (let i = 0; i < 5; i++) await tryPin(ANA, "0000", 2e12, store);
  expect(await tryPin(ANA, "1234", 1e12, store)).toEqual({ outcome: "wait", seconds: 30 });
  expect(await tryPin(ANA, "1234", 1e12 + 30_000, store)).toEqual({ outcome: "right" });
});

test.each([
  ["1234", true],
  ["12345678", true],
  ["123", false],
  ["123456789", false],
  ["12a4", false],
])("%s as a PIN: %s", (text, good) => expect(isPin(text)).toBe(good));
