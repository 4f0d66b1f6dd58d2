/** Ways of cleaning a floor that the plan knows; the spinner is for hard floors. */
export const METHODS = [
  "extraction",
  "self-contained",
  "low-moisture",
  "dry-foam",
  "dry-compound",
  "spinner",
] as const;
export type Method = (typeof METHODS)[number];

/** Litres a minute of an industry-size-1 nozzle (0.1 US gal/min) at its rated 40 psi, as m³/s. */
const SIZE_1_FLOW = (0.1 * 3.785411784e-3) / 60;

/** How a method lays water down and takes it up. SI. */
export interface MethodFigures {
  /** Strokes of the head with the jets on, then with vacuum alone. */
  readonly wetStrokes: number;
  readonly dryStrokes: number;
  /** Passes of an absorbent pad. */
  readonly padPasses: number;
  /** Width of the head and what one stroke covers again of the last, m. */
  readonly headWidth: number;
  readonly overlap: number;
  /** m/s. */
  readonly strokeSpeed: number;
  /** Flow of all the jets together at 2.76 bar, m³/s, and the pressure they are run at, bar. */
  readonly ratedJetFlow: number;
  readonly pressure: number;
  /** Suction at the head over the reference one; see {@link takenByStroke}. */
  readonly relativeAirflow: number;
  /** Whether it wets the floor, dampens it, or neither. */
  readonly wetting: "wet" | "damp" | "dry";
  /** s that what was laid down does its work beyond its dwell, whatever the air: a foam falls. */
  readonly standsFor?: number;
  /** What was laid down dries to a powder that is vacuumed up then. */
  readonly vacuumDry?: boolean;
  /** kg/m² it leaves whatever went on, where there is no pile to hold more. */
  readonly film?: number;
}

/**
 * Defaults until the van's own heads and jets are known. Strokes, overlap: common practice. Widths, jets, pressures
 * and speeds: common practice, chosen so that extraction goes at 150–230 m²/h and leaves about 0.2 kg/m² on 8 mm pile.
 */
export const METHOD_FIGURES: Record<Method, MethodFigures> = {
  extraction: {
    wetStrokes: 1,
    dryStrokes: 2,
    padPasses: 0,
    headWidth: 0.36,
    overlap: 0.05,
    strokeSpeed: 0.45,
    ratedJetFlow: 6 * SIZE_1_FLOW,
    pressure: 27.6,
    relativeAirflow: 1,
    wetting: "wet",
  },
  "self-contained": {
    wetStrokes: 1,
    dryStrokes: 3,
    padPasses: 0,
    headWidth: 0.41,
    overlap: 0.05,
    strokeSpeed: 0.35,
    ratedJetFlow: 4 * SIZE_1_FLOW,
    pressure: 6.9,
    relativeAirflow: 0.6,
    wetting: "wet",
  },
  "low-moisture": {
    wetStrokes: 0,
    dryStrokes: 0,
    padPasses: 2,
    headWidth: 0.43,
    overlap: 0.1,
    strokeSpeed: 0.3,
    ratedJetFlow: 0,
    pressure: 2.76,
    relativeAirflow: 0,
    wetting: "damp",
  },
  "dry-foam": {
    wetStrokes: 0,
    dryStrokes: 0,
    padPasses: 2,
    headWidth: 0.43,
    overlap: 0.1,
    strokeSpeed: 0.3,
    ratedJetFlow: 0,
    pressure: 2.76,
    relativeAirflow: 0,
    wetting: "damp",
    // Chosen so that no more than 3 m² at a time comes out, as is common practice.
    standsFor: 120,
    vacuumDry: true,
  },
  "dry-compound": {
    wetStrokes: 0,
    dryStrokes: 2,
    padPasses: 0,
    headWidth: 0.38,
    overlap: 0.05,
    strokeSpeed: 0.25,
    ratedJetFlow: 0,
    pressure: 2.76,
    relativeAirflow: 0,
    wetting: "dry",
  },
  spinner: {
    wetStrokes: 2,
    dryStrokes: 0,
    padPasses: 0,
    headWidth: 0.38,
    overlap: 0.08,
    strokeSpeed: 0.25,
    ratedJetFlow: 4 * SIZE_1_FLOW,
    pressure: 55,
    relativeAirflow: 1,
    wetting: "wet",
    // A wet film on tile goes in about 7 min with air on it (common practice).
    film: 0.02,
  },
};

/** A small head overlaps by less than 5 cm: at most this share of its width (assumption). */
const MAX_OVERLAP = 0.25;

/** A stroke's effective width, m: head less overlap; half the head on heavy soil, which so never gets less (common practice). */
export function effectiveWidth({ headWidth, overlap }: MethodFigures, soil: number): number {
  return soil >= 4 ? headWidth / 2 : headWidth - Math.min(overlap, MAX_OVERLAP * headWidth);
}
