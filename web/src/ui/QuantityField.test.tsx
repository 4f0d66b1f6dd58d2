import { expect, jest, test } from "@jest/globals";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { quantityReader } from "../format/readers.ts";
import { UNITS_OF } from "../format/units.ts";
import { QuantityField } from "./QuantityField.tsx";

function field(props: Partial<Parameters<typeof QuantityField<number>>[0]> = {}) {
  const onChange = jest.fn<(value: number | undefined) => string | undefined>();
  render(
    <QuantityField<number>
      label="Height"
      value={2.5}
      show={UNITS_OF.metric.length}
      read={quantityReader("length", "m")}
      onChange={onChange}
      {...props}
    />,
  );
  return { onChange, input: screen.getByLabelText<HTMLInputElement>(props.label ?? "Height") };
}

test("a value in any unit is taken on Enter, in metres", async () => {
  const { onChange, input } = field();
  await userEvent.clear(input);
  await userEvent.type(input, "8 ft{Enter}");
  expect(onChange.mock.calls).toEqual([[expect.closeTo(2.4384, 9)]]);
  expect(input.value).toBe("2.5 m".replace(" ", "\u00a0"));
});

test("text that can't be read stays with its reason; Escape brings the value back; nothing was taken", async () => {
  const { onChange, input } = field();
  await userEvent.clear(input);
  await userEvent.type(input, "tall{Enter}");
  expect(screen.getByRole("alert")).toHaveTextContent("Can’t read “tall”. Try 3.8 m or 12'6.");
  expect(input).toHaveValue("tall");
  expect(input).toBeInvalid();
  await userEvent.type(input, "{Escape}");
  expect(screen.queryByRole("alert")).toBeNull();
  expect(input.value).toMatch(/^2\.5/);
  expect(onChange).not.toHaveBeenCalled();
});

test("a refused value stays as typed with the reason, and is asked again on the next Enter", async () => {
  const { input } = field({ onChange: () => "Too large. Enter 10 m at most." });
  await userEvent.clear(input);
  await userEvent.type(input, "40{Enter}");
  expect(screen.getByRole("alert")).toHaveTextContent("Too large. Enter 10 m at most.");
  expect(input).toHaveValue("40");
});

test("an ambiguous value offers its meanings, and the one tapped is taken", async () => {
  const { onChange, input } = field();
  await userEvent.clear(input);
  await userEvent.type(input, "3m8{Enter}");
  expect(onChange).not.toHaveBeenCalled();
  const offered = screen.getAllByRole("button").map((button) => button.textContent?.replace(/\s/g, " "));
  expect(offered.toSorted()).toEqual(["3.08 m", "3.8 m"]);
  await userEvent.click(screen.getByRole("button", { name: /3\.08/ }));
  expect(onChange.mock.calls).toEqual([[expect.closeTo(3.08, 9)]]);
});

test("an assumed value is confirmed with one tap, and an emptied field is not set any more", async () => {
  const { onChange } = field({ value: undefined, assumed: 2.4 });
  await userEvent.click(screen.getByRole("button", { name: "Height: assumed. Confirm it" }));
  expect(onChange.mock.calls).toEqual([[2.4]]);
  const emptied = field({ label: "Width", value: 3 });
  await userEvent.clear(emptied.input);
  await userEvent.tab();
  expect(emptied.onChange.mock.calls).toEqual([[undefined]]);
});
