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
    "A product used at pH 3 or above.",
  ),
  stop(
    "strong-acid",
    ["cotton", "viscose", "plant", "jute-backing"],
    "Strong acid breaks plant fibre down: it tenders, then tears.",
    "A product used at pH 4.5 or above.",
  ),
  stop(
    "strong-acid",
    ["calcareous-stone"],
    "Acid dissolves marble and limestone at once: it fizzes and etches.",
    "A neutral stone cleaner.",
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
    "The fibre stands it, what lies around may not: metal, grippers, stone at the edge.",
    "A milder acid, or keep it off everything else and rinse twice.",
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
    "Left to dry in, acid weakens plant fibre; it can also pull brown out of a jute back.",
    "Keep it light and extract at once.",
  ),
  stop(
    "acid",
    ["calcareous-stone"],
    "Acid etches marble, limestone and travertine at once.",
    "A neutral stone cleaner.",
    "chemistry of carbonates (memory)",
  ),
  caution(
    "acid",
    ["cement-grout"],
    "Acid eats a little of the grout each time.",
    "Wet the grout with plain water first, keep the dwell short, rinse.",
  ),
  allowed("acid", ["ceramic", "granite", "vinyl"], "For mineral film only: it does nothing against grease."),

  allowed("neutral", EVERYTHING, "Between pH 4.5 and 8.5 the product itself harms none of these."),

  caution(
    "mild-alkali",
    ["wool", "silk"],
    "Above pH 8.5 wool and silk begin to yellow and felt.",
    "A product used at pH 4.5 to 8.5, or an acid rinse right after and no heat.",
  ),
  caution(
    "mild-alkali",
    ["viscose", "plant", "jute-backing"],
    "Alkali draws brown out of plant fibre as it dries.",
    "An acid rinse at once, and fast drying.",
  ),
  allowed(
    "mild-alkali",
    ["nylon", "polyester", "olefin", "acrylic", "cotton", "foam-backing"],
    "These fibres stand it; rinse so that no residue draws soil.",
  ),
  allowed("mild-alkali", HARD, "What grease and food come off with."),

  stop(
    "alkali",
    ["wool", "silk"],
    "Above pH 10 wool and silk dissolve: pile loss, felting, dye bleed that nothing undoes.",
    "A product labelled for wool, used at pH 4.5 to 8.5.",
  ),
  stop(
    "alkali",
    ["viscose", "plant"],
    "Strong alkali swells and browns plant fibre for good.",
    "A neutral product with little water.",
  ),
  caution(
    "alkali",
    ["jute-backing"],
    "Alkali that reaches jute browns through to the face.",
    "Little of it, extract well, acid rinse, dry fast.",
  ),
  caution(
    "alkali",
    ["nylon", "cotton"],
    "Above pH 10 nylon’s stain resist comes off, and cotton can brown.",
    "A milder product where soil allows, and an acid rinse after.",
  ),
  allowed(
    "alkali",
    ["polyester", "olefin", "acrylic", "foam-backing"],
    "These fibres stand it; rinse so that no residue draws soil.",
  ),
  allowed("alkali", ["ceramic", "cement-grout", "granite"], "What grease and food come off with."),
  caution(
    "alkali",
    ["calcareous-stone", "vinyl"],
    "It strips sealer from stone and polish from vinyl.",
    "A neutral cleaner, or tell the customer that sealer or polish must be renewed.",
  ),

  stop(
    "strong-alkali",
    ["wool", "silk", "viscose", "plant"],
    "Above pH 11.5 these fibres are destroyed.",
    "A product labelled for this fibre.",
  ),
  stop(
    "strong-alkali",
    ["nylon", "cotton", "jute-backing"],
    "Above pH 11.5 nylon loses stain resist and dye, cotton and jute brown.",
    "A product used below pH 10.",
  ),
  caution(
    "strong-alkali",
    ["polyester", "olefin", "acrylic", "foam-backing"],
    "The fibre stands it; backing adhesive and skin do not.",
    "A milder product where soil allows; rinse twice.",
  ),
  caution(
    "strong-alkali",
    ["ceramic", "cement-grout", "granite"],
    "For burnt-on grease only: slippery and caustic until rinsed.",
    "A milder product where soil allows; rinse to neutral.",
  ),
  stop(
    "strong-alkali",
    ["calcareous-stone", "vinyl"],
    "It bursts the surface of soft stone as it dries, and strips and cracks vinyl.",
    "A neutral cleaner.",
  ),

  stop(
    "ph-not-known",
    ["wool", "silk", "viscose", "plant", "calcareous-stone"],
    "Nobody has read this product’s pH, and this floor stands little either way.",
    "Type its pH in use from the label or section 9 of the safety data sheet.",
  ),
  caution(
    "ph-not-known",
    but(EVERYTHING, "wool", "silk", "viscose", "plant", "calcareous-stone"),
    "Nobody has read this product’s pH.",
    "Type its pH in use from the label or section 9 of the safety data sheet.",
  ),

  stop(
    "oxidiser",
    ["wool", "silk"],
    "Oxygen bleach takes dye out of wool and silk and breaks the fibre.",
    "An oxygen product whose own label names wool, pre-tested; or none.",
  ),
  caution(
    "oxidiser",
    ["nylon", "cotton", "viscose", "plant", "jute-backing", "acrylic"],
    "It can lighten dye that isn’t solution dyed.",
    "Pre-test in a hidden place for the whole dwell; rinse when the label’s time is up.",
  ),
  allowed(
    "oxidiser",
    ["polyester", "olefin", "foam-backing"],
    "Most of these are dyed in the melt and keep their colour; the dye test decides.",
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
    "Water below 50 °C, and a product whose label names this fibre.",
  ),
  caution(
    "hot-oxidiser",
    but(EVERYTHING, "wool", "silk", "viscose", "plant", "jute-backing"),
    "Heat makes an oxidiser quicker than its label’s time.",
    "Water below 50 °C, or watch it all through.",
  ),

  stop(
    "chlorine",
    TEXTILE,
    "Chlorine bleach destroys dye and fibre; on wool and silk it dissolves them.",
    "Another product. There is no safe strength on carpet.",
  ),
  caution(
    "chlorine",
    ["ceramic", "cement-grout"],
    "It bleaches what it splashes, and gives off chlorine with any acid.",
    "Where a label allows it, alone, rinsed away before anything else comes near.",
  ),
  stop(
    "chlorine",
    ["calcareous-stone", "granite", "vinyl"],
    "It etches stone, fades vinyl and stays in both.",
    "An oxygen product or a neutral cleaner.",
  ),

  caution(
    "chlorine-dioxide",
    but(TEXTILE, "wool", "silk"),
    "Stabilised chlorine dioxide is milder than bleach and still takes some dyes.",
    "At the label’s strength, pre-tested, and nothing acid on it.",
  ),
  stop(
    "chlorine-dioxide",
    ["wool", "silk"],
    "It is an oxidiser: wool and silk lose dye and strength.",
    "An odour product whose label names wool.",
  ),
  allowed("chlorine-dioxide", HARD, "Takes smell out of grout; rinse."),

  stop(
    "reducer",
    ["wool", "silk"],
    "It breaks the sulphur bonds wool and silk stand by, and takes their dye: what it takes doesn’t come back.",
    "Leave the stain, or a rug workshop.",
    "wool’s cystine bonds and reducing agents (textbook, memory)",
  ),
  caution(
    "reducer",
    but(TEXTILE, "wool", "silk"),
    "It takes colour out of the carpet as well as out of the stain.",
    "Pre-test, trained hands, a price apart; stop at the first sign of colour on the cloth.",
  ),
  allowed("reducer", HARD, "Works on rust and dye in grout."),

  stop("solvent", ["foam-backing"], "Solvent melts foam and its adhesive.", "A water-based spotter."),
  caution(
    "solvent",
    but(TEXTILE, "foam-backing"),
    "Solvent that goes through loosens the backing’s adhesive and burns.",
    "On a cloth only, little at a time, no flame, windows open, extract at once.",
  ),
  caution("solvent", ["vinyl"], "Solvent softens and smears vinyl.", "A neutral cleaner; test in a corner."),
  allowed(
    "solvent",
    ["ceramic", "cement-grout", "calcareous-stone", "granite"],
    "Takes off tar, wax and marker.",
  ),

  caution(
    "enzyme",
    ["wool", "silk"],
    "Enzymes that digest protein digest wool and silk too.",
    "One whose label names wool, for no longer than the label’s time, then an acid rinse.",
    "wool and silk are proteins (memory)",
  ),
  allowed("enzyme", but(EVERYTHING, "wool", "silk"), "Needs its time and warmth, and must stay damp."),

  caution(
    "cationic",
    ["nylon"],
    "Cationics, quats and softeners among them, undo the stain resist of nylon and draw soil.",
    "Not on stain-resist nylon; a neutral or anionic product.",
  ),
  allowed(
    "cationic",
    but(EVERYTHING, "nylon"),
    "Not before or after an anionic detergent without a rinse: together they leave a sticky film.",
  ),

  caution(
    "hot",
    ["wool", "silk", "viscose", "plant", "jute-backing"],
    "Heat felts wool, shrinks and browns plant fibre.",
    "Water at the label’s temperature, 30 °C where it names none.",
  ),
  caution(
    "hot",
    ["olefin", "foam-backing", "vinyl", "acrylic"],
    "Hot water flattens the pile of olefin and acrylic, and loosens glue.",
    "Below 60 °C at the head.",
  ),
  allowed(
    "hot",
    ["nylon", "polyester", "cotton", "ceramic", "cement-grout", "calcareous-stone", "granite"],
    "Heat helps here: grease lets go.",
  ),

  stop(
    "wet",
    ["plant"],
    "Coir, sisal, jute and seagrass shrink, brown and come apart when wet: no wet cleaning at all.",
    "Dry compound or vacuum and brush only.",
  ),
  stop(
    "wet",
    ["viscose", "silk"],
    "Wet viscose loses half its strength and its pile; silk spots with water.",
    "A rug workshop, or damp cleaning by trained hands.",
    "wet strength of regenerated cellulose (memory)",
  ),
  caution(
    "wet",
    ["wool", "cotton", "jute-backing", "foam-backing"],
    "Over-wetting shrinks it and draws brown up from the back.",
    "One wet stroke, three dry, an absorbent pad and moving air at once.",
  ),
  allowed(
    "wet",
    ["nylon", "polyester", "olefin", "acrylic", "ceramic", "granite"],
    "Made for it, as long as it is taken up again.",
  ),
  caution(
    "wet",
    ["vinyl", "cement-grout", "calcareous-stone"],
    "Water that stands goes into seams and joints; wet hard floor is slippery.",
    "Take it up at once; signs until it is dry.",
  ),

  stop(
    "damp",
    ["plant"],
    "Even damp cleaning browns coir, sisal and jute.",
    "Dry compound or vacuum and brush only.",
  ),
  caution(
    "damp",
    ["viscose", "silk"],
    "Pile crushes while it is damp.",
    "Pre-test, little moisture, groom while it dries.",
  ),
  allowed("damp", but(EVERYTHING, "plant", "viscose", "silk"), "Little water: dry soon."),

  allowed("dry", EVERYTHING, "Vacuum, brush and dry compound suit every floor."),
];
