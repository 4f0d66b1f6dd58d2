import { expect, test } from "@jest/globals";
import { Product } from "@scutch/contract";
import { aProduct } from "@scutch/contract/testing";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Provider } from "react-redux";
import { openSession } from "../../testing/openSession.ts";
import { withAllStrengths } from "./productForm.ts";
import { VesselDialog } from "./VesselDialog.tsx";

const ratio = (value: number) => ({ spelling: "one-to-n" as const, value });

test.each([
  ["one strength is used for all", { ordinary: ratio(20) }, [20, 20, 20]],
  ["a light one alone, too", { light: ratio(30) }, [30, 30, 30]],
  ["two strengths: the missing one is the normal", { ordinary: ratio(20), heavy: ratio(10) }, [20, 20, 10]],
])("of a label %s, and it is a product", (_, given, expected) => {
  const { light, ordinary, heavy, ...rest } = aProduct("Clover");
  const all = withAllStrengths({ ...rest, ...given });
  expect([all.light?.value, all.ordinary?.value, all.heavy?.value]).toEqual(expected);
  expect(Product.safeParse(all).success).toBe(true);
});

test("a sprayer is there with its size alone: its name, what its pump leaves and its headspace follow", async () => {
  const session = openSession();
  const saved: string[] = [];
  render(
    <Provider store={session.store}>
      <VesselDialog onSaved={(id) => saved.push(id)} onClose={() => undefined} />
    </Provider>,
  );
  await userEvent.type(screen.getByLabelText("Full to the brim"), "5 L");
  await userEvent.tab();
  expect(screen.getByLabelText("Name")).toHaveAttribute("placeholder", "Pump sprayer, 5 L");
  await userEvent.click(screen.getByRole("button", { name: "Save sprayer" }));
  expect(saved).toHaveLength(1);
});
