import type { BatchChoice, Product } from "@scutch/contract";
import { protectionOf, reactantsOf } from "@scutch/core/care";
import type { Fill } from "@scutch/core/mix";
import { protectionText, REACTANT_NAMES } from "../../format/careWords.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { FoldedCaution } from "../../ui/Callout.tsx";
import { CautionTexts, cautionTitles } from "../care/CareStrip.tsx";
import { mixCautions, pairsWith } from "../care/MixCare.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly product: Product;
  readonly fill: Fill;
}

/** What a mix must never meet, in words; of two that say the same the wider is enough. */
function neverWith(products: readonly Product[]): readonly string[] {
  const mine = products.flatMap(reactantsOf);
  const partners = new Set(pairsWith(mine).map(({ pair: [a, b] }) => (mine.includes(a) ? b : a)));
  if (partners.has("acid-to-4")) partners.delete("strong-acid");
  if (partners.has("alkali-from-10")) partners.delete("strong-alkali");
  return [...partners].map((each) => REACTANT_NAMES[each]);
}

/** What to wear, in one line, and what the floors call for; opened, what its labels warn of and what it must never meet. */
export function FillCautions({ desk, batch, product, fill }: Props) {
  const added = fill.boosters.flatMap(({ id }) => desk.shelf.products.find((each) => each.id === id) ?? []);
  const products = [product, ...added];
  const never = neverWith(products);
  const onFloors = mixCautions(desk, batch);
  const titles = cautionTitles(onFloors);
  return (
    <div className="mb-2">
      <FoldedCaution title={`${protectionText(protectionOf(products))}${titles === "" ? "" : ` ${titles}.`}`}>
        {products
          .filter(({ cautions }) => cautions.length > 0)
          .map(({ id, name, cautions }) => (
            <p key={id} className="mt-2">
              {products.length > 1 && <strong>{name}: </strong>}
              {cautions.join(" ")}
            </p>
          ))}
        {never.length > 0 && <p className="mt-2">Never with {never.join(", ")}.</p>}
        <CautionTexts judgements={onFloors} />
        <p className="mt-2">Follow the label and safety data sheet first.</p>
      </FoldedCaution>
    </div>
  );
}
