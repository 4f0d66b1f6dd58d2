import { afterEach, expect, jest, test } from "@jest/globals";
import { Job } from "@scutch/contract";
import { aJob, aRoom, aShelf } from "@scutch/contract/testing";
import { act, renderHook, waitFor } from "@testing-library/react";
import { type PropsWithChildren, StrictMode } from "react";
import { Provider } from "react-redux";
import { addJob, saveRecord } from "../device/changes.ts";
import { openSession } from "../testing/openSession.ts";
import { useJobDesk } from "./desk.ts";

class SilentWorker {
  addEventListener() {}
  postMessage() {}
  terminate() {}
}
Object.assign(globalThis, { Worker: SilentWorker });
afterEach(() => {
  jest.restoreAllMocks();
});

test("an edit is checked once, when it is made: neither drawing it nor reading it back checks it again", async () => {
  const { store, db } = openSession();
  const job = aJob({ rooms: [aRoom("Hall")] });
  await db.setFact("shelf", { heardAt: 0 });
  for (const product of aShelf().products) saveRecord("product", product);
  addJob(job, undefined);
  const wrapper = ({ children }: PropsWithChildren) => (
    <StrictMode>
      <Provider store={store}>{children}</Provider>
    </StrictMode>
  );
  const { result } = renderHook(() => useJobDesk(job.id), { wrapper });
  await waitFor(() => expect(result.current.state).toBe("ready"));
  const check = jest.spyOn(Job, "safeParse");
  const { current: before } = result;
  if (before.state !== "ready") throw new Error(before.state);
  act(() => void before.desk.edit((plan) => ({ ...plan, title: "Carpets and stairs" })));
  await waitFor(async () => expect((await db.jobs.get(job.id))?.edit?.plan.title).toBe("Carpets and stairs"));
  await waitFor(() =>
    expect(result.current).toMatchObject({ desk: { job: { title: "Carpets and stairs" } } }),
  );
  // The database tells of it a moment after it was written.
  await act(() => new Promise((resolve) => setTimeout(resolve, 100)));
  expect(check).toHaveBeenCalledTimes(1);
});
