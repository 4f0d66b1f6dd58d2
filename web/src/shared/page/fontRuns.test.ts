import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { fontRuns, lettersWithoutFont } from "./fontRuns.ts";

/** The ranges the font’s package says its files cover. */
const files = JSON.parse(
  readFileSync(
    createRequire(import.meta.url).resolve("@fontsource/atkinson-hyperlegible-next/unicode.json"),
    "utf8",
  ),
) as Record<"latin" | "latin-ext", string>;
const covers = (file: keyof typeof files, code: number) =>
  files[file].split(",").some((range) => {
    const [from = 0, to = from] = range
      .slice(2)
      .split("-")
      .map((hex) => Number.parseInt(hex, 16));
    return code >= from && code <= to;
  });

test("each letter is drawn with a font that has it, none is lost, and those without a font are named", () => {
  const anyText = fc.string({ unit: fc.constantFrom(..."aé£€²–“ž€łșĂ→Ж中😀 \n0٣") });
  fc.assert(
    fc.property(anyText, (text) => {
      const runs = fontRuns(text);
      const letters = [...text.normalize("NFC")];
      expect([...runs.map((run) => run.text).join("")].length).toBe(letters.length);
      for (const { text: part, font } of runs)
        for (const letter of part)
          expect(covers(font === "Latin" ? "latin" : "latin-ext", letter.codePointAt(0) ?? 0)).toBe(true);
      const missing = new Set(lettersWithoutFont(text));
      expect(runs.map((run) => run.text).join("")).toBe(
        letters.map((each) => (missing.has(each) ? "?" : each)).join(""),
      );
    }),
    { seed: 31, numRuns: 500 },
  );
  expect(lettersWithoutFont("Ashby → £12, 20 m²")).toEqual(["→"]);
});
