import { expect, test } from "@jest/globals";
import type { LogEntry } from "@scutch/contract";
import { aJob, anEntry, aProduct, aRoom, aShelf, aVessel, idFor } from "@scutch/contract/testing";
import { render, screen, within } from "@testing-library/react";
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
