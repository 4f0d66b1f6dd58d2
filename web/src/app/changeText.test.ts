import { describe, expect, test } from "@jest/globals";
import { aJob, aRoom, aSpot, idFor } from "@scutch/contract/testing";
import { changeText } from "./changeText.ts";

const job = (said: Parameters<typeof aJob>[0] = {}) =>
  aJob({ rooms: [aRoom("Lounge"), aRoom("Hall")], batches: [], ...said });
const spot = aSpot("spot", "Lounge");

describe("undo says what it takes back and where", () => {
  test.each([
    [job({ rooms: [aRoom("Lounge", { height: 3 }), aRoom("Hall")] }), "ceiling of Lounge"],
    [
      job({ rooms: [aRoom("Lounge", { fibre: "wool" }), aRoom("Hall", { fibre: "wool" })] }),
      "fibre of Lounge and Hall",
    ],
    [job({ rooms: [aRoom("Lounge"), aRoom("Hall"), aRoom("Den")] }), "adding Den"],
    [job({ rooms: [aRoom("Hall")], former: [{ id: idFor("Lounge"), name: "Lounge" }] }), "removing Lounge"],
    [job({ rooms: [aRoom("Hall"), aRoom("Lounge")] }), "room order"],
    [job({ interview: { pets: true } }), "pets"],
    [job({ indoor: { temperature: 20, relativeHumidity: 0.5 } }), "indoor air"],
    [job({ title: "Rugs" }), "job description"],
    [job({ spots: [spot] }), "adding coffee, tea in Lounge"],
    [job({ priceLines: [{ id: `room:${idFor("Lounge")}`, amount: 60 }] }), "price of Lounge"],
    [job({ priceLines: [{ id: "extra:edges", asked: true }] }), "price of Edges by hand"],
    [job({ priceLines: [{ id: "x1", what: "Parking", amount: 4 }] }), "price of Parking"],
    [job({ discount: { share: 0.1 } }), "discount"],
    [job(), "the last change"],
  ])("%#: %s", (after, said) => {
    expect(changeText(job(), after)).toBe(said);
  });
});
