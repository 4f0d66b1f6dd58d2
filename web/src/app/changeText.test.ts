import { describe, expect, test } from "@jest/globals";
import type { Job } from "@scutch/contract";
import { changeText } from "./changeText.ts";

const room = (id: string, name: string, more: object = {}) => ({
  id,
  name,
  shape: { kind: "area", area: 12 },
  ...more,
});
const job = (more: object = {}) =>
  ({
    id: "j",
    siteId: "s",
    title: "Carpets",
    day: "2026-03-09",
    startsAt: "09:00",
    rooms: [room("a", "Lounge"), room("b", "Hall")],
    batches: [],
    ...more,
  }) as unknown as Job;
const spot = { id: "p", roomId: "a", origin: "coffee-tea" };

describe("undo says what it takes back and where", () => {
  test.each([
    [job({ rooms: [room("a", "Lounge", { height: 3 }), room("b", "Hall")] }), "ceiling of Lounge"],
    [
      job({ rooms: [room("a", "Lounge", { fibre: "wool" }), room("b", "Hall", { fibre: "wool" })] }),
      "fibre of Lounge and Hall",
    ],
    [job({ rooms: [room("a", "Lounge"), room("b", "Hall"), room("c", "Den")] }), "adding Den"],
    [job({ rooms: [room("b", "Hall")], former: [room("a", "Lounge")] }), "removing Lounge"],
    [job({ rooms: [room("b", "Hall"), room("a", "Lounge")] }), "room order"],
    [job({ interview: { pets: true } }), "pets"],
    [job({ indoor: { temperature: 20, relativeHumidity: 0.5 } }), "indoor air"],
    [job({ title: "Rugs" }), "job description"],
    [job({ spots: [spot] }), "adding coffee, tea in Lounge"],
    [job(), "the last change"],
  ])("%#: %s", (after, said) => {
    expect(changeText(job(), after as Job)).toBe(said);
  });
});
