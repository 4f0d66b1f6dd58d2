import type { CareProduct, Chemistry, Wetting } from "../product.ts";
import type { Agent } from "./agents.ts";

export interface AgentFacts {
  readonly name: string;
  readonly how: string;
  /** What it is like on the floor, for the care rules; undefined: nothing but hands or water. */
  readonly product?: CareProduct;
  /** Put on a cloth, not on the carpet, unless an extractor stands ready. */
  readonly onCloth: boolean;
  /** s it stands before it is blotted or extracted; the product’s label comes first. */
  readonly contact: number;
  /** m³/m² it takes to reach what the spot reaches. */
  readonly rate: number;
  /** What must happen before the next step. */
  readonly rinse: boolean;
  /** Changes colour: only after a pre-test of its own, and with its caution read. */
  readonly gated: boolean;
  /** Matter comes off with it, or colour. */
  readonly takes: "matter" | "colour";
  readonly caution?: string;
  readonly stopWhen: string;
}

const MINUTE = 60;
/** Enough to dampen the pile; urine and milk go down to the backing, so more (common practice). */
const DAMPEN = 0.5e-3;

const STOP_TRANSFER = "Stop when the white cloth stays clean.";

/** What a step wets the floor like: a soak and plain water as wet cleaning, what dampens as damp; a cloth as neither. */
export function wettingOf(agent: Agent): Wetting {
  const { rate, onCloth } = AGENT_FACTS[agent];
  if (onCloth || rate === 0) return "dry";
  return agent === "water" || rate > DAMPEN ? "wet" : "damp";
}

/** All figures: common practice, where no label says otherwise. Nothing here is a recipe: strengths are the label’s. */
export const AGENT_FACTS: Readonly<Record<Agent, AgentFacts>> = {
  "lift-off": {
    name: "Lift off loose matter",
    how: "Scrape with a blunt edge from the rim inwards. Vacuum. Blot wet matter with a white cloth.",
    onCloth: true,
    contact: 0,
    rate: 0,
    rinse: false,
    gated: false,
    takes: "matter",
    stopWhen: "Stop when nothing more lifts.",
  },
  freeze: {
    name: "Freeze and break",
    how: "Chill with cold spray or bagged ice until brittle. Break it and vacuum at once.",
    onCloth: true,
    contact: 2 * MINUTE,
    rate: 0,
    rinse: false,
    gated: false,
    takes: "matter",
    caution: "Cold spray burns skin: wear gloves.",
    stopWhen: "Stop when only a film is left.",
  },
  water: {
    name: "Plain water",
    how: "Dampen, wait, blot, and extract if you have a vacuum. Never rub.",
    onCloth: false,
    contact: MINUTE,
    rate: DAMPEN,
    rinse: false,
    gated: false,
    takes: "matter",
    product: { phInUse: 7 },
    stopWhen: STOP_TRANSFER,
  },
  neutral: {
    name: "Neutral spotter",
    how: "Dampen from the rim inwards, tamp lightly, blot or extract.",
    onCloth: false,
    contact: 3 * MINUTE,
    rate: DAMPEN,
    rinse: true,
    gated: false,
    takes: "matter",
    product: { phInUse: 7, chemistry: ["anionic"] },
    stopWhen: STOP_TRANSFER,
  },
  acid: {
    name: "Acid spotter",
    how: "For coffee, tea, wine and browning. Dampen, wait, blot or extract.",
    onCloth: false,
    contact: 3 * MINUTE,
    rate: DAMPEN,
    rinse: true,
    gated: false,
    takes: "matter",
    product: { phInUse: 3.5 },
    caution: "Keep away from anything with chlorine. Wear gloves and goggles.",
    stopWhen: STOP_TRANSFER,
  },
  enzyme: {
    name: "Enzyme digester",
    how: "Soak as deep as the spot went, cover to keep it damp, extract when the label’s time is up.",
    onCloth: false,
    contact: 12 * MINUTE,
    rate: 2 * DAMPEN,
    rinse: true,
    gated: false,
    takes: "matter",
    product: { phInUse: 8, chemistry: ["enzyme"] },
    stopWhen: "Stop when the label’s time is up and the cloth stays clean.",
  },
  alkali: {
    name: "Alkaline spotter",
    how: "For food and protein. Dampen, wait, blot or extract. Acid-rinse after.",
    onCloth: false,
    contact: 3 * MINUTE,
    rate: DAMPEN,
    rinse: true,
    gated: false,
    takes: "matter",
    product: { phInUse: 10.5, chemistry: ["ammonia"] },
    caution: "Open a window; wear gloves and goggles. Never with chlorine.",
    stopWhen: STOP_TRANSFER,
  },
  spirit: {
    name: "Spirit on a cloth",
    how: "Wet the cloth, not the carpet. Press, turn to a clean side, press again.",
    onCloth: true,
    contact: MINUTE,
    rate: DAMPEN / 5,
    rinse: true,
    gated: false,
    takes: "matter",
    product: { phInUse: 7, chemistry: ["alcohol"] },
    caution: "It burns and attacks the backing: no flame, windows open, cloth only.",
    stopWhen: STOP_TRANSFER,
  },
  solvent: {
    name: "Solvent gel",
    how: "A little on a cloth or spatula. Work it in, wait, lift off with a neutral spotter.",
    onCloth: true,
    contact: 3 * MINUTE,
    rate: DAMPEN / 5,
    rinse: true,
    gated: false,
    takes: "matter",
    product: { phInUse: 7, chemistry: ["solvent"] },
    caution: "It burns and loosens backing: use little, no flame, windows open, extract at once.",
    stopWhen: STOP_TRANSFER,
  },
  "rust-remover": {
    name: "Rust remover",
    how: "One drop at a time until the colour goes, then rinse well.",
    onCloth: false,
    contact: 2 * MINUTE,
    rate: DAMPEN / 5,
    rinse: true,
    gated: true,
    takes: "matter",
    product: { phInUse: 2.5 },
    caution:
      "Rust acids can poison through the skin. Read the data sheet first, wear gloves and goggles, never work alone.",
    stopWhen: "Stop when the orange is gone.",
  },
  peroxide: {
    name: "Oxygen bleach at label strength",
    how: "Dampen only the stain and watch it. Rinse once the colour is gone or the label’s time is up.",
    onCloth: false,
    contact: 15 * MINUTE,
    rate: DAMPEN,
    rinse: true,
    gated: true,
    takes: "colour",
    product: { phInUse: 8, chemistry: ["peroxide"] },
    caution: "It also takes the carpet’s colour. It burns skin: wear gloves and goggles. No heat.",
    stopWhen: "Stop if carpet beside the stain lightens.",
  },
  reducer: {
    name: "Reducing agent at label strength",
    how: "Dampen only the stain and watch it. Rinse, then acid-rinse as the label says.",
    onCloth: false,
    contact: 10 * MINUTE,
    rate: DAMPEN,
    rinse: true,
    gated: true,
    takes: "colour",
    product: { phInUse: 7, chemistry: ["reducer"] },
    caution:
      "It also takes the carpet’s colour, and gives off gas: open the windows. Never after an oxidiser without a rinse.",
    stopWhen: "Stop if carpet beside the stain lightens.",
  },
  "heat-transfer": {
    name: "Heat transfer",
    how: "Lay a damp white cloth on the dampened stain. Iron on low for seconds, lift, check, use a clean side.",
    onCloth: false,
    contact: 20,
    rate: DAMPEN,
    rinse: true,
    gated: true,
    takes: "colour",
    product: { phInUse: 8, chemistry: ["ammonia"], waterTemperature: 90 },
    caution:
      "Trained crew only. Never on wool or olefin. Keep iron and cord away from water and check every few seconds.",
    stopWhen: "Stop when no more colour comes off, or the pile starts to shine.",
  },
};

/** Steps that need nothing off the shelf: hands, cold, water, an iron. */
const BY_HAND: readonly Agent[] = ["lift-off", "freeze", "water", "heat-transfer"];
export const needsProduct = (agent: Agent) => !BY_HAND.includes(agent);

/** What a step asks of a product: chemistry it must have one of, none it may have, and where it stands in use. */
interface Asked {
  readonly oneOf?: readonly Chemistry[];
  readonly noneOf: readonly Chemistry[];
  readonly ph: readonly [number, number];
}

const REACTIVE: readonly Chemistry[] = [
  "peroxide",
  "percarbonate",
  "chlorine",
  "chlorite",
  "chlorine-dioxide",
  "reducer",
];
const VOLATILE: readonly Chemistry[] = ["solvent", "alcohol"];
/** What a spotter that works by its pH alone has none of. */
const NOT_PLAIN: readonly Chemistry[] = [...REACTIVE, ...VOLATILE, "ammonia", "enzyme", "cationic"];
const ANY_PH = [0, 14] as const;

/** By what it is, and by its pH in use: an enzyme works from neutral to mildly alkaline, a neutral spotter is no quat. */
const ASKED: Readonly<Partial<Record<Agent, Asked>>> = {
  neutral: { noneOf: NOT_PLAIN, ph: [4.5, 8.5] },
  acid: { noneOf: NOT_PLAIN, ph: [3, 4.499] },
  enzyme: { oneOf: ["enzyme"], noneOf: [...REACTIVE, ...VOLATILE], ph: [4.5, 10] },
  alkali: { noneOf: [...REACTIVE, ...VOLATILE, "enzyme", "cationic"], ph: [8.501, 11.5] },
  spirit: { oneOf: ["alcohol"], noneOf: [...REACTIVE, "solvent"], ph: ANY_PH },
  solvent: { oneOf: ["solvent"], noneOf: REACTIVE, ph: ANY_PH },
  "rust-remover": { noneOf: NOT_PLAIN, ph: [0, 2.999] },
  peroxide: {
    oneOf: ["peroxide", "percarbonate"],
    noneOf: ["chlorine", "chlorite", "chlorine-dioxide", "reducer", ...VOLATILE],
    ph: [4.5, 11.5],
  },
  reducer: {
    oneOf: ["reducer"],
    noneOf: ["peroxide", "percarbonate", "chlorine", "chlorite", "chlorine-dioxide", ...VOLATILE],
    ph: [4.5, 10],
  },
};

/** Of these a pH nobody has read says nothing: they are what they are by what is in them. */
const PH_SAYS_NOTHING: readonly Agent[] = ["spirit", "solvent"];

/** Whether a product off the shelf is what a step asks for: by what is in it and where it stands in use. */
export function fitsAgent(agent: Agent, { phInUse, chemistry = [] }: CareProduct): boolean {
  const asked = ASKED[agent];
  if (!asked) return false;
  const has = (some: readonly Chemistry[]) => some.some((each) => chemistry.includes(each));
  if (has(asked.noneOf) || (asked.oneOf && !has(asked.oneOf))) return false;
  if (phInUse === undefined) return PH_SAYS_NOTHING.includes(agent);
  return phInUse >= asked.ph[0] && phInUse <= asked.ph[1];
}
