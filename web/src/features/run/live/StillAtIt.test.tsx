import { expect, jest, test } from "@jest/globals";
import { act, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Provider } from "react-redux";
import { makeStore } from "../../../state/store.ts";
import { ClockContext } from "../../../ui/useClock.ts";
import { StillAtIt } from "./StillAtIt.tsx";

const MINUTE = 60_000;
const BEGAN = Date.UTC(2026, 10, 30, 10);

test("a step in hand for an hour is asked about; a yes is believed for another hour, a no takes its planned end", async () => {
  let now = BEGAN + 59 * MINUTE;
  const onDone = jest.fn();
  // A clock of its own pace, so that the card ticks at once.
  const clock = { now: () => now, rate: 1000 };
  render(
    <Provider store={makeStore()}>
      <ClockContext.Provider value={clock}>
        <StillAtIt startedAt={BEGAN} planned={BEGAN + 2 * MINUTE} onDone={onDone} />
      </ClockContext.Provider>
    </Provider>,
  );
  const later = async (minutes: number) => {
    now = BEGAN + minutes * MINUTE;
    await act(() => new Promise((done) => setTimeout(done, 300)));
  };
  expect(screen.queryByText(/Still at it/)).toBeNull();
  await later(61);
  expect(screen.getByText(/^Still at it\? Started at /)).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Yes, still at it" }));
  expect(screen.queryByText(/Still at it/)).toBeNull();
  await later(122);
  await userEvent.click(screen.getByRole("button", { name: /^No, done as planned at/ }));
  expect(onDone).toHaveBeenCalledWith(BEGAN + 2 * MINUTE);
});
