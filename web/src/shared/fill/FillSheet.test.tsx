import { expect, test } from "@jest/globals";
import { aJob, aProduct, aRoom, aShelf, aVessel, idFor } from "@scutch/contract/testing";
import { concentratePerWater, type Fill } from "@scutch/core/mix";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Provider } from "react-redux";
import { deskOf } from "../../testing/deskOf.ts";
import { openSession } from "../../testing/openSession.ts";
import { FillSheet } from "./FillSheet.tsx";

const chlorine = aProduct("Bleaching wash", { kind: "hard-floor", chemistry: ["chlorine"], phInUse: 11 });
const acid = aProduct("Sour rinse", { phInUse: 3.5 });
const shelf = aShelf({ products: [chlorine, acid], vessels: [aVessel("Pump")] });
const mix = (name: string, product: string) => ({
  id: idFor(name),
  productId: idFor(product),
  vesselId: idFor("Pump"),
  measure: 5e-6,
});
/** Bleach on the tile first, then acid on the carpet beside it, with one sprayer for both. */
const job = aJob({
  rooms: [
    aRoom("Kitchen", { covering: "ceramic", batchId: idFor("bleach") }),
    aRoom("Lounge", { fibre: "nylon", batchId: idFor("acid") }),
  ],
  batches: [mix("bleach", "Bleaching wash"), mix("acid", "Sour rinse")],
});

test("what would react with what is left in the sprayer isn't mixed before somebody has rinsed it", async () => {
  const desk = deskOf(job, shelf);
  const made = desk.work.batches.find(({ id }) => id === idFor("acid"))?.batch;
  const fills: readonly Fill[] = made?.outcome === "planned" ? made.fills : [];
  const [fill] = fills;
  const batch = job.batches[1];
  if (!fill || !batch) throw new Error("no fill is planned");
  render(
    <Provider store={openSession().store}>
      <FillSheet
        {...{ desk, batch, fill, product: acid, vessel: aVessel("Pump") }}
        number={1}
        count={1}
        wanted={concentratePerWater(acid.ordinary)}
        madeBy={undefined}
        halted={[]}
        barred={false}
        onMade={() => undefined}
      />
    </Provider>,
  );
  expect(screen.getByText("Empty and rinse Pump before this fill.")).toBeTruthy();
  expect(screen.getByText(/Don’t mix yet: what is left in the sprayer would react/)).toBeTruthy();
  expect(screen.queryByRole("button", { name: "Mark as mixed" })).toBeNull();
  await userEvent.click(screen.getByLabelText("Emptied and rinsed twice"));
  expect(screen.queryByText(/Don’t mix yet/)).toBeNull();
  expect(screen.getByRole("button", { name: "Mark as mixed" })).toBeTruthy();
});
