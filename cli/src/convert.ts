import { areaOf, parseRoomSize } from "@scutch/core/floor";
import { concentratePerWater, parseStrength } from "@scutch/core/mix";
import {
  type Dimension,
  normalizeText,
  parseQuantity,
  parseRate,
  type UnitId,
  unitSpelled,
} from "@scutch/core/quantity";
import * as z from "zod";

const KINDS = [
  "length",
  "area",
  "room-size",
  "volume",
  "mass",
  "temperature",
  "strength",
  "application-rate",
  "time",
  "share",
  "speed",
  "airflow",
] as const;

/** What someone typed, and what a field would know about it. */
const Typed = z.strictObject({
  kind: z.enum(KINDS),
  text: z.string().max(200),
  bare: z.string().max(20).optional(),
  reading: z.enum(["one-to-n", "one-in-n"]).optional(),
  matter: z.enum(["liquid", "powder"]).optional(),
});
export const TypedList = z.array(Typed).max(100_000);
type Typed = z.infer<typeof Typed>;

type Converted =
  | { readonly value: number }
  | { readonly refused: string }
  | { readonly ask: readonly number[] };

interface Answer<T> {
  readonly ok: boolean;
  readonly value?: T;
  readonly fault?: { readonly code: string; readonly readings?: readonly T[] };
}

function converted<T>(parsed: Answer<T>, si: (value: T) => number): Converted {
  if (parsed.ok) return { value: si(parsed.value as T) };
  const { code = "not-a-quantity", readings } = parsed.fault ?? {};
  return readings ? { ask: readings.map(si) } : { refused: code };
}

const same = (value: number) => value;
/** The unit of area beside a unit of length, and the other way round. */
const SQUARE: Partial<Record<UnitId, UnitId>> = { m: "m2", ft: "ft2", yd: "yd2" };
const SIDE: Partial<Record<UnitId, UnitId>> = { m2: "m", ft2: "ft", yd2: "yd" };

/** A naked number in a unit nobody knows is refused for that; what says its own unit is read all the same. */
const inUnknown = (answer: Converted, bare: string | undefined, known: unknown): Converted =>
  bare !== undefined && known === undefined && "refused" in answer && answer.refused === "unit-missing"
    ? { refused: "unknown-unit" }
    : answer;

function convert({ kind, text, bare, reading, matter }: Typed): Converted {
  const unit = (dimension: Dimension): UnitId | undefined =>
    bare === undefined ? undefined : unitSpelled(normalizeText(bare), dimension);
  const plain = (dimension: Dimension, known = unit(dimension)) =>
    inUnknown(converted(parseQuantity(text, dimension, known), same), bare, known);
  switch (kind) {
    case "strength":
      return converted(parseStrength(text, reading, matter), concentratePerWater);
    case "application-rate": {
      const known = bare === "ft2/gal" ? "ft2PerGal" : unit("applicationRate");
      return inUnknown(converted(parseRate(text, known), same), bare, known);
    }
    case "room-size": {
      const [side, square] = [unit("length"), unit("area")];
      const length = side ?? (square ? SIDE[square] : undefined);
      const area = square ?? (side ? SQUARE[side] : undefined);
      return inUnknown(converted(parseRoomSize(text, length, area), areaOf), bare, length);
    }
    case "share":
      return plain("share", unit("share") ?? "percent");
    default:
      return plain(kind);
  }
}

/** The same list with what each is in SI, or why it can't be read, or the readings it may have. */
export const convertReport = (list: readonly Typed[]) => list.map((each) => ({ ...each, ...convert(each) }));
