import type { ProductId } from "@scutch/contract";
import { namesById } from "@scutch/core";
import { hazardsInVessel, protectionOf } from "@scutch/core/care";
import { useState } from "react";
import { usePull } from "../../device/deviceQuery.ts";
import { useLocalShelf } from "../../device/localRecords.ts";
import { pullShelf } from "../../device/pull.ts";
import { protectionText } from "../../format/careWords.ts";
import { VesselReaction } from "../../shared/care/VesselMeeting.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { MultiSelect } from "../../ui/MultiSelect.tsx";

const MAX_TOGETHER = 5;

/** What goes in, from the shelf, judged together as a mix of a job is. */
export function PairCheck() {
  const products = useLocalShelf()?.products ?? [];
  usePull("shelf", ({ db, send }) => pullShelf(db, send));
  const [chosen, setChosen] = useState<ProductId[]>([]);
  const contents = chosen.flatMap((id) => products.find((product) => product.id === id) ?? []);
  const names = namesById(products);
  if (products.length === 0) return null;
  return (
    <section aria-label="Contents" className="mt-4">
      <MultiSelect
        label="Contents not on the shelf"
        names={names}
        chosen={chosen}
        onChange={(ids) => setChosen(ids.slice(-MAX_TOGETHER))}
      />
      {contents.length > 0 && (
        <div className="mt-2 grid gap-2">
          {hazardsInVessel(contents, true).map(({ hazard, one, other }) => (
            <VesselReaction
              key={`${hazard.pair.join()} ${one} ${other}`}
              hazard={hazard}
              names={[contents[one]?.name ?? "", other === undefined ? undefined : contents[other]?.name]}
            />
          ))}
          <Callout tone="caution" title={protectionText(protectionOf(contents))}>
            Follow the labels and safety data sheets first.
          </Callout>
        </div>
      )}
    </section>
  );
}
