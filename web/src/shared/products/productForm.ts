import { Product, ProductId } from "@scutch/contract";
import { newId } from "../../device/newId.ts";
import { type Draft, useDraft } from "../../ui/useDraft.ts";

/** A label that gives one strength gives it for every soil; a weaker or stronger one that is missing is the one there is. */
export const withAllStrengths = (draft: Draft<Product>): Draft<Product> => {
  const ordinary = draft.ordinary ?? draft.light ?? draft.heavy;
  return { ...draft, ordinary, light: draft.light ?? ordinary, heavy: draft.heavy ?? ordinary };
};

/** A product being typed from its label; a new one begins as a pre-spray. */
export const useProductForm = (product: Product | undefined) =>
  useDraft(
    Product,
    product ?? {
      id: newId(ProductId),
      kind: "pre-spray",
      ratioMeans: "one-to-n",
      dwellLeast: 480,
      dwellMost: 900,
      cautions: [],
    },
    withAllStrengths,
  );

export interface ProductFormProps {
  readonly form: ReturnType<typeof useProductForm>;
}
