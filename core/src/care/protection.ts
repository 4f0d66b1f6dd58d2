import { type CareProduct, type Chemistry, phBand } from "./product.ts";

export const PROTECTIVE_MEASURES = ["gloves", "goggles", "apron", "ventilation", "no-flame"] as const;
export type ProtectiveMeasure = (typeof PROTECTIVE_MEASURES)[number];

/** What to wear and do, and why. */
export interface Protection {
  readonly gear: ProtectiveMeasure;
  readonly why: string;
}

const BY_CHEMISTRY: Partial<Record<Chemistry, readonly Protection[]>> = {
  peroxide: [
    { gear: "gloves", why: "peroxide whitens and burns skin" },
    { gear: "goggles", why: "peroxide burns eyes" },
  ],
  percarbonate: [
    { gear: "goggles", why: "the powder burns eyes" },
    { gear: "gloves", why: "it whitens and burns skin" },
  ],
  chlorine: [
    { gear: "goggles", why: "bleach burns eyes" },
    { gear: "apron", why: "bleach ruins what it splashes" },
    { gear: "ventilation", why: "bleach gives off gas" },
  ],
  chlorite: [
    { gear: "goggles", why: "it burns eyes" },
    { gear: "ventilation", why: "it gives off gas" },
  ],
  "chlorine-dioxide": [{ gear: "ventilation", why: "it gives off a little gas" }],
  ammonia: [{ gear: "ventilation", why: "ammonia bites nose and lungs" }],
  solvent: [
    { gear: "ventilation", why: "solvent vapour makes dizzy" },
    { gear: "no-flame", why: "solvent vapour burns" },
  ],
  alcohol: [
    { gear: "ventilation", why: "spirit gives off vapour" },
    { gear: "no-flame", why: "spirit burns" },
  ],
  reducer: [{ gear: "ventilation", why: "it gives off sulphur dioxide" }],
};

/** What a person must wear and do where several products are mixed: each thing once. */
export function protectionOf(products: readonly CareProduct[]): Protection[] {
  const needed = products.flatMap(protectionFor);
  return PROTECTIVE_MEASURES.flatMap((gear) => needed.find((each) => each.gear === gear) ?? []);
}

/**
 * What a person must wear and do with a product where it is mixed: gloves and goggles always, more by its chemistry and
 * by the stronger of concentrate and mix, each once with its first reason. Common practice; the label and section 8 of the
 * safety data sheet come first.
 */
export function protectionFor(product: CareProduct): Protection[] {
  const bands = [product.phConcentrate, product.phInUse].filter((ph) => ph !== undefined).map(phBand);
  const unread = bands.length === 0;
  const corrosive = unread || bands.some((band) => band === "strong-acid" || band === "strong-alkali");
  const needed: Protection[] = [
    ...(product.chemistry ?? []).flatMap((each) => BY_CHEMISTRY[each] ?? []),
    ...(corrosive
      ? [
          { gear: "goggles", why: unread ? "its pH isn’t known" : "it burns eyes" } as const,
          { gear: "apron", why: unread ? "its pH isn’t known" : "it burns skin" } as const,
        ]
      : []),
    { gear: "goggles", why: "concentrate that splashes stings eyes" },
    { gear: "gloves", why: "concentrate dries and reddens skin" },
  ];
  return PROTECTIVE_MEASURES.flatMap((gear) => needed.find((each) => each.gear === gear) ?? []);
}
