import { expect, test } from "@jest/globals";
import { deviceZone } from "./deviceZone.ts";

test("a zone kept on the last visit isn't believed once the device's clock goes another way", () => {
  localStorage.setItem("scutch.zone", JSON.stringify({ changes: "-345,-345", zone: "Asia/Kathmandu" }));
  const own = Intl.DateTimeFormat().resolvedOptions().timeZone;
  expect(deviceZone()).toBe(own);
  expect(JSON.parse(localStorage.getItem("scutch.zone") ?? "{}")).toMatchObject({ zone: own });
});
