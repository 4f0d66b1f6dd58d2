import { expect, test } from "@jest/globals";
import type { LogEntry } from "@scutch/contract";
import { aJob, anEntry, aProduct, aRoom, aShelf, aVessel, idFor } from "@scutch/contract/testing";
import { act, render, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Provider } from "react-redux";
import { MemoryRouter } from "react-router";
import { LogbookContext } from "../../shared/logging/logbook.ts";
import { deskOf } from "../../testing/deskOf.ts";
import { openSession } from "../../testing/openSession.ts";
import { EntryList } from "./EntryList.tsx";

const at = "2026-03-09T10:00:00.000Z";
const step = { step: `clean:${idFor("Hall")}.1`, does: "clean", roomId: idFor("Hall"), who: 1 };
const cleaned = anEntry("cleaned", { kind: "step-done", at, ...step });
const finished = anEntry("finished", { kind: "room-finished", at, roomId: idFor("Hall"), tap: cleaned.id });
const fill = (name: string, minute: string) =>
  anEntry(name, {
    kind: "fill-made",
    at: `2026-03-09T09:${minute}:00.000Z`,
    batchId: idFor("mix"),
    productId: idFor("Meadow"),
    fill: 1,
    water: 1e-3,
    concentrate: 1e-4,
  });
const job = aJob({ rooms: [aRoom("Hall")] });
const shelf = aShelf({ products: [aProduct("Meadow")], vessels: [aVessel("Pump")] });

function show(log: readonly LogEntry[]) {
  const desk = deskOf(job, shelf, log);
  const written: LogEntry[] = [];
  render(
    <Provider store={openSession().store}>
      <MemoryRouter>
        <LogbookContext.Provider value={(_job, entry) => written.push(entry)}>
          <EntryList desk={desk} now={Date.parse(at)} />
        </LogbookContext.Provider>
      </MemoryRouter>
    </Provider>,
  );
  return written;
}

/** What was crossed out by what was written. */
const crossedOut = (written: readonly LogEntry[]) =>
  written.map((entry) => (entry.kind === "correction" ? entry.corrects : entry.kind));

test("crossing out a cleaning names the room it finished, and crosses that out too unless it is unticked", async () => {
  const written = show([cleaned, finished]);
  for (const untick of [false, true]) {
    written.length = 0;
    await userEvent.click(screen.getByRole("button", { name: /^Cross out: Step done/ }));
    const dialog = within(screen.getByRole("dialog"));
    const other = dialog.getByRole("checkbox", { name: /Room finished.*Hall/ });
    expect(other).toBeChecked();
    if (untick) await userEvent.click(other);
    await userEvent.type(dialog.getByRole("textbox"), "Not cleaned after all");
    await userEvent.click(dialog.getByRole("button", { name: "Cross out" }));
    expect(crossedOut(written)).toEqual(untick ? [cleaned.id] : [cleaned.id, finished.id]);
  }
});

test("of a fill logged on two phones the one that doesn't count says so", () => {
  show([fill("mine", "10"), fill("theirs", "11")]);
  const [later, earlier] = screen.getAllByText("Fill 1 mixed").map((line) => line.closest("li"));
  expect(earlier).toHaveTextContent("Logged twice. Only the later entry counts.");
  expect(later).not.toHaveTextContent("Logged twice");
});

const stepAt = (n: number, room: string, kind: "step-started" | "step-done" = "step-done") =>
  anEntry(`step ${n}`, {
    kind,
    at: new Date(Date.parse(at) + n * 60_000).toISOString(),
    step: `clean:${idFor(room)}.${n}`,
    does: "clean",
    roomId: idFor(room),
    who: 1,
  });

test("the steps of a room are one line that opens, but for those crossed out and when steps are looked for", async () => {
  const log = [
    ...[0, 2, 4].map((n) => stepAt(n, "Hall", "step-started")),
    ...[1, 3].map((n) => stepAt(n, "Hall")),
    ...[5, 6].map((n) => stepAt(n, "Bedroom")),
    anEntry("struck", {
      kind: "correction",
      at: stepAt(9, "Hall").at,
      corrects: stepAt(3, "Hall").id,
      text: "No",
    }),
  ].toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at));
  show(log);
  // Two of the bedroom, the one crossed out and what crosses it out, and the other four of the hall.
  expect(screen.getAllByRole("listitem")).toHaveLength(5);
  const fold = screen.getByRole("button", { name: /Hall.*clean \d\d:\d\d/ });
  await userEvent.click(fold);
  expect(screen.getAllByRole("listitem")).toHaveLength(9);
  await userEvent.click(fold);
  await userEvent.selectOptions(screen.getByRole("combobox", { name: "Show" }), "steps");
  expect(screen.getAllByRole("listitem")).toHaveLength(8);
});

test("of a long log only the beginning is drawn, and all of it in print", () => {
  show(
    Array.from({ length: 1000 }, (_, n) =>
      anEntry(`note ${n}`, {
        kind: "note",
        at: new Date(Date.parse(at) + n * 1000).toISOString(),
        text: `${n}`,
      }),
    ),
  );
  expect(screen.getAllByRole("listitem").length).toBeLessThan(100);
  expect(screen.getByText("999")).toBeVisible();
  expect(screen.getByText(/^9\d\d earlier lines$/)).toBeVisible();
  act(() => void dispatchEvent(new Event("beforeprint")));
  expect(screen.getAllByRole("listitem")).toHaveLength(1000);
});

test("a word finds what the log says of it, steps that were folded too; words in any order, case or accents", async () => {
  const note = anEntry("note", { kind: "note", at, text: "Café table moved", by: "Mira" });
  show([fill("mine", "10"), note, ...[1, 2, 3].map((n) => stepAt(n, "Hall"))]);
  const find = screen.getByRole("searchbox", { name: "Find in the log" });
  const found = async (words: string, count: number) => {
    await userEvent.clear(find);
    await userEvent.type(find, words);
    await waitFor(() => expect(screen.queryAllByRole("listitem")).toHaveLength(count));
  };
  await found("meadow", 1);
  await found("TABLE cafe mira", 1);
  await found("hall", 3);
  await found("hall meadow", 0);
  expect(screen.getByText("Nothing in the log says that.")).toBeVisible();
});
