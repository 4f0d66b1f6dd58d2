import { normalizeText } from "./number.ts";
import {
  interpretationsOf,
  likeliest,
  type Parsed,
  parseFailure,
  parseQuantity,
  settleReading,
} from "./parse.ts";
import { toSi, type UnitId } from "./units.ts";

/** What a bare number of an application rate is in: a unit of it, or how much floor a gallon covers. */
export type BareRate = UnitId | "ft2PerGal";

const PER = /^(.+?)(?: ?\/ ?| per )(?:the |each |every |a )?(.+)$/;
const counted = (text: string) => (/^\D/.test(text) ? `1 ${text}` : text);

/**
 * Reads how much goes on a floor, m³/m²: an amount per area, `70 ml/m²`, `1/2 gal per 1000 sq ft`, or the other way
 * round the area an amount covers, `600 sq ft/gal`.
 */
export function parseRate(text: string, bare: BareRate | undefined): Parsed {
  const said = text.trim();
  const plain = normalizeText(text);
  if (plain === "") return parseFailure({ code: "empty" });
  if (bare === "ft2PerGal" && /^[\d ,./]+$/.test(plain)) return covered(said, plain, "gal");
  // The slash of a fraction, 1/2 oz per sq ft, isn't the one between amount and area: try each.
  for (let from = 0; ; ) {
    const found = PER.exec(plain.slice(from));
    if (!found) break;
    const [, head = "", below = ""] = found;
    const above = plain.slice(0, from) + head;
    const amount = parseQuantity(above, "volume", undefined);
    const area = parseQuantity(counted(below), "area", undefined);
    if (interpretationsOf(amount).length > 0 && area.ok && area.value > 0)
      return settleReading(
        said,
        likeliest(
          interpretationsOf(amount).map((each) => each / area.value),
          "applicationRate",
        ),
      );
    const covers = parseQuantity(above, "area", undefined);
    if (interpretationsOf(covers).length > 0 && parseQuantity(counted(below), "volume", undefined).ok)
      return covered(said, above, counted(below));
    from += head.length + 1;
  }
  return parseQuantity(text, "applicationRate", bare === "ft2PerGal" ? undefined : bare);
}

function covered(said: string, area: string, volume: string): Parsed {
  const areas = interpretationsOf(parseQuantity(area, "area", "ft2")).filter((each) => each > 0);
  const amount =
    volume === "gal"
      ? toSi(1, "gal")
      : (interpretationsOf(parseQuantity(volume, "volume", undefined))[0] ?? 0);
  if (areas.length === 0 || !(amount > 0)) return parseFailure({ code: "not-a-quantity", text: said });
  return settleReading(
    said,
    likeliest(
      areas.map((each) => amount / each),
      "applicationRate",
    ),
  );
}
