/** When a forecast on a screen is the last word, and what has it worked out again. */
import { expect, test } from "@jest/globals";
import type { LogEntry } from "@scutch/contract";
import { aJob, anEntry, aRoom, aShelf, idFor } from "@scutch/contract/testing";
import { act, renderHook, waitFor } from "@testing-library/react";
import { computePlan } from "./computePlan.ts";
import type { DryingRanges } from "./dryingForecast.ts";
import type { WorkerRequest, WorkerResponse } from "./workerClient.ts";

const asked: WorkerRequest[] = [];
let hear: (event: { readonly data: WorkerResponse }) => void = () => undefined;
class HeldWorker {
  addEventListener(kind: string, listener: typeof hear) {
    if (kind === "message") hear = listener;
  }
  postMessage(question: WorkerRequest) {
    asked.push(question);
  }
  terminate() {}
}
Object.assign(globalThis, { Worker: HeldWorker });
const { useDried } = await import("./useDried.ts");

const job = aJob({ rooms: [aRoom("Hall")] });
const finish = anEntry("finish", { kind: "room-finished", roomId: idFor("Hall") });
const plan = (log: readonly LogEntry[]) => computePlan(job, aShelf(), log);
const answer = (ranges: DryingRanges["ranges"], isPart?: true) => {
  const { id, lane } = asked.at(-1) as WorkerRequest;
  act(() => hear({ data: { id, lane, answer: { ranges }, ...(isPart ? { isPart } : {}) } }));
};

test("hours are the last word once all samples are in; only what bears on the drying has them worked out again", async () => {
  const { result, rerender } = renderHook(useDried, { initialProps: plan([finish]) });
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(result.current).toMatchObject({ isPending: true, ranges: undefined });
  answer([], true);
  expect(result.current).toMatchObject({ isPending: true, ranges: [] });
  answer([]);
  expect(result.current).toMatchObject({ isPending: false, ranges: [] });

  const handedOver = anEntry("page", { kind: "handed-over", at: "2026-03-09T10:30:00.000Z" });
  rerender(plan([finish, handedOver]));
  expect(result.current?.isPending).toBe(false);

  const reading = { kind: "reading", roomId: idFor("Hall"), place: "carpet", moisture: 0.5 };
  rerender(plan([finish, handedOver, anEntry("met", { ...reading, at: "2026-03-09T11:00:00.000Z" })]));
  expect(result.current?.isPending).toBe(true);
  await waitFor(() => expect(asked).toHaveLength(2));
});
