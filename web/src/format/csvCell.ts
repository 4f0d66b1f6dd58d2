/** What a spreadsheet would take for a formula. */
const FORMULA = /^[=+\-@\t\r]/;
const GUARDED = /^'[=+\-@\t\r]/;

/** A cell of a CSV file: what a spreadsheet would take for a formula gets a quote in front of it. */
export const csvCell = (value: string | number | undefined): string => {
  const text = value === undefined ? "" : String(value);
  return FORMULA.test(text) ? `'${text}` : text;
};

/** What was in a cell that {@link csvCell} wrote. */
export const fromCsvCell = (text: string): string => (GUARDED.test(text) ? text.slice(1) : text);
