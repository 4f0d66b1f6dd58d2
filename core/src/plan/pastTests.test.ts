import { expect, test } from "@jest/globals";
import { careOf, type JobDocument, toJobInput } from "./index.ts";

const LABEL = {
  id: "meadow",
  kind: "pre-spray",
  phInUse: 10.4,
  chemistry: ["anionic"],
  light: { spelling: "one-to-n", value: 30 },
  ordinary: { spelling: "one-to-n", value: 24 },
  heavy: { spelling: "one-to-n", value: 12 },
  dwellLeast: 600,
  dwellMost: 900,
} as const;
const VESSEL = { id: "pump", nominal: 8e-3, heel: 2e-4, headspace: 3e-4 };

/** The gate of a nylon lounge with tests of earlier visits and entries of this one. */
function gate(
  pastTests: NonNullable<JobDocument["rooms"][number]["pastTests"]>,
  log: Parameters<typeof toJobInput>[1]["log"] = [],
) {
  const job: JobDocument = {
    day: "2026-11-30",
    startsAt: "09:00",
    rooms: [
      {
        id: "lounge",
        name: "Lounge",
        shape: { kind: "rectangle", length: 5, width: 4 },
        covering: "cut-pile",
        fibre: "nylon",
        pastTests,
      },
    ],
    batches: [{ id: "mix", productId: "meadow", vesselId: "pump", measure: 5e-6 }],
  };
  const input = toJobInput(job, { products: [LABEL] as never, vessels: [VESSEL] as never, log });
  return careOf(input).rooms[0]?.gate;
}
const past = (on: string, result: "passed" | "failed") =>
  [{ productId: "meadow", on, test: "dye", result }] as const;

test("a dye test of an earlier visit counts for a year and is then asked for again; colour that bled stops for ever", () => {
  expect(gate([])).toBe("not-tested");
  expect(gate(past("2026-03-01", "passed"))).toBe("passed");
  expect(gate(past("2025-11-30", "passed"))).toBe("passed");
  expect(gate(past("2025-11-29", "passed"))).toBe("not-tested");
  expect(gate(past("2019-01-01", "failed"))).toBe("failed");
  expect(gate([{ productId: "teasel", on: "2026-11-01", test: "dye", result: "passed" }])).toBe("not-tested");
});

test("of tests at several visits the newest counts, and one made today before all of them", () => {
  expect(gate([...past("2026-08-01", "passed"), ...past("2026-02-01", "failed")])).toBe("passed");
  expect(gate([...past("2026-02-01", "passed"), ...past("2026-08-01", "failed")])).toBe("failed");
  const today = {
    id: "e1",
    at: "2026-11-30T09:00:00Z",
    kind: "dye-test",
    roomId: "lounge",
    productId: "meadow",
    result: "no-colour",
  } as const;
  expect(gate(past("2026-08-01", "failed"), [today])).toBe("passed");
});
