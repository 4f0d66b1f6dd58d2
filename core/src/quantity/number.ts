/** ½ and its like stand behind a whole number as behind a space, and so does a fraction set small: 2¹⁄₂. */
const VULGAR = /[\u00bc-\u00be\u2150-\u215e\u2189]/g;
const SMALL_DIGIT = /(\d)(?=[\u00b2\u00b3\u00b9\u2070-\u2079])/g;

/** Brings the marks phones and keyboards put in to plain ones: primes, curly quotes, backticks, ×, ½, m², °, ℃. */
export function normalizeText(text: string): string {
  return text
    .replace(VULGAR, " $&")
    .replace(SMALL_DIGIT, "$1 ")
    .normalize("NFKC")
    .replace(/⁄/g, "/")
    .replace(/[′’‘ʹ`´]/g, "'")
    .replace(/″|”|“|''/g, '"')
    .replace(/[×✕*]/g, "x")
    .replace(/[°º]/g, "")
    .replace(/[−–—]/g, "-")
    .replace(/\s+/g, " ")
    .toLowerCase()
    .trim();
}

/** A number found at the start of a text: how many characters it takes, and what it may mean, the likelier first. */
export interface NumberRead {
  readonly length: number;
  readonly meanings: readonly number[];
  /** What 3,048 means where three thousand can't be meant. */
  readonly instead?: number;
}

/** Anything that would go on with a number just read: then it wasn't one. */
const ENDS = String.raw`(?![.,]?\d)`;
const at = (pattern: string) => new RegExp(`^(?:${pattern})${ENDS}`);

const MIXED = at(String.raw`(\d+)[\s-]+(\d+)\s*/\s*(\d+)`);
const FRACTION = at(String.raw`(\d+)\s*/\s*(\d+)`);
const BY_SPACES = at(String.raw`[1-9]\d{0,2}(?: \d{3})+(?:[.,]\d+)?`);
const BY_APOSTROPHES = at(String.raw`[1-9]\d{0,2}(?:'\d{3})+(?:[.,]\d+)?`);
const BY_COMMAS = at(String.raw`[1-9]\d{0,2}(?:,\d{3})+(?:\.\d+)?`);
const BY_DOTS = at(String.raw`[1-9]\d{0,2}(?:\.\d{3})+,\d+|[1-9]\d{0,2}(?:\.\d{3}){2,}`);
const PLAIN = at(String.raw`\d+[.,]\d+|\d+|[.,]\d+`);
const POINT_LAST = /^\d+\.(?![\d.,])(?!\s*\d)/;

/**
 * Reads a number as typed: 12, 12.5, 12,5, .5, 1/4, 12 1/2, 12-1/2, 2,400, 2 400, 2'400, 1.234,5. Groups of three behind a
 * space, an apostrophe or a comma are thousands; a comma before anything but three digits is a decimal one. `1.500` may mean two things. Undefined where there is no number; signs belong to the caller.
 */
export function numberAtStart(text: string): NumberRead | undefined {
  const mixed = MIXED.exec(text);
  if (mixed && Number(mixed[2]) < Number(mixed[3]))
    return { length: mixed[0].length, meanings: [Number(mixed[1]) + Number(mixed[2]) / Number(mixed[3])] };
  const fraction = FRACTION.exec(text);
  if (fraction) {
    const value = Number(fraction[1]) / Number(fraction[2]);
    return { length: fraction[0].length, meanings: Number.isFinite(value) ? [value] : [] };
  }
  const grouped = (pattern: RegExp, group: RegExp) => {
    const found = pattern.exec(text)?.[0];
    return found === undefined
      ? undefined
      : { length: found.length, digits: found, value: Number(found.replace(group, "").replace(",", ".")) };
  };
  const spaced = grouped(BY_SPACES, / /g);
  if (spaced) return { length: spaced.length, meanings: [spaced.value] };
  const apostrophes = grouped(BY_APOSTROPHES, /'/g);
  if (apostrophes) return { length: apostrophes.length, meanings: [apostrophes.value] };
  const dots = grouped(BY_DOTS, /\./g);
  if (dots) return { length: dots.length, meanings: [dots.value] };
  const commas = grouped(BY_COMMAS, /,/g);
  if (commas) {
    const once = /^\d+,\d{3}$/.test(commas.digits);
    const decimal = Number(commas.digits.replace(",", "."));
    return { length: commas.length, meanings: [commas.value], ...(once ? { instead: decimal } : {}) };
  }
  const [digits] = PLAIN.exec(text) ?? POINT_LAST.exec(text) ?? [];
  if (digits === undefined) return undefined;
  const value = Number(digits.replace(",", "."));
  const thousands = /^[1-9]\d{0,2}\.\d00$/.test(digits) ? [Number(digits.replace(".", ""))] : [];
  return { length: digits.length, meanings: [value, ...thousands] };
}
