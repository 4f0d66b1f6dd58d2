import { afterEach, beforeEach, expect, jest, test } from "@jest/globals";
import { JobId, SiteId } from "@scutch/contract";
import { aShelf } from "@scutch/contract/testing";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { id } from "../../testing/fakeServer.ts";
import { openSession } from "../../testing/openSession.ts";
import { UnreadableRow } from "./UnreadableRow.tsx";

const listed = {
  id: JobId.parse(id(4, 7)),
  siteId: SiteId.parse(id(1, 1)),
  title: "Hall and stairs",
  day: "2026-03-11",
  startsAt: "08:15",
  rooms: 0,
  area: 0,
  finished: 0,
  entries: 3,
  unreadable: true as const,
};

let saved: Blob[];
const { createObjectURL, revokeObjectURL } = URL;
beforeEach(() => {
  saved = [];
  Object.assign(URL, {
    createObjectURL: (blob: Blob) => `blob:${saved.push(blob)}`,
    revokeObjectURL: () => undefined,
  });
  jest.spyOn(HTMLAnchorElement.prototype, "click").mockImplementation(() => undefined);
});
afterEach(() => {
  Object.assign(URL, { createObjectURL, revokeObjectURL });
  jest.restoreAllMocks();
});

test("a damaged job is named, and its raw file comes from the server; offline it says so", async () => {
  openSession();
  render(
    <ul>
      <UnreadableRow listed={listed} shelf={aShelf()} />
    </ul>,
  );
  expect(screen.getByText("Hall and stairs")).toBeVisible();
  expect(screen.queryByRole("link")).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Save raw file" }));
  expect(await screen.findByText(/Go online and try again/)).toBeVisible();
  expect(saved).toHaveLength(0);

  const asked: string[] = [];
  globalThis.fetch = async (address) => {
    asked.push(String(address));
    return Response.json({ rooms: "none" });
  };
  await userEvent.click(screen.getByRole("button", { name: "Save raw file" }));
  expect(asked).toEqual([`/api/jobs/${listed.id}/raw`]);
  expect(saved).toHaveLength(1);
  expect(screen.queryByText(/Go online/)).toBeNull();
});
