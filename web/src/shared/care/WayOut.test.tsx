import { expect, test } from "@jest/globals";
import type { Job, Shelf } from "@scutch/contract";
import { aJob, aProduct, aRoom, aShelf, aVessel, idFor } from "@scutch/contract/testing";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Provider } from "react-redux";
import { MemoryRouter } from "react-router";
import { deskOf } from "../../testing/deskOf.ts";
import { openSession } from "../../testing/openSession.ts";
import { MixCare } from "./MixCare.tsx";

const bleach = aProduct("Bleaching wash", { kind: "hard-floor", chemistry: ["chlorine"], phInUse: 11 });
const sour = aProduct("Sour rinse", { phInUse: 3.5 });
const strong = aProduct("Strong wash", { phInUse: 11 });
const mild = aProduct("Mild wash", { phInUse: 7 });
const mix = (name: string, product: string, more: object = {}) => ({
  id: idFor(name),
  productId: idFor(product),
  vesselId: idFor("Pump"),
  measure: 5e-6,
  ...more,
});

/** What the rules say of a job's mix, and the job after what is pressed. */
function care(job: Job, shelf: Shelf, of: number) {
  const held = { job };
  const desk = {
    ...deskOf(job, shelf),
    edit: (change: (before: Job) => Job) => {
      held.job = change(held.job);
      return undefined;
    },
  };
  const batch = job.batches[of];
  const product = shelf.products.find(({ id }) => id === batch?.productId);
  if (!batch || !product) throw new Error("no such mix");
  render(
    <Provider store={openSession().store}>
      <MemoryRouter>
        <MixCare desk={desk} batch={batch} product={product} />
      </MemoryRouter>
    </Provider>,
  );
  return held;
}
const press = (name: string) => userEvent.click(screen.getByRole("button", { name }));

test("wool under a strong product is offered the mild one: the room moves to a mix of its own in the free sprayer", async () => {
  const job = aJob({
    rooms: [aRoom("Hall", { fibre: "wool", batchId: idFor("strong") }), aRoom("Den", { fibre: "nylon" })],
    batches: [mix("strong", "Strong wash")],
  });
  const shelf = aShelf({ products: [strong, mild], vessels: [aVessel("Pump"), aVessel("Second pump")] });
  const held = care(job, shelf, 0);
  await press("Use Mild wash in Hall");
  const [, added] = held.job.batches;
  expect(added).toMatchObject({ productId: idFor("Mild wash"), vesselId: idFor("Second pump") });
  expect(held.job.rooms.map(({ batchId }) => batchId)).toEqual([added?.id, undefined]);
});

test("with nothing on the shelf that wool bears, the stop stands alone", () => {
  const job = aJob({
    rooms: [aRoom("Hall", { fibre: "wool", batchId: idFor("strong") })],
    batches: [mix("strong", "Strong wash")],
  });
  care(job, aShelf({ products: [strong], vessels: [aVessel("Pump")] }), 0);
  expect(screen.getByRole("alert")).toBeTruthy();
  expect(screen.queryByRole("button", { name: /^Use / })).toBeNull();
  expect(screen.getByRole("link", { name: "Open room" })).toBeTruthy();
});

test("two mixes that must never meet in a sprayer: the free sprayer is offered; with none, nothing is", async () => {
  const job = aJob({
    rooms: [
      aRoom("Bath", { covering: "ceramic", batchId: idFor("bleach") }),
      aRoom("Den", { fibre: "nylon", batchId: idFor("sour") }),
    ],
    batches: [mix("bleach", "Bleaching wash"), mix("sour", "Sour rinse")],
  });
  const both = aShelf({ products: [bleach, sour], vessels: [aVessel("Pump"), aVessel("Second pump")] });
  const held = care(job, both, 1);
  await press("Make this one in Second pump");
  expect(held.job.batches.map(({ vesselId }) => vesselId)).toEqual([idFor("Pump"), idFor("Second pump")]);
});

test("a booster the floor doesn't bear is left out with one press", async () => {
  const booster = aProduct("Bleach booster", { chemistry: ["chlorine"], phInUse: 11 });
  const job = aJob({
    rooms: [aRoom("Hall", { fibre: "wool", batchId: idFor("mild") })],
    batches: [mix("mild", "Mild wash", { boosters: [{ productId: idFor("Bleach booster") }] })],
  });
  const held = care(job, aShelf({ products: [mild, booster], vessels: [aVessel("Pump")] }), 0);
  await press("Leave out Bleach booster");
  expect(held.job.batches[0]?.boosters).toBeUndefined();
});
