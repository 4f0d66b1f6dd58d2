import type {
  AttemptResult,
  Chemistry,
  LabelFloor,
  Material,
  Nature,
  ProductFloors,
  Protection,
  ProtectiveMeasure,
  Reactant,
  Reason,
  SpotAge,
  Trait,
  Verdict,
} from "@scutch/core/care";

/** Words of the care rules. They come with the screens that speak them, not with the first load. */
type Named<T extends string> = Readonly<Record<T, string>>;

export const MATERIAL_NAMES: Named<Material> = {
  nylon: "nylon",
  polyester: "polyester",
  olefin: "olefin",
  acrylic: "acrylic",
  wool: "wool",
  silk: "silk",
  cotton: "cotton",
  viscose: "viscose",
  plant: "plant fibre",
  "jute-backing": "jute backing",
  "foam-backing": "foam backing",
  ceramic: "ceramic tile",
  "cement-grout": "cement grout",
  "calcareous-stone": "marble, limestone or unknown stone",
  granite: "granite or slate",
  vinyl: "vinyl",
};
/** Fibres and hard floors as a label's lists are tapped; without commas, as a CSV parts its lists by them. */
export const LABEL_FLOOR_NAMES: Named<LabelFloor> = {
  nylon: "Nylon",
  polyester: "Polyester",
  olefin: "Olefin",
  acrylic: "Acrylic",
  wool: "Wool",
  silk: "Silk",
  cotton: "Cotton",
  viscose: "Viscose",
  plant: "Plant fibre",
  ceramic: "Ceramic tile",
  stone: "Marble or limestone",
  granite: "Granite or slate",
  vinyl: "Vinyl",
};
export const TRAIT_NAMES: Named<Trait> = {
  "strong-acid": "Strong acid, below pH 3",
  acid: "Acid, pH 3 to 4.5",
  neutral: "Neutral, pH 4.5 to 8.5",
  "mild-alkali": "Mild alkali, pH 8.5 to 10",
  alkali: "Alkali, pH 10 to 11.5",
  "strong-alkali": "Strong alkali, above pH 11.5",
  "ph-not-known": "pH not entered",
  oxidiser: "Oxygen bleach",
  "hot-oxidiser": "Hot oxygen bleach",
  chlorine: "Chlorine",
  "chlorine-dioxide": "Chlorine dioxide",
  reducer: "Reducing agent",
  solvent: "Solvent or spirit",
  enzyme: "Enzyme",
  cationic: "Cationic",
  hot: "Hot water",
  wet: "Wet cleaning",
  damp: "Damp cleaning",
  dry: "Dry cleaning",
};
/** Where a rule comes from, for who reads it: that it was written down without the book at hand is for docs/sources.md. */
export const sourceWords = (source: string) => source.replace(/,? ?\(?(?:textbook, )?memory\)?$/, "").trim();

export const VERDICT_NAMES: Named<Verdict> = { allowed: "Allowed", caution: "Caution", stop: "Stop" };
export const GEAR_NAMES: Named<ProtectiveMeasure> = {
  gloves: "Gloves",
  goggles: "Goggles",
  apron: "Apron",
  ventilation: "Open windows",
  "no-flame": "No flame",
};
export const CHEMISTRY_NAMES: Named<Chemistry> = {
  peroxide: "peroxide",
  percarbonate: "oxygen powder (percarbonate)",
  chlorine: "chlorine bleach",
  chlorite: "chlorite",
  "chlorine-dioxide": "stabilised chlorine dioxide (odour)",
  reducer: "reducing agent",
  solvent: "solvent",
  alcohol: "alcohol",
  ammonia: "ammonia",
  enzyme: "enzyme",
  cationic: "cationic (quat, softener)",
  anionic: "anionic detergent",
};
export const REACTANT_NAMES: Named<Reactant> = {
  ...CHEMISTRY_NAMES,
  acid: "acid",
  "weak-acid": "anything under pH 7",
  unread: "anything with no pH entered",
  heat: "an iron or hot water",
  "closed-vessel": "a closed sprayer or bottle",
  "strong-acid": "strong acid",
  "acid-to-5": "acid up to pH 5",
  "acid-to-4": "acid up to pH 4",
  "alkali-from-10": "alkali from pH 10",
  alkali: "alkali",
  "strong-alkali": "strong alkali",
};
export const NATURE_NAMES: Named<Nature> = {
  spot: "Matter on it",
  stain: "Colour changed",
  "not-sure": "Not sure",
};
export const SPOT_AGE_NAMES: Named<SpotAge> = { fresh: "Fresh", old: "Old", set: "Set by heat or time" };
export const RESULT_NAMES: Named<AttemptResult> = {
  gone: "Gone",
  better: "Better",
  "no-change": "No change",
  worse: "Worse",
};

export const PRODUCT_FLOOR_NAMES: Named<ProductFloors> = {
  carpet: "Carpet",
  hard: "Hard floors",
  any: "Both",
};

export const capital = (text: string) => `${text[0]?.toUpperCase() ?? ""}${text.slice(1)}`;

/** What a reason is about: "Alkali on wool". */
export function reasonTitle({ trait, material }: Reason): string {
  if (trait === "floors") return `Not made for ${MATERIAL_NAMES[material]}`;
  if (trait === "label") return `The label forbids ${MATERIAL_NAMES[material]}`;
  return `${capital(TRAIT_NAMES[trait].split(",")[0] ?? "")} on ${MATERIAL_NAMES[material]}`;
}

const WORN: readonly ProtectiveMeasure[] = ["gloves", "goggles", "apron"];

/** What to wear and do, in one line: "Wear gloves, goggles. Open windows." */
export function protectionText(list: readonly Protection[]): string {
  const gear = list.map((each) => each.gear);
  const worn = gear.filter((each) => WORN.includes(each)).map((each) => GEAR_NAMES[each].toLowerCase());
  const done = gear.filter((each) => !WORN.includes(each)).map((each) => `${GEAR_NAMES[each]}.`);
  return [`Wear ${worn.join(", ")}.`, ...done].join(" ");
}
