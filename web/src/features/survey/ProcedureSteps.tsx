import type { Room } from "@scutch/contract";
import { PROCEDURES, proceduresFor, productsForStep } from "@scutch/core/care";
import { careFloor, DEFAULTS } from "@scutch/core/plan";
import type { JobDesk } from "../../planning/desk.ts";

const BY_PH = {
  acid: "an acid product",
  neutral: "a neutral product",
  alkaline: "an alkaline product",
} as const;

/** The steps a floor of this kind or with this soil wants, each with what on the shelf it is done with. */
export function ProcedureSteps({ desk, room }: { readonly desk: JobDesk; readonly room: Room }) {
  const origins = (desk.job.spots ?? [])
    .filter(({ roomId }) => roomId === room.id)
    .map(({ origin }) => origin);
  const ways = proceduresFor(room.covering ?? DEFAULTS.covering, room.soilNature, origins);
  return ways.map((id) => {
    const { title, steps, cautions } = PROCEDURES[id];
    return (
      <section key={id} aria-label={title} className="border-ink border-t-2 pt-2">
        <h3 className="font-semibold">{title}</h3>
        <p className="font-semibold text-caution-ink text-sm">{cautions.join(" ")}</p>
        <ol className="mt-1 list-inside list-decimal">
          {steps.map((step) => {
            const fits = productsForStep(step, careFloor(room), desk.shelf.products);
            return (
              <li key={step.what} className="border-rule border-t py-1.5">
                {step.what}
                {step.product && (
                  <span className="block text-sm text-soft">
                    {fits.length > 0
                      ? `On the shelf: ${fits.map(({ name }) => name).join(", ")}`
                      : `Nothing on the shelf fits. This floor needs ${BY_PH[step.product]}.`}
                  </span>
                )}
              </li>
            );
          })}
        </ol>
      </section>
    );
  });
}
