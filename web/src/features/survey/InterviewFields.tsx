import type { Interview } from "@scutch/contract";
import { extrasOf } from "@scutch/core/plan";
import { EXTRA_UNIT, type Extra, extraLines } from "@scutch/core/quote";
import { formatAmount, type UnitFormatter } from "../../format/units.ts";
import { EFFECT_NAMES, EXTRA_NAMES, LAST_CLEANED_NAMES, OCCUPANCY_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useAppSelector } from "../../state/store.ts";
import { useMoney } from "../../state/useMoney.ts";
import { useUnits } from "../../state/useUnits.ts";
import { ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";

type YesNo = "detergentLeft" | "pets" | "urine";
const QUESTIONS: readonly (readonly [YesNo, string])[] = [
  ["detergentLeft", "DIY cleaner or softener used?"],
  ["pets", "Pets?"],
  ["urine", "Urine accidents, old or new?"],
];

/** What to ask before anything is wet. Each answer says at once what it changes in the plan. */
export function InterviewFields({ desk }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const { job, edit, work, input } = desk;
  const money = useMoney();
  const prices = useAppSelector((state) => state.crew.settings?.prices) ?? {};
  const asked = job.interview ?? {};
  const set = (change: Partial<Interview>) =>
    edit((before) => ({ ...before, interview: { ...before.interview, ...change } }));
  const effectsOf = (question: keyof Interview) => {
    const names = work.effects
      .filter(({ because }) => because === question)
      .map(({ kind }) =>
        kind === "defoamer"
          ? `${EFFECT_NAMES[kind]}: ${formatAmount(units.amount(work.defoamer))}`
          : EFFECT_NAMES[kind],
      );
    return names.length > 0 ? <p className="mt-1 text-accent text-sm">→ {names.join(". ")}.</p> : null;
  };
  const extras = extraLines(extrasOf(input, work), prices);
  return (
    <section aria-label="Ask the customer" className="grid gap-3 border-ink border-t-2 pt-3">
      <h2 className="font-semibold">Ask the customer</h2>
      <div className="grid grid-cols-2 gap-3">
        <div>
          <ChoiceField
            label="Last cleaned"
            value={asked.lastCleaned}
            options={optionsOf(LAST_CLEANED_NAMES)}
            onChange={(lastCleaned) => void set({ lastCleaned })}
          />
          {effectsOf("lastCleaned")}
        </div>
        <div>
          <ChoiceField
            label="Occupancy"
            value={asked.occupancy}
            options={optionsOf(OCCUPANCY_NAMES)}
            onChange={(occupancy) => void set({ occupancy })}
          />
          {effectsOf("occupancy")}
        </div>
      </div>
      {QUESTIONS.map(([question, text]) => (
        <div key={question}>
          <Segmented<"yes" | "no" | "">
            label={text}
            value={asked[question] === undefined ? "" : asked[question] ? "yes" : "no"}
            options={[
              { value: "yes", name: "Yes" },
              { value: "no", name: "No" },
            ]}
            onChange={(answer) => void set({ [question]: answer === "yes" })}
          />
          {effectsOf(question)}
        </div>
      ))}
      {extras.length > 0 && (
        <div>
          <h3 className="font-semibold text-sm text-soft">Extras</h3>
          <dl>
            {extras.map(({ extra, quantity, price }) => (
              <div key={extra} className="flex justify-between gap-4 border-rule border-t py-1.5">
                <dt>{EXTRA_NAMES[extra]}</dt>
                <dd className="text-right font-mono">
                  {quantityText(extra, quantity, units)}
                  {price !== undefined && ` · ${money(price)}`}
                </dd>
              </div>
            ))}
          </dl>
          {extras.some(({ price }) => price === undefined) && (
            <p className="text-sm text-soft">Set prices for these in Settings.</p>
          )}
        </div>
      )}
    </section>
  );
}

function quantityText(extra: Extra, quantity: number, units: UnitFormatter): string {
  switch (EXTRA_UNIT[extra]) {
    case "area":
      return units.area(quantity);
    case "length":
      return units.length(quantity);
    case "piece":
      return String(quantity);
  }
}
