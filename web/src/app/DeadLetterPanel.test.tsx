import { expect, test } from "@jest/globals";
import { render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { job, note } from "../testing/fakeServer.ts";
import { openSession } from "../testing/openSession.ts";
import { DeadLetterPanel } from "./DeadLetterPanel.tsx";

async function withDeadLetters() {
  const { db } = openSession();
  const plan = job({ title: "Mill House" });
  await db.jobs.put({ id: plan.id, rev: 1, known: { version: 3, job: plan } });
  for (const [n, aside] of [
    [1, { why: "refused", code: "not-found" }],
    [2, { why: "silent" }],
  ] as const) {
    const entry = note(n);
    await db.entries.put({
      id: entry.id,
      jobId: plan.id,
      entry,
      waiting: 1,
      seq: n,
      trouble: { tries: 3, aside },
    });
  }
  render(<DeadLetterPanel />);
  const line = async (text: string) => within((await screen.findByText(text)).closest("li") as HTMLElement);
  return { db, line };
}

test("each item that couldn't be sent is named with its reason", async () => {
  const { line } = await withDeadLetters();
  expect(
    (await line("The note “Note 1” of “Mill House”")).getByText("The server doesn’t have this job."),
  ).toBeVisible();
  expect((await line("The note “Note 2” of “Mill House”")).getByText(/^It got no answer/)).toBeVisible();
});

test("trying again puts the item back into the outbox and leaves the other", async () => {
  const { db, line } = await withDeadLetters();
  await userEvent.click(
    (await line("The note “Note 1” of “Mill House”")).getByRole("button", { name: "Try again" }),
  );
  await waitFor(() => expect(screen.queryByText(/Note 1/)).toBeNull());
  expect(await db.entries.get(note(1).id)).toMatchObject({ waiting: 1 });
  expect((await db.entries.get(note(1).id))?.trouble?.aside).toBeUndefined();
  expect(screen.getByText(/Note 2/)).toBeVisible();
});

test("an item goes for good only with a second tap", async () => {
  const { db, line } = await withDeadLetters();
  const second = await line("The note “Note 2” of “Mill House”");
  await userEvent.click(second.getByRole("button", { name: "Undo this change" }));
  expect(await db.entries.get(note(2).id)).toBeDefined();
  await userEvent.click(second.getByRole("button", { name: "Delete for good" }));
  await waitFor(() => expect(screen.queryByText(/Note 2/)).toBeNull());
  expect(await db.entries.get(note(2).id)).toBeUndefined();
  expect(await db.entries.get(note(1).id)).toBeDefined();
});
