const VULGAR: Readonly<Record<string, string>> = {
  "½": " 1/2",
  "¼": " 1/4",
  "¾": " 3/4",
  "⅓": " 1/3",
  "⅔": " 2/3",
  "⅛": " 1/8",
  "⅜": " 3/8",
  "⅝": " 5/8",
  "⅞": " 7/8",
};

/** Brings the marks phones and keyboards put in to plain ones: primes, curly quotes, ×, ½, m², °. */
export function plainMarks(text: string): string {
  return text
    .replace(/[½¼¾⅓⅔⅛⅜⅝⅞]/g, (mark) => VULGAR[mark] ?? mark)
    .replace(/[′’‘ʹ]/g, "'")
    .replace(/″|”|“|''/g, '"')
    .replace(/²/g, "2")
    .replace(/³/g, "3")
    .replace(/[×✕*]/g, "x")
    .replace(/[°º]/g, "")
    .replace(/[−–]/g, "-")
    .replace(/\u00a0|\u202f|\u2009/g, " ")
    .toLowerCase()
    .trim();
}

/** A number as typed: 12, 12.5, 12,5, 1/4, 12 1/2. Digits only; signs belong to the caller. */
export const NUMBER_PATTERN = String.raw`(?:\d+\s+\d+\s*/\s*\d+|\d+\s*/\s*\d+|\d{1,3}(?:,\d{3})+(?:\.\d+)?|\d*[.,]?\d+\.?)`;

/**
 * Reads what {@link NUMBER_PATTERN} matched. A comma before exactly three digits that follow 1–3 digits other than a
 * lone 0 groups thousands (2,400); any other comma is a decimal one (3,8). NaN for a zero denominator.
 */
export function readNumber(text: string): number {
  const fraction = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(text);
  if (fraction) {
    const [, whole = "0", top, bottom] = fraction;
    return Number(bottom) === 0 ? Number.NaN : Number(whole) + Number(top) / Number(bottom);
  }
  if (/^[1-9]\d{0,2}(,\d{3})+(\.\d+)?$/.test(text)) return Number(text.replaceAll(",", ""));
  return Number(text.replace(",", "."));
}
