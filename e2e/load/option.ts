/** A number given on the command line as `--name 5`. */
export function option(name: string, otherwise: number): number {
  const at = process.argv.indexOf(`--${name}`);
  const value = at < 0 ? otherwise : Number(process.argv[at + 1]);
  if (!Number.isInteger(value) || value < 1) throw new Error(`--${name} takes a whole number above 0.`);
  return value;
}

/** The crew with the number `n`, and its owner. */
export const crewId = (n: number) => `01930000-0000-7000-8000-${(0x1000 + n).toString(16).padStart(12, "0")}`;
export const ownerId = (n: number) =>
  `01930000-0000-7000-8e00-${(0x1000 + n).toString(16).padStart(12, "0")}`;
export const emailOf = (n: number) => `owner${n}@example.test`;
export const PASSWORD = "four words easy to type";
