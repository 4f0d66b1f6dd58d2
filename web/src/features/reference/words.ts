import {
  COVERINGS,
  type Covering,
  FLOOR_FIBRES,
  type KnownFibre,
  ORIGINS,
  type Origin,
} from "@scutch/core/care";
import { COVERING_NAMES, FIBRE_NAMES, ORIGIN_SHORT } from "../../format/words.ts";

/** American spellings, as the entries spell it. */
const SPELLINGS: readonly (readonly [RegExp, string])[] = [
  [/color/g, "colour"],
  [/odor/g, "odour"],
  [/fiber/g, "fibre"],
  [/\bgray/g, "grey"],
  [/\bmold/g, "mould"],
  [/(winter|neutral|oxid)iz/g, "$1is"],
  [/yogurt/g, "yoghurt"],
];

/** What people say of several words, as the one word it is found by. Longer ones first. */
const PHRASES: readonly (readonly [RegExp, string])[] = [
  [/how long (?:does|do|will|can) (?:it|they|a mix|the mix) (?:keep|last)/g, "expired"],
  [/(?:pot|fill|shelf|working) life/g, "expired"],
  [/red wine|white wine|rosé/g, "wine"],
  [/red (?:drink|squash|cordial|pop|juice)/g, "red drink"],
  [/water (?:stain|ring|mark)s?\b/g, "browning"],
  [/(?:ice|snow) ?melt|de-?icer|road salt|rock salt/g, "salt"],
  [/nail (?:varnish|polish)/g, "make-up"],
  [/chewing gum/g, "gum"],
  [/felt ?tip|ball ?point/g, "ink"],
  [/entrance mat/g, "ribbed"],
  [/shut(?:ting)? ?down|end of day/g, "shutting"],
  [/start(?:ing)? ?up/g, "starting"],
];

/** Words of the trade and of the house for what an entry calls otherwise. */
const SYNONYMS: Readonly<Record<string, readonly string[]>> = {
  urine: ["pee", "wee", "piss", "puddle", "accident", "accidents", "dog", "cat", "pet", "pets"],
  vomit: ["sick", "puke", "poo", "poop", "faeces", "feces"],
  drink: ["squash", "cordial", "popsicle", "lolly", "slush", "lemonade", "cola"],
  fruit: ["juice", "berry", "berries", "jam", "smoothie"],
  wine: ["port", "sangria"],
  food: ["chocolate", "gravy", "soup", "sauce", "ketchup", "curry", "cheese", "yoghurt", "cream"],
  grease: ["butter", "fat", "frying", "kitchen", "restaurant", "greasy"],
  oil: ["tar", "asphalt", "bitumen"],
  ink: ["biro", "pen", "marker", "highlighter", "crayon"],
  "make-up": ["makeup", "lipstick", "mascara", "foundation"],
  gum: ["candle", "wax"],
  rust: ["furniture-leg", "iron"],
  salt: ["winter", "white", "deicing"],
  soot: ["fireplace", "toner", "ash"],
  frost: ["freezing", "frozen", "freeze", "antifreeze", "cold", "winter"],
  signs: ["sign", "slip", "slippery", "cone", "warning"],
  circuits: ["circuit", "fuse", "breaker", "amps", "electric", "socket", "power", "trip"],
  jets: ["jet", "nozzle", "nozzles", "spray"],
  filters: ["filter", "lint", "bag"],
  brushes: ["brush", "bristles"],
  stairs: ["stair", "staircase", "steps", "riser", "tread"],
  expired: ["keep", "keeps", "expire", "expires", "stale"],
  pressure: ["hose", "coupling", "uncouple", "uncoupling"],
  "plant fibre": ["sisal", "jute", "seagrass", "coconut", "coir"],
  olefin: ["polypropylene", "pp"],
  viscose: ["rayon", "bamboo"],
  vinyl: ["lino", "linoleum", "lvt"],
  ceramic: ["tile", "tiles", "porcelain"],
  grout: ["joints"],
  stone: ["marble", "limestone", "travertine"],
  bleach: ["chlorine", "peroxide", "whitener"],
  vacuum: ["hoover"],
};

const SAID_AS = new Map(
  Object.entries(SYNONYMS).flatMap(([word, others]) => others.map((each) => [each, word] as const)),
);
const EMPTY_WORDS = new Set(
  "a an the of on in at to for from with is are it its do does how what which my i can you out get off and or stain spot mark carpet".split(
    " ",
  ),
);

/** What was asked as the words that count, phrases as their one word; all of them where none would be left. */
export function wordsAsked(asked: string): string[] {
  const british = SPELLINGS.reduce(
    (text, [american, word]) => text.replace(american, word),
    asked.toLowerCase(),
  );
  const plain = PHRASES.reduce((text, [phrase, word]) => text.replace(phrase, word), british);
  const all = plain.split(/[^\p{L}\p{N}-]+/u).filter(Boolean);
  const counting = all.filter((word) => !EMPTY_WORDS.has(word));
  return counting.length > 0 ? counting : all;
}

/** A word and what it may be called in an entry. */
export function sameAs(word: string): string[] {
  const canonical = SAID_AS.get(word);
  return [word, ...(canonical ? canonical.split(" ") : [])];
}

/** Of some things the one most of whose name's words were said. */
function named<T extends string>(
  words: readonly string[],
  all: readonly T[],
  nameOf: (each: T) => string,
): T | undefined {
  const spoken = new Set(words.flatMap(sameAs));
  const said = (each: T) =>
    nameOf(each)
      .toLowerCase()
      .split(/[^\p{L}-]+/u)
      .filter((part) => part.length > 2 && spoken.has(part)).length;
  const [most] = all.toSorted((a, b) => said(b) - said(a));
  return most !== undefined && said(most) > 0 ? most : undefined;
}

/** What a question is about: what a spot came from, and what it lies on. */
export function aboutOf(asked: string): {
  readonly origin: Origin | undefined;
  readonly fibre: KnownFibre | undefined;
  readonly covering: Covering | undefined;
} {
  const words = wordsAsked(asked);
  const fibres = FLOOR_FIBRES.filter((each): each is KnownFibre => each !== "unknown");
  return {
    origin: named(
      words,
      ORIGINS.filter((each) => each !== "unknown"),
      (each) => ORIGIN_SHORT[each],
    ),
    fibre: named(words, fibres, (each) => FIBRE_NAMES[each]),
    covering: named(words, COVERINGS, (each) => COVERING_NAMES[each]),
  };
}
