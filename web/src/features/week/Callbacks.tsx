import type { Product } from "@scutch/contract";
import { CALLBACK_GROUPS, type CallbackGroup, callbackRates } from "@scutch/core/review";
import { useState } from "react";
import { FIBRE_NAMES, METHOD_NAMES, SECOND_LOOK_NAMES } from "../../format/words.ts";
import { nameById } from "../../planning/nameById.ts";
import { Segmented } from "../../ui/Segmented.tsx";
import type { NamedReview } from "./useReview.ts";

const GROUP_NAMES: Readonly<Record<CallbackGroup, string>> = {
  method: "Method",
  fibre: "Fibre",
  productId: "Product",
  person: "Person",
};

/** How often something came back, by what the rooms have in common, with the number of jobs it rests on. */
export function Callbacks({
  jobs,
  products,
}: {
  readonly jobs: readonly NamedReview[];
  readonly products: readonly Product[];
}) {
  const [group, setGroup] = useState<CallbackGroup>("method");
  const rates = callbackRates(jobs, group);
  const nameOf = (value: string): string => {
    if (group === "productId") return nameById(products, value, "A removed product");
    const names: Readonly<Record<string, string>> = group === "method" ? METHOD_NAMES : FIBRE_NAMES;
    return group === "person" ? value : (names[value] ?? value);
  };
  return (
    <section aria-label="Came back" className="border-ink border-t-2 pt-3">
      <h2 className="font-semibold">What came back</h2>
      <Segmented<CallbackGroup>
        label="By"
        labelHidden
        value={group}
        options={CALLBACK_GROUPS.map((value) => ({ value, name: GROUP_NAMES[value] }))}
        onChange={setGroup}
      />
      {rates.length === 0 ? (
        <p className="py-2 text-soft">Not known for these jobs.</p>
      ) : (
        <ul className="border-rule border-b">
          {rates.map(({ value, jobs: count, cameBack, causes }) => (
            <li key={value} className="flex justify-between gap-3 border-rule border-t py-2">
              <span className="min-w-0">
                {nameOf(value)}
                {causes.length > 0 && (
                  <span className="block text-sm text-soft">
                    {causes.map((cause) => SECOND_LOOK_NAMES[cause].toLowerCase()).join(", ")}
                  </span>
                )}
              </span>
              <span className={`shrink-0 font-mono ${cameBack > 0 ? "text-caution-ink" : "text-soft"}`}>
                {cameBack} of {count} {count === 1 ? "job" : "jobs"}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
