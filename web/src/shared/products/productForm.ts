import { Product, ProductId } from "@scutch/contract";
import { newId } from "../../device/newId.ts";
import { useDraft } from "../../ui/useDraft.ts";

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
  );

export interface ProductFormProps {
  readonly form: ReturnType<typeof useProductForm>;
}
