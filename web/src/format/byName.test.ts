import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { sortedByName } from "./byName.ts";

const named = (names: readonly string[]) => names.map((name) => ({ name }));

test("plain names are in the order that the rules of English give, and names of other letters by those rules", () => {
  const word = fc.stringMatching(/^[A-Za-z]{1,8}$/);
  fc.assert(
    fc.property(fc.array(word), (words) => {
      const lower = (names: readonly { readonly name: string }[]) =>
        names.map(({ name }) => name.toLowerCase());
      const dictionary = named(words).toSorted((a, b) => a.name.localeCompare(b.name, "en"));
      expect(lower(sortedByName(named(words)))).toEqual(lower(dictionary));
    }),
  );
  expect(sortedByName(named(["Zoe", "Émile", "Eva"])).map(({ name }) => name)).toEqual([
    "Émile",
    "Eva",
    "Zoe",
  ]);
  expect(sortedByName([{ name: "b" }, {}, { name: "A" }])).toEqual([{}, { name: "A" }, { name: "b" }]);
});
