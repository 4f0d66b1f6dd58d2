import { itemAt, OutOfRange } from "@scutch/core";
import { CHEMISTRIES, LABEL_FLOORS, PRODUCT_FLOORS, PRODUCT_KINDS } from "@scutch/core/care";
import { concentratePerWater, POWDER_SPELLINGS, STRENGTH_SPELLINGS } from "@scutch/core/mix";
import * as z from "zod";
import { ProductId } from "./ids.ts";
import { Name, quantity, Seconds } from "./quantity.ts";

/** Concentrate per water, or NaN for a strength that can't be mixed: comparisons with it are all false. */
function mixable(strength: Parameters<typeof concentratePerWater>[0]): number {
  try {
    return concentratePerWater(strength);
  } catch (error) {
    if (error instanceof OutOfRange) return Number.NaN;
    throw error;
  }
}

/** A strength as its label spells it, so that nothing drifts when people switch units. */
export const Strength = z
  .strictObject({
    spelling: z.enum(STRENGTH_SPELLINGS).meta({
      description:
        "one-to-n: 1 part to n of water · one-in-n: 1 part in n of mix · fl-oz-per-gal and ml-per-litre: per volume of water · percent: of the finished mix · powders: g-per-litre and oz-weight-per-gal of water",
    }),
    value: z.number().min(0).max(100_000),
  })
  .superRefine((strength, context) => {
    if (Number.isNaN(mixable(strength)))
      context.addIssue({ code: "custom", path: ["value"], params: { code: "strength-out-of-range" } });
  })
  .meta({ id: "Strength" });

const Floors = z.array(z.enum(LABEL_FLOORS)).max(LABEL_FLOORS.length);

/** A product as its label has it. The label and the safety data sheet come before anything said here. */
export const Product = z
  .strictObject({
    id: ProductId,
    name: Name,
    kind: z.enum(PRODUCT_KINDS),
    ratioMeans: z
      .enum(["one-to-n", "one-in-n"])
      .meta({ description: "What 1:n means on this label: one part to n of water, or one part in n of mix" }),
    light: Strength,
    ordinary: Strength,
    heavy: Strength,
    dwellLeast: Seconds("Dwell time: the label’s minimum"),
    dwellMost: Seconds("Maximum dwell: the label’s longest"),
    scoop: quantity("kg", [1e-4, 5], "A level scoop holds; present: the product is a powder").optional(),
    packSize: quantity("m³ of liquid or kg of powder", [1e-6, 1000]).optional(),
    packPrice: quantity("the crew’s currency", [0, 100_000]).optional(),
    potLife: Seconds("Use within, once mixed; absent: all day").optional(),
    waterTemperature: quantity("°C", [0, 95], "Temperature of the water it is mixed with").optional(),
    phInUse: quantity("pH", [0, 14], "As used on the floor, from the label or data sheet").optional(),
    phConcentrate: quantity("pH", [0, 14], "In the bottle").optional(),
    chemistry: z
      .array(z.enum(CHEMISTRIES))
      .max(CHEMISTRIES.length)
      .optional()
      .meta({ description: "Reactive contents, from the data sheet" }),
    floors: z
      .enum(PRODUCT_FLOORS)
      .optional()
      .meta({ description: "Floors its label is for; by its kind if absent" }),
    treats: z
      .enum(["before", "after"])
      .optional()
      .meta({ description: "When an odour treatment goes on: before or after cleaning; after if absent" }),
    labelAllows: Floors.optional().meta({ description: "Fibres and hard floors the label says are safe" }),
    labelForbids: Floors.optional().meta({
      description: "Fibres and hard floors the label says not to use it on",
    }),
    cautions: z
      .array(z.string().min(1).max(300))
      .max(12)
      .meta({ description: "Label cautions, shown where it is mixed" }),
  })
  .superRefine((product, context) => {
    const powder = product.scoop !== undefined;
    for (const field of ["light", "ordinary", "heavy"] as const)
      if (POWDER_SPELLINGS.includes(product[field].spelling) !== powder)
        context.addIssue({ code: "custom", path: [field], params: { code: "powder-or-liquid" } });
    const strengths = [product.light, product.ordinary, product.heavy].map(mixable);
    for (const [i, field] of [
      [1, "ordinary"],
      [2, "heavy"],
    ] as const)
      if ((strengths[i] as number) < itemAt(strengths, i - 1) * (1 - 1e-9))
        context.addIssue({ code: "custom", path: [field], params: { code: "label-range-reversed" } });
    if (product.dwellMost < product.dwellLeast)
      context.addIssue({ code: "custom", path: ["dwellMost"], params: { code: "dwell-range-reversed" } });
  })
  .meta({ id: "Product" });

export type Product = z.infer<typeof Product>;
export type Strength = z.infer<typeof Strength>;
