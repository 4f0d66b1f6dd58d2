import { expect, jest, test } from "@jest/globals";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { ClockContext } from "../../../ui/useClock.ts";
import { StepPrompt, type StepQuestion } from "./StepPrompt.tsx";

const NOW = Date.parse("2026-03-29T00:59:00Z");

function ask(asking: StepQuestion, readyAt?: number) {
  const taps = {
    onSkip: jest.fn<(reason: string) => void>(),
    onHand: jest.fn<(to: number) => void>(),
    onOwn: jest.fn<(what: string) => void>(),
    onStart: jest.fn<() => void>(),
    onClose: jest.fn<() => void>(),
  };
  const clock = { now: () => NOW, rate: 1 };
  const view = render(
    <ClockContext.Provider value={clock}>
      <StepPrompt
        asking={asking}
        what="Clean, Hall"
        others={[
          { who: 1, name: "Mira" },
          { who: 2, name: "Osei" },
        ]}
        readyAt={readyAt}
        {...taps}
      />
    </ClockContext.Provider>,
  );
  return { ...taps, view };
}

test("skipping takes one tap with a usual reason, or the crew's own words; an empty reason can't be sent", async () => {
  const { onSkip } = ask("skip");
  expect(screen.getByRole("dialog", { name: "Skip: Clean, Hall" })).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "No time" }));
  const send = screen.getByRole("button", { name: "Skip" });
  expect(send).toBeDisabled();
  await userEvent.type(screen.getByLabelText("Other reason"), "   ");
  expect(send).toBeDisabled();
  await userEvent.type(screen.getByLabelText("Other reason"), "Piano in the way ");
  await userEvent.click(send);
  expect(onSkip.mock.calls).toEqual([["No time"], ["Piano in the way"]]);
});

test("a step is given to the crew member tapped, counted from 0", async () => {
  const { onHand, onClose } = ask("hand");
  await userEvent.click(screen.getByRole("button", { name: "Give to Osei" }));
  expect(onHand.mock.calls).toEqual([[2]]);
  expect(onClose).not.toHaveBeenCalled();
});

test("a dwell cut short shows the time left and is started only by its own button", async () => {
  const { onStart, onClose } = ask("early", NOW + 125_000);
  const dialog = screen.getByRole("dialog", { name: "Dwell time isn’t up." });
  expect(dialog).toHaveTextContent("2:05 left of the label’s dwell time");
  await userEvent.click(screen.getByRole("button", { name: "Wait" }));
  expect([onStart.mock.calls.length, onClose.mock.calls.length]).toEqual([0, 1]);
  await userEvent.click(screen.getByRole("button", { name: "Start anyway (logged)" }));
  expect(onStart).toHaveBeenCalledTimes(1);
});

test("with no dwell to wait for, nothing is asked", () => {
  const { view } = ask("early");
  expect(view.baseElement).not.toHaveTextContent("Dwell");
});
