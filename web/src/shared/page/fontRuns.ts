/** Letters of the font file for western Europe, and of the one for the rest of the Latin alphabet (Unicode ranges of the files). */
const LATIN: readonly (readonly [from: number, to: number])[] = [
  [0x00, 0xff],
  [0x131, 0x131],
  [0x152, 0x153],
  [0x2bb, 0x2bc],
  [0x2c6, 0x2c6],
  [0x2da, 0x2da],
  [0x2dc, 0x2dc],
  [0x2000, 0x206f],
  [0x20ac, 0x20ac],
  [0x2122, 0x2122],
  [0x2191, 0x2191],
  [0x2193, 0x2193],
  [0x2212, 0x2212],
  [0x2215, 0x2215],
];
const EXTENDED: readonly (readonly [from: number, to: number])[] = [
  [0x100, 0x2ba],
  [0x2bd, 0x2c5],
  [0x2c7, 0x2cc],
  [0x2ce, 0x2d7],
  [0x2dd, 0x2ff],
  [0x1d00, 0x1dbf],
  [0x1e00, 0x1e9f],
  [0x1ef2, 0x1eff],
  [0x20a0, 0x20ab],
  [0x20ad, 0x20c0],
  [0x2113, 0x2113],
  [0x2c60, 0x2c7f],
  [0xa720, 0xa7ff],
];

const isIn = (ranges: typeof LATIN, code: number) => ranges.some(([from, to]) => code >= from && code <= to);

type Font = "Latin" | "Extended";

/** Which font has a letter; undefined: neither. */
function fontOf(letter: string): Font | undefined {
  const code = letter.codePointAt(0) ?? 0;
  if (isIn(LATIN, code)) return "Latin";
  return isIn(EXTENDED, code) ? "Extended" : undefined;
}

/** A text in pieces that one font each can draw. A letter that neither has is written as a question mark. */
export function fontRuns(text: string): readonly { readonly text: string; readonly font: Font }[] {
  const runs: { text: string; font: Font }[] = [];
  for (const letter of text.normalize("NFC")) {
    const font = fontOf(letter) ?? "Latin";
    const drawn = fontOf(letter) ? letter : "?";
    const last = runs.at(-1);
    if (last?.font === font) last.text += drawn;
    else runs.push({ text: drawn, font });
  }
  return runs;
}

/** Letters of a text that no font of a PDF has, each once. */
export const lettersWithoutFont = (text: string): readonly string[] =>
  [...new Set(text.normalize("NFC"))].filter((letter) => letter !== "\n" && fontOf(letter) === undefined);
