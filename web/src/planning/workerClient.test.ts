/** What broke off in a worker is told, and asked again when a person says so. */
import { expect, test } from "@jest/globals";
import type { Building } from "@scutch/core/drying";
import type { WorkerRequest } from "./workerClient.ts";

type Heard = { readonly data?: unknown };
/** Workers of a page: each keeps what it was asked. */
class FakeWorker {
  static made: FakeWorker[] = [];
  readonly asked: WorkerRequest[] = [];
  private readonly listeners = new Map<string, (event: Heard) => void>();
  constructor(_: URL, { name }: { readonly name: string }) {
    if (name === "drying") FakeWorker.made.push(this);
  }
  addEventListener(kind: string, listener: (event: Heard) => void) {
    this.listeners.set(kind, listener);
  }
  postMessage(question: WorkerRequest) {
    this.asked.push(question);
  }
  terminate() {
    this.asked.length = 0;
  }
  hear(kind: string, event: Heard = {}) {
    this.listeners.get(kind)?.(event);
  }
}
Object.assign(globalThis, { Worker: FakeWorker });
const { askMoves, askRanges } = await import("./workerClient.ts");
const { failedCalculations, retryCalculations } = await import("./failedCalculations.ts");

const building = { rooms: [] } as unknown as Building;
const asked = {
  building,
  readings: [],
  now: 0,
  bandHours: [],
  spread: { rooms: [], outdoor: { temperature: 0, relativeHumidity: 0 } },
};
const levers = { rooms: [], from: 0 };
const moves = { building, levers, rented: levers, aim: { kind: "all" } } as const;
const last = () => FakeWorker.made.at(-1) as FakeWorker;
const answerAll = () => {
  for (const { id, lane } of last().asked.splice(0))
    last().hear("message", { data: { id, lane, answer: [lane] } });
};

test("a question that broke off is asked again of a new worker, and what waited beside it too", () => {
  const heard: unknown[] = [];
  askRanges(asked, (answer) => heard.push(answer));
  askMoves(moves, (answer) => heard.push(answer));
  const [range] = last().asked;
  last().hear("message", { data: { id: range?.id, lane: range?.lane, failed: true } });
  expect([failedCalculations(), heard]).toEqual([1, []]);
  retryCalculations();
  expect(FakeWorker.made).toHaveLength(2);
  expect(failedCalculations()).toBe(0);
  answerAll();
  expect(heard.map(String).toSorted()).toEqual(["moves", "range"]);
});

test("a worker that dies fails all that waited for it; a newer question, or none any more, ends the matter", () => {
  const heard: unknown[] = [];
  const letGo = askMoves(moves, (answer) => heard.push(answer));
  askRanges(asked, (answer) => heard.push(answer));
  last().hear("error");
  expect(failedCalculations()).toBe(2);
  letGo();
  expect(failedCalculations()).toBe(1);
  // After an edit it is asked anew: the worker that died is replaced first.
  askRanges(asked, (answer) => heard.push(answer));
  expect(failedCalculations()).toBe(0);
  answerAll();
  expect(heard.map(String)).toEqual(["range"]);
});
