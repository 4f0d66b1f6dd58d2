import { expect, test } from "@jest/globals";
import { Job } from "@scutch/contract";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { Provider } from "react-redux";
import { planFault } from "../../planning/desk.ts";
import { makeStore } from "../../state/store.ts";
import { id, job, roomNames } from "../../testing/fakeServer.ts";
import { AddRoom } from "./AddRoom.tsx";

/** The form on a job that holds what it adds, as the desk does: a plan that can't be is refused. */
function form(first: Job = job()) {
  const held = { plan: first };
  function Page() {
    const [plan, setPlan] = useState(first);
    const edit = (change: (before: Job) => Job) => {
      const after = change(plan);
      const fault = planFault(after);
      if (fault) return fault;
      held.plan = after;
      setPlan(after);
      return undefined;
    };
    return <AddRoom desk={{ job: plan, edit }} />;
  }
  render(
    <Provider store={makeStore()}>
      <Page />
    </Provider>,
  );
  const type = async (name: string, size: string) => {
    if (name) await userEvent.type(screen.getByLabelText("Room"), name);
    await userEvent.type(screen.getByLabelText("Size, any unit"), `${size}{Enter}`);
  };
  return { held, type };
}

const withStairs = () =>
  Job.parse(
    job({
      rooms: [
        {
          id: id(5, 1),
          name: "Stairs",
          shape: { kind: "stairs", steps: 13, tread: 0.25, riser: 0.19, width: 0.8 },
        },
      ] as never,
    }),
  );

test("name and size make a room, the form empties, and the name has the focus for the next", async () => {
  const { held, type } = form();
  await type("Lounge", "12'6 x 10");
  expect(held.plan.rooms).toMatchObject([
    {
      name: "Lounge",
      shape: { kind: "rectangle", length: expect.closeTo(3.81, 6), width: expect.closeTo(3.048, 6) },
    },
  ]);
  expect(screen.getByLabelText("Room")).toHaveValue("");
  expect(screen.getByLabelText("Room")).toHaveFocus();
  await type("", "14 m2");
  expect(roomNames(held.plan)).toContain("Room 2");
});

test("a size that can't be read adds nothing; its reason goes with the next letter", async () => {
  const { held, type } = form();
  await type("Hall", "long and thin");
  expect(screen.getByRole("alert")).toHaveTextContent(/^Can’t read/);
  expect(held.plan.rooms).toEqual([]);
  expect(screen.getByLabelText("Room")).toHaveValue("Hall");
  await userEvent.type(screen.getByLabelText("Size, any unit"), "5");
  expect(screen.queryByRole("alert")).toBeNull();
});

test("a size ten times the other rooms is asked about before it is added", async () => {
  const { held, type } = form();
  await type("Lounge", "4 x 4");
  await type("Hall", "40 x 12");
  expect(roomNames(held.plan)).toEqual(["Lounge"]);
  await userEvent.click(screen.getByRole("button", { name: "Change size" }));
  expect(screen.queryByText(/times the other rooms/)).toBeNull();
  await userEvent.type(screen.getByLabelText("Size, any unit"), "{Enter}");
  await userEvent.click(screen.getByRole("button", { name: "Yes, that’s right" }));
  expect(roomNames(held.plan).toSorted()).toEqual(["Hall", "Lounge"]);
});

test("after the stairs a bedroom is asked about once: the answer holds for the next", async () => {
  const { held, type } = form(withStairs());
  await userEvent.type(screen.getByLabelText("Room"), "Bedroom");
  await userEvent.click(screen.getByRole("radio", { name: "On this level" }));
  await type("", "3 x 3");
  expect(screen.queryByText(/upstairs\?/)).toBeNull();
  expect(held.plan.rooms.find(({ name }) => name === "Bedroom")?.level).toBeFalsy();
});

test("a usual room is there with a tap, marked as assumed until its size is typed over", async () => {
  const { held } = form();
  await userEvent.click(screen.getByRole("button", { name: "Add Hall" }));
  await userEvent.click(screen.getByRole("button", { name: "Add Bedroom" }));
  expect(held.plan.rooms).toMatchObject([
    { name: "Bedroom", sizeAssumed: true },
    { name: "Hall", sizeAssumed: true },
  ]);
  const hall = held.plan.rooms[1]?.id;
  expect(held.plan.doors).toMatchObject([{ from: hall }, { to: hall }]);
  const size = screen.getByLabelText("Size of Bedroom, any unit");
  expect(size).toHaveFocus();
  await userEvent.keyboard("3 m x 2.5 m");
  // The next tap takes what was typed with it.
  await userEvent.click(screen.getByRole("button", { name: "Add Lounge" }));
  expect(held.plan.rooms).toMatchObject([
    { name: "Lounge", sizeAssumed: true },
    { name: "Bedroom", shape: { length: 3, width: 2.5 }, sizeAssumed: undefined },
    { name: "Hall", sizeAssumed: true },
  ]);
});

test("a size that can't be read isn't lost by tapping the next room", async () => {
  const { held } = form();
  await userEvent.click(screen.getByRole("button", { name: "Add Hall" }));
  await userEvent.keyboard("long and thin");
  await userEvent.click(screen.getByRole("button", { name: "Add Lounge" }));
  expect(roomNames(held.plan)).toEqual(["Hall"]);
  const size = screen.getByLabelText("Size of Hall, any unit");
  expect(size).toHaveValue("long and thin");
  expect(size).toHaveFocus();
  expect(screen.getByRole("alert")).toHaveTextContent(/^Can’t read/);
});

test("after the stairs a bedroom tapped is upstairs; one that isn’t opens to the hall", async () => {
  const { held } = form();
  for (const name of ["Hall", "Flight of 13", "Bedroom"])
    await userEvent.click(screen.getByRole("button", { name: `Add ${name}` }));
  const idOf = (name: string) => held.plan.rooms.find((room) => room.name === name)?.id;
  const doorOf = (name: string) => held.plan.doors?.find(({ from }) => from === idOf(name))?.to;
  expect(held.plan.rooms.find(({ name }) => name === "Bedroom")?.level).toBe(1);
  expect(doorOf("Bedroom")).toBe(idOf("Flight of 13"));
  await userEvent.click(screen.getByRole("radio", { name: "On this level" }));
  expect(held.plan.rooms.find(({ name }) => name === "Bedroom")?.level).toBe(0);
  expect(doorOf("Bedroom")).toBe(idOf("Hall"));
  // Asked once.
  await userEvent.click(screen.getByRole("button", { name: "Add Bedroom" }));
  expect(screen.queryByText(/upstairs\?/)).toBeNull();
  expect(held.plan.rooms.find(({ name }) => name === "Bedroom 2")?.level).toBe(0);
});
