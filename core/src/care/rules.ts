import type { Material } from "./floor.ts";
import type { Trait } from "./product.ts";

export const VERDICTS = ["allowed", "caution", "stop"] as const;
export type Verdict = (typeof VERDICTS)[number];

/** One line of the table: what a trait does to some materials, why, and what would lift it. */
export interface Rule {
  readonly trait: Trait;
  readonly materials: readonly Material[];
  readonly verdict: Verdict;
  readonly why: string;
  /** What would make it right; empty where it is allowed. */
  readonly lift: string;
  readonly source: string;
}

export const PRACTICE = "common practice";
const FIBRES: readonly Material[] = [
  "nylon",
  "polyester",
  "olefin",
  "acrylic",
  "wool",
  "silk",
  "cotton",
  "viscose",
  "plant",
];
const BACKINGS: readonly Material[] = ["jute-backing", "foam-backing"];
const HARD: readonly Material[] = ["ceramic", "cement-grout", "calcareous-stone", "granite", "vinyl"];
const TEXTILE = [...FIBRES, ...BACKINGS];
const EVERYTHING = [...TEXTILE, ...HARD];

const rule =
  (verdict: Verdict) =>
  (trait: Trait, materials: readonly Material[], why: string, lift = "", source = PRACTICE): Rule => ({
    trait,
    materials,
    verdict,
    why,
    lift,
    source,
  });
const stop = rule("stop");
const caution = rule("caution");
const allowed = rule("allowed");

const but = (all: readonly Material[], ...without: Material[]) =>
  all.filter((each) => !without.includes(each));

/**
 * What may touch what: every trait meets every material in exactly one line, which {@link compileRules} checks. Written to
 * be read by somebody in the trade. The product's label and safety data sheet come before any line of it.
 */
export const RULES: readonly Rule[] = [
  stop(
    "strong-acid",
    ["wool", "silk", "nylon"],
    "Below pH 3 acid takes dye and finish off these fibres and can weaken nylon.",
    "Use a product at pH 3 or above.",
  ),
  stop(
    "strong-acid",
    ["cotton", "viscose", "plant", "jute-backing"],
    "Strong acid breaks down plant fibre: it weakens, then tears.",
    "Use a product at pH 4.5 or above.",
  ),
  stop(
    "strong-acid",
    ["calcareous-stone"],
    "Acid dissolves marble and limestone at once: it fizzes and etches.",
    "Use a neutral stone cleaner.",
    "chemistry of carbonates (memory)",
  ),
  caution(
    "strong-acid",
    ["cement-grout"],
    "Acid eats cement grout: it fizzes and goes sandy.",
    "Soak the grout with plain water first, test one joint, keep the dwell short, rinse to neutral.",
    "chemistry of carbonates (memory)",
  ),
  caution(
    "strong-acid",
    ["polyester", "olefin", "acrylic", "foam-backing", "vinyl"],
    "The fibre can take it; things around it may not: metal, grippers, stone at the edge.",
    "Use a milder acid, or keep it off everything else and rinse twice.",
  ),
  caution(
    "strong-acid",
    ["ceramic", "granite"],
    "Glazes and polished granite can dull; some granites carry soft veins.",
    "Test one tile in a corner first.",
  ),

  allowed(
    "acid",
    ["wool", "silk", "nylon", "polyester", "olefin", "acrylic"],
    "A mild acid rinse suits these fibres.",
  ),
  caution(
    "acid",
    ["cotton", "viscose", "plant", "jute-backing", "foam-backing"],
    "If acid dries in, it weakens plant fibre and can pull brown out of a jute backing.",
    "Apply lightly and extract at once.",
  ),
  stop(
    "acid",
    ["calcareous-stone"],
    "Acid etches marble, limestone and travertine at once.",
    "Use a neutral stone cleaner.",
    "chemistry of carbonates (memory)",
  ),
  caution(
    "acid",
    ["cement-grout"],
    "Each acid clean removes a little grout.",
    "Wet the grout with plain water first, keep the dwell short, rinse.",
  ),
  allowed("acid", ["ceramic", "granite", "vinyl"], "For mineral film only: it doesn’t clean grease."),

  allowed("neutral", EVERYTHING, "Between pH 4.5 and 8.5 the pH harms none of these."),

  caution(
    "mild-alkali",
    ["wool", "silk"],
    "Above pH 8.5 wool and silk begin to yellow and felt.",
    "Use a product at pH 4.5 to 8.5, or acid-rinse right after and avoid heat.",
  ),
  caution(
    "mild-alkali",
    ["viscose", "plant", "jute-backing"],
    "Alkali draws brown out of plant fibre as it dries.",
    "Acid-rinse at once, and dry fast.",
  ),
  allowed(
    "mild-alkali",
    ["nylon", "polyester", "olefin", "acrylic", "cotton", "foam-backing"],
    "Safe for these fibres. Rinse so that no residue attracts soil.",
  ),
  allowed("mild-alkali", HARD, "Removes grease and food."),

  stop(
    "alkali",
    ["wool", "silk"],
    "Above pH 10 wool and silk dissolve: pile loss, felting and dye bleed you can’t undo.",
    "Use a product labelled for wool, at pH 4.5 to 8.5.",
  ),
  stop(
    "alkali",
    ["viscose", "plant"],
    "Strong alkali swells and browns plant fibre permanently.",
    "Use a neutral product with little water.",
  ),
  caution(
    "alkali",
    ["jute-backing"],
    "Alkali that reaches jute browns the face.",
    "Apply lightly, extract well, acid-rinse, dry fast.",
  ),
  caution(
    "alkali",
    ["nylon", "cotton"],
    "Above pH 10 nylon loses its stain resist, and cotton can brown.",
    "Use a milder product if the soil allows, and acid-rinse after.",
  ),
  allowed(
    "alkali",
    ["polyester", "olefin", "acrylic", "foam-backing"],
    "Safe for these fibres. Rinse so that no residue attracts soil.",
  ),
  allowed("alkali", ["ceramic", "cement-grout", "granite"], "Removes grease and food."),
  stop(
    "alkali",
    ["calcareous-stone"],
    "Above pH 10 it strips the sealer and roughens polished marble and limestone as it dries.",
    "Use a neutral stone cleaner.",
  ),
  caution(
    "alkali",
    ["vinyl"],
    "It strips polish from vinyl.",
    "Use a neutral cleaner, or tell the customer the polish must be renewed.",
  ),

  stop(
    "strong-alkali",
    ["wool", "silk", "viscose", "plant"],
    "Above pH 11.5 these fibres are destroyed.",
    "Use a product labelled for this fibre.",
  ),
  stop(
    "strong-alkali",
    ["nylon", "cotton", "jute-backing"],
    "Above pH 11.5 nylon loses stain resist and dye, cotton and jute brown.",
    "Use a product below pH 10.",
  ),
  caution(
    "strong-alkali",
    ["polyester", "olefin", "acrylic", "foam-backing"],
    "The fibre can take it; backing adhesive and skin can’t.",
    "Use a milder product if the soil allows; rinse twice.",
  ),
  caution(
    "strong-alkali",
    ["ceramic", "cement-grout", "granite"],
    "For burnt-on grease only: slippery and caustic until rinsed.",
    "Use a milder product if the soil allows; rinse to neutral.",
  ),
  stop(
    "strong-alkali",
    ["calcareous-stone", "vinyl"],
    "As it dries it breaks the surface of soft stone; it also strips and cracks vinyl.",
    "Use a neutral cleaner.",
  ),

  stop(
    "ph-not-known",
    ["wool", "silk", "viscose", "plant", "calcareous-stone"],
    "This product’s pH isn’t entered, and this floor is sensitive to acid and alkali.",
    "Enter its pH as used, from the label or section 9 of the safety data sheet.",
  ),
  caution(
    "ph-not-known",
    but(EVERYTHING, "wool", "silk", "viscose", "plant", "calcareous-stone"),
    "This product’s pH isn’t entered.",
    "Enter its pH as used, from the label or section 9 of the safety data sheet.",
  ),

  stop(
    "oxidiser",
    ["wool", "silk"],
    "Oxygen bleach takes dye out of wool and silk and breaks the fibre.",
    "Use an oxygen product whose label names wool, after a dye test; or none.",
  ),
  caution(
    "oxidiser",
    ["nylon", "cotton", "viscose", "plant", "jute-backing", "acrylic"],
    "It can lighten dye that isn’t solution dyed.",
    "Dye-test in a hidden spot for the whole dwell. Rinse when the label’s time is up.",
  ),
  allowed(
    "oxidiser",
    ["polyester", "olefin", "foam-backing"],
    "Most of these are dyed in the melt and keep their colour. The dye test decides.",
  ),
  allowed(
    "oxidiser",
    ["ceramic", "cement-grout", "granite", "vinyl", "calcareous-stone"],
    "Lifts food and mould stains from grout.",
  ),

  stop(
    "hot-oxidiser",
    ["wool", "silk", "viscose", "plant", "jute-backing"],
    "Heat and an oxidiser together damage the fibre in minutes.",
    "Use water below 50 °C, and a product whose label names this fibre.",
  ),
  caution(
    "hot-oxidiser",
    but(EVERYTHING, "wool", "silk", "viscose", "plant", "jute-backing"),
    "Heat makes an oxidiser work faster than the label’s time.",
    "Use water below 50 °C, or watch it throughout.",
  ),

  stop(
    "chlorine",
    TEXTILE,
    "Chlorine bleach destroys dye and fibre. It dissolves wool and silk.",
    "Use another product. No strength is safe on carpet.",
  ),
  caution(
    "chlorine",
    ["ceramic", "cement-grout"],
    "It bleaches where it splashes and gives off chlorine with any acid.",
    "Only if a label allows it, on its own. Rinse it away before any other product.",
  ),
  stop(
    "chlorine",
    ["calcareous-stone", "granite", "vinyl"],
    "It etches stone, fades vinyl and stays in both.",
    "Use an oxygen product or a neutral cleaner.",
  ),

  caution(
    "chlorine-dioxide",
    but(TEXTILE, "wool", "silk"),
    "Stabilised chlorine dioxide is milder than bleach but still takes some dyes.",
    "Label strength, after a dye test, with nothing acid on it.",
  ),
  stop(
    "chlorine-dioxide",
    ["wool", "silk"],
    "It’s an oxidiser: wool and silk lose dye and strength.",
    "Use an odour product whose label names wool.",
  ),
  allowed("chlorine-dioxide", HARD, "Removes odour from grout. Rinse."),

  stop(
    "reducer",
    ["wool", "silk"],
    "It breaks the sulphur bonds of wool and silk and takes their dye for good.",
    "Leave the stain, or send it to a rug workshop.",
    "wool’s cystine bonds and reducing agents (textbook, memory)",
  ),
  caution(
    "reducer",
    but(TEXTILE, "wool", "silk"),
    "It takes colour out of the carpet as well as the stain.",
    "Dye-test first, trained crew only, an extra charge. Stop at the first colour on the cloth.",
  ),
  allowed("reducer", HARD, "Works on rust and dye in grout."),

  stop("solvent", ["foam-backing"], "Solvent melts foam and its adhesive.", "Use a water-based spotter."),
  caution(
    "solvent",
    but(TEXTILE, "foam-backing"),
    "Solvent that soaks through loosens the backing’s adhesive, and it burns.",
    "Use a cloth only, a little at a time. No flame, windows open, extract at once.",
  ),
  caution(
    "solvent",
    ["vinyl"],
    "Solvent softens and smears vinyl.",
    "Use a neutral cleaner; test in a corner.",
  ),
  allowed(
    "solvent",
    ["ceramic", "cement-grout", "calcareous-stone", "granite"],
    "Removes tar, wax and marker.",
  ),

  caution(
    "enzyme",
    ["wool", "silk"],
    "Enzymes that digest protein also digest wool and silk.",
    "Use one whose label names wool, for the label’s time at most, then acid-rinse.",
    "wool and silk are proteins (memory)",
  ),
  allowed("enzyme", but(EVERYTHING, "wool", "silk"), "Needs time and warmth, and must stay damp."),

  caution(
    "cationic",
    ["nylon"],
    "Cationics (quats and softeners among them) undo nylon’s stain resist and attract soil.",
    "Use a neutral or anionic product on stain-resist nylon.",
  ),
  allowed(
    "cationic",
    but(EVERYTHING, "nylon"),
    "Rinse between this and an anionic detergent: together they leave a sticky film.",
  ),

  caution(
    "hot",
    ["wool", "silk", "viscose", "plant", "jute-backing"],
    "Heat felts wool, shrinks and browns plant fibre.",
    "Use water at the label’s temperature, or 30 °C if it names none.",
  ),
  caution(
    "hot",
    ["olefin", "foam-backing", "vinyl", "acrylic"],
    "Hot water flattens the pile of olefin and acrylic, and loosens glue.",
    "Use water below 60 °C at the head.",
  ),
  allowed(
    "hot",
    ["nylon", "polyester", "cotton", "ceramic", "cement-grout", "calcareous-stone", "granite"],
    "Heat helps here: it loosens grease.",
  ),

  stop(
    "wet",
    ["plant"],
    "Coir, sisal, jute and seagrass shrink, brown and fall apart when wet. No wet cleaning.",
    "Use dry compound, or vacuum and brush only.",
  ),
  stop(
    "wet",
    ["viscose", "silk"],
    "Wet viscose loses half its strength and its pile; silk spots with water.",
    "Use a rug workshop, or damp cleaning by a trained crew.",
    "wet strength of regenerated cellulose (memory)",
  ),
  caution(
    "wet",
    ["wool", "cotton", "jute-backing", "foam-backing"],
    "Too much water shrinks it and draws brown up from the backing.",
    "One wet stroke, three dry, an absorbent pad and air movers at once.",
  ),
  allowed(
    "wet",
    ["nylon", "polyester", "olefin", "acrylic", "ceramic", "granite"],
    "Made for it, if you recover the water.",
  ),
  caution(
    "wet",
    ["vinyl", "cement-grout", "calcareous-stone"],
    "Standing water gets into seams and joints. Wet hard floor is slippery.",
    "Recover it at once; leave signs up until it’s dry.",
  ),

  stop(
    "damp",
    ["plant"],
    "Even damp cleaning browns coir, sisal and jute.",
    "Use dry compound, or vacuum and brush only.",
  ),
  caution(
    "damp",
    ["viscose", "silk"],
    "Pile crushes while it is damp.",
    "Dye-test first, use little moisture, groom while it dries.",
  ),
  allowed("damp", but(EVERYTHING, "plant", "viscose", "silk"), "Little water, so it dries soon."),

  allowed("dry", EVERYTHING, "Vacuum, brush and dry compound suit every floor."),
];
