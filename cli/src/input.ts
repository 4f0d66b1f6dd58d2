import { readFileSync } from "node:fs";
import { faultsOf } from "@scutch/contract";
import type { z } from "zod";

/** What is wrong with what was given, a line each; nothing is printed on standard output then. */
export class InputFaults extends Error {
  constructor(readonly lines: readonly string[]) {
    super(lines.join("\n"));
    this.name = "InputFaults";
  }
}

/** A place in a JSON document, `$.job.rooms[0].shape`. */
function jsonPath(path: readonly (string | number)[]): string {
  return path.reduce<string>(
    (text, key) =>
      typeof key === "number"
        ? `${text}[${key}]`
        : /^[A-Za-z_]\w*$/.test(key)
          ? `${text}.${key}`
          : `${text}[${JSON.stringify(key)}]`,
    "$",
  );
}

const SAYS: Readonly<Record<string, string>> = {
  missing: "is missing",
  "too-small": "is too small",
  "too-big": "is too large",
  "too-many": "has too many entries",
  "too-long": "is too long",
  "not-one-of": "is not one of the values allowed here",
  "bad-format": "has the wrong format",
  "unknown-key": "has keys this format doesn’t know",
  "unknown-reference": "names something that isn’t in the file",
  "either-or": "repeats another: leave one out",
  "not-ascending": "must come after the one before it",
  "coil-needs-held":
    "needs rooms at a held temperature: remove their climate, here and in changes, or remove the coil",
  "repeated-id": "is used twice",
  "strength-out-of-range": "can’t be mixed: use 1:1 to 1:100,000",
  "label-range-reversed": "is weaker than the strength before it",
  "dwell-range-reversed": "is shorter than the minimum dwell",
  "amount-or-powder": "must say how much: a volume, or a weight for a powder",
  "vessel-holds-nothing": "leaves no usable volume after heel and head space",
};

/** Reads a file, or standard input for `-`, and checks it; throws InputFaults with a line a fault. */
export function readInput<S extends z.ZodType>(schema: S, file: string): z.output<S> {
  let text: string;
  try {
    text = readFileSync(file === "-" ? 0 : file, "utf8");
  } catch (error) {
    throw new InputFaults([
      `${file}: can't be read (${(error as NodeJS.ErrnoException).code ?? "unknown reason"})`,
    ]);
  }
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch (error) {
    throw new InputFaults([`$: is not JSON: ${(error as Error).message.replaceAll("\n", " ")}`]);
  }
  const result = schema.safeParse(document);
  if (result.success) return result.data;
  throw new InputFaults(
    faultsOf(result.error).map(({ path, code, limit, keys }) => {
      const bound =
        limit === undefined ? "" : code === "too-small" ? `, at least ${limit}` : `, at most ${limit}`;
      const named = keys ? `: ${keys.join(", ")}` : "";
      const says = SAYS[code] ?? (code.startsWith("not-") ? `is not a ${code.slice(4)}` : "is not allowed");
      return `${jsonPath(path)}: ${says}${bound}${named}`;
    }),
  );
}
