/** Drying decided by weather, fibre, gear and what is measured: what a person sees on Dry, on the board and on the customer's page. */
import { expect, type Page } from "@playwright/test";
import { allSent } from "../support/device.ts";
import { test } from "../support/stack.ts";

const FLAT = "/jobs/01930000-0000-7000-8400-000000000002";
const FRONT = "01930000-0000-7000-8500-000000000007";
const LIBRARY = "/jobs/01930000-0000-7000-8400-000000000001";
const NEW_JOB = "01930000-0000-7000-8400-0000000000d1";
const ROOM = (n: number) => `01930000-0000-7000-8500-0000000000d${n}`;
const HOUR = 3_600_000;

const moves = (page: Page) => page.getByRole("region", { name: "What to move" });
const firstMove = (page: Page) => moves(page).getByRole("listitem").first();

interface Said {
  readonly indoor: readonly [number, number];
  readonly outdoor: readonly [number, number];
  readonly room: object;
  /** Days from today. */
  readonly inDays?: number;
}
/** A job of one room tomorrow morning, with its air. */
async function addJob(page: Page, { indoor, outdoor, room, inDays = 1 }: Said): Promise<string> {
  const { sites } = await (await page.request.get("/api/shelf")).json();
  const air = ([temperature, relativeHumidity]: readonly [number, number]) => ({
    temperature,
    relativeHumidity,
  });
  const job = {
    id: NEW_JOB,
    siteId: sites[0].id,
    title: "One room",
    day: new Date(Date.now() + inDays * 24 * HOUR).toLocaleDateString("sv"),
    startsAt: "09:00",
    indoor: air(indoor),
    outdoor: air(outdoor),
    batches: [],
    rooms: [{ id: ROOM(1), name: "Lounge", shape: { kind: "area", area: 18 }, ...room }],
  };
  const put = await page.request.put(`/api/jobs/${NEW_JOB}`, { data: { baseVersion: 0, job } });
  expect(put.status(), await put.text()).toBe(200);
  return `/jobs/${NEW_JOB}`;
}
const head = (page: Page) => page.getByRole("region", { name: "Lounge" });

test("a humid day: with the windows open the room never dries; closed and with a dehumidifier it is dry the same day", async ({
  page,
}) => {
  const job = await addJob(page, {
    indoor: [26, 0.5],
    outdoor: [28, 0.85],
    room: { windows: "cross-ventilated", fibre: "nylon" },
  });
  await page.goto(`${job}/dry`);
  await expect(head(page)).toContainText("Won’t dry in this air");
  await expect(moves(page)).toContainText("The outdoor air is damper.", { timeout: 20_000 });
  await expect(moves(page)).toContainText("Put a dehumidifier in Lounge.");
  await moves(page).getByRole("button", { name: "Done: update the plan" }).click();
  await expect(head(page)).not.toContainText("Won’t dry");
  await expect(head(page)).toContainText(/Dry, furniture back, by about \w+ \d\d:\d\d/);
  await allSent(page);
  const saved = (await (await page.request.get(`/api${job}`)).json()).job.rooms[0];
  expect(saved.dehumidifierLitresPerDay).toBeGreaterThan(0);
  expect(saved.windows).not.toBe("cross-ventilated");
});

test("a winter day with nothing in the van: a window ajar is right, where open on both sides makes the room too cold to dry", async ({
  page,
}) => {
  const { gear } = await (await page.request.get("/api/shelf")).json();
  for (const item of gear) {
    if (item.kind !== "air-mover" && item.kind !== "dehumidifier") continue;
    const none = await page.request.put(`/api/gear/${item.id}`, { data: { ...item, count: 0 } });
    expect(none.status()).toBe(200);
  }
  const job = await addJob(page, {
    indoor: [18, 0.6],
    outdoor: [-8, 0.9],
    room: { windows: "cross-ventilated", fibre: "nylon", heating: true },
  });
  await page.goto(`${job}/dry`);
  await expect(moves(page)).toContainText("No drying gear is free.", { timeout: 20_000 });
  await expect(moves(page)).toContainText(
    /Close (the windows but for one ajar|all windows but one) in Lounge\. Wide open, the room gets too cold to dry\./,
  );
  await moves(page).getByRole("button", { name: "Done: update the plan" }).click();
  await expect(
    page.getByRole("radio", { name: /^(Ajar|One open)$/ }).and(page.locator("[aria-checked=true]")),
  ).toBeVisible();
});

test("wool holds on to its water for hours after polyester is dry", async ({ page }) => {
  const job = await addJob(page, { indoor: [21, 0.5], outdoor: [12, 0.7], room: { fibre: "polyester" } });
  const dryBy = async () => {
    await expect(head(page)).toContainText(/by about/);
    const text = await head(page).getByRole("button", { name: "Dry by: show the calculation" }).innerText();
    const [, day = "", hours = "0", minutes = "0"] = /(\w{3} )?(\d\d):(\d\d)/.exec(text) ?? [];
    return { day: day.trim(), at: Number(hours) + Number(minutes) / 60 };
  };
  await page.goto(`${job}/dry`);
  const polyester = await dryBy();
  await page.goto(`${job}/survey?room=${ROOM(1)}&part=floor`);
  await page.getByLabel("Fibre", { exact: true }).selectOption({ label: "Wool" });
  await allSent(page);
  await page.goto(`${job}/dry`);
  await expect.poll(dryBy).not.toEqual(polyester);
  const wool = await dryBy();
  const later = wool.at - polyester.at + (wool.day === polyester.day ? 0 : 24);
  expect(later).toBeGreaterThan(1);
});

test("weather to come and windows closed at night move the hours; a forecast, hours typed, a weather file from elsewhere", async ({
  page,
}) => {
  const job = await addJob(page, {
    indoor: [20, 0.55],
    outdoor: [15, 0.6],
    room: { windows: "one-open", fibre: "wool" },
  });
  await page.goto(`${job}/dry`);
  const big = () => head(page).getByRole("button", { name: "Dry by: show the calculation" }).innerText();
  const still = await big();
  await page.getByRole("button", { name: "Get forecast" }).click();
  await expect(page.getByText(/^Simulated forecast, until/)).toBeVisible();
  await expect.poll(big).not.toBe(still);
  const forecast = await big();
  await page.getByRole("button", { name: "Add a change" }).click();
  await page.getByLabel("At", { exact: true }).fill("10:00");
  await page.getByLabel("What", { exact: true }).selectOption("setpoint");
  await expect.poll(big).not.toBe(forecast);
  const southern = [
    "LOCATION,Far South,,,,,-41.3,174.8,0,10",
    ...Array.from({ length: 7 }, () => "HEADER"),
    ...Array.from({ length: 12 }, (_, month) =>
      Array.from(
        { length: 28 * 24 },
        (_, i) => `2001,${month + 1},${Math.floor(i / 24) + 1},${(i % 24) + 1},0,?,20,9,50,100000`,
      ),
    ).flat(),
  ].join("\n");
  const file = page.getByLabel("Weather file");
  await file.setInputFiles({ name: "notes.epw", mimeType: "text/plain", buffer: Buffer.from("dear all") });
  await expect(page.getByText("This isn’t an EPW weather file")).toBeVisible();
  await file.setInputFiles({ name: "far.epw", mimeType: "text/plain", buffer: Buffer.from(southern) });
  await expect(page.getByText("The file is from the other hemisphere")).toBeVisible();
  await page.getByRole("button", { name: "Remove", exact: true }).click();
  await page.getByRole("button", { name: "Type it" }).click();
  await page.getByRole("textbox", { name: "Temperature" }).first().fill("2");
  await page.keyboard.press("Enter");
  await allSent(page);
  const { weather, plannedAir } = (await (await page.request.get(`/api${job}`)).json()).job;
  expect(weather).toMatchObject({ source: "typed", points: [{ temperature: 2 }] });
  expect(plannedAir).toMatchObject([{ at: "10:00", heating: true, setpoint: 16 }]);
});

test("a logger's file moves the promise; rows of another year are left out and said", async ({ page }) => {
  await page.goto(`${FLAT}/dry?room=${FRONT}`);
  const dry = () =>
    page
      .getByRole("region", { name: "Front bedroom" })
      .getByRole("button", { name: "Dry by: show the calculation" })
      .innerText();
  await expect(page.getByText("Before your readings").first()).toBeVisible({ timeout: 20_000 });
  const before = await dry();
  const stamp = (time: number) => new Date(time).toISOString().slice(0, 16).replace("T", " ");
  const rows = (from: number, count: number) =>
    Array.from(
      { length: count },
      (_, i) => `${stamp(from + i * 60_000)},${(16 + (i % 5) / 10).toFixed(1)},78.5`,
    );
  const csv = [
    "Time,Temp °C,RH %",
    ...rows(Date.now() - 400 * 24 * HOUR, 500),
    ...rows(Date.now() - 5 * HOUR, 280),
    "x,y,z",
  ];
  await page.goto(`${FLAT}/log`);
  await page
    .getByLabel("Open a logger’s file")
    .setInputFiles({ name: "T17.csv", mimeType: "text/csv", buffer: Buffer.from(csv.join("\n")) });
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Room it stood in").selectOption({ label: "Front bedroom" });
  await dialog.getByLabel("Logger clock").selectOption({ label: "UTC" });
  await expect(dialog).toContainText("280 of 781 rows are from this job’s hours");
  await expect(dialog).toContainText("500 are from before. 1 rows can’t be read");
  await dialog.getByRole("button", { name: "Log 96 readings" }).click();
  await expect(page.getByRole("region", { name: "What happened" })).toContainText("96 readings");
  await allSent(page);
  await page.goto(`${FLAT}/dry?room=${FRONT}`);
  await expect.poll(dry, { timeout: 30_000 }).not.toBe(before);
});

test("the board: rooms that dry over all jobs, gear fetched there is free for the next job; it stands offline too", async ({
  page,
  context,
}) => {
  await page.goto(`${FLAT}/dry?room=${FRONT}`);
  await expect(moves(page)).toContainText("Free: 2 air movers and 1 dehumidifier", { timeout: 20_000 });
  await expect(moves(page)).toContainText("At Quillhaven Library: 2 air movers.");
  await page.goto("/drying");
  await expect(page.getByRole("link", { name: /Front bedroom/ })).toContainText(/Next: /, {
    timeout: 30_000,
  });
  const gear = page
    .getByRole("region", { name: "Gear out" })
    .getByRole("listitem")
    .filter({ hasText: "Quillhaven" });
  await expect(gear).toContainText("2 air movers, fetch");
  await context.setOffline(true);
  await gear.getByRole("button", { name: "Mark fetched" }).click();
  await expect(gear).toBeHidden();
  await context.setOffline(false);
  await allSent(page);
  const { entries } = await (await page.request.get(`/api${LIBRARY}/log`)).json();
  expect(entries.filter((each: { kind: string }) => each.kind === "air-changed").length).toBeGreaterThan(0);
  await page.goto(`${FLAT}/dry?room=${FRONT}`);
  await expect(moves(page)).toContainText("Free: 4 air movers and 1 dehumidifier", { timeout: 20_000 });
});

test("a room that can't dry: what holds it up is said to the crew, and the customer isn't promised an hour", async ({
  page,
}) => {
  const job = await addJob(page, {
    indoor: [27, 0.55],
    outdoor: [28, 0.95],
    room: { windows: "one-open", fibre: "wool" },
    inDays: 0,
  });
  const at = new Date(Date.now() - HOUR).toISOString();
  const finished = { id: "01930000-0000-7000-8600-0000000000d1", at, kind: "room-finished", roomId: ROOM(1) };
  const post = await page.request.post(`/api${job}/log`, { data: { entries: [finished] } });
  expect(post.status(), await post.text()).toBe(200);
  await page.goto(`${job}/dry`);
  await expect(head(page)).toContainText("Won’t dry in this air");
  await expect(head(page)).toContainText("What holds it up: The outdoor air is damp.");
  await expect(firstMove(page)).toContainText(/Lounge/, { timeout: 20_000 });
  await page.goto("/drying");
  await expect(page.getByRole("link", { name: /Lounge/ }).filter({ hasText: "won’t dry" })).toContainText(
    "Next: look again",
    { timeout: 30_000 },
  );
  await page.goto(`${job}/hand-over`);
  await page.getByRole("button", { name: "Show the customer" }).click();
  const said = page.getByRole("dialog").getByRole("article");
  await expect(said).toContainText("not within 4 days");
  await expect(said).not.toContainText(/Lounge\s+about \d\d:\d\d/);
});
