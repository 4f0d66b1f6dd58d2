import type { Interview } from "@scutch/contract";
import { formatAmount } from "../../format/units.ts";
import { EFFECT_NAMES, LAST_CLEANED_NAMES, OCCUPANCY_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { PriceLink } from "./PriceLink.tsx";

type YesNo = "detergentLeft" | "pets" | "urine";
const QUESTIONS: readonly (readonly [YesNo, string])[] = [
  ["detergentLeft", "DIY cleaner or softener used?"],
  ["pets", "Pets?"],
  ["urine", "Urine accidents, old or new?"],
];

/** What to ask before anything is wet, and what it will cost. Each answer says at once what it changes in the plan. */
export function InterviewFields({ desk }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const { job, edit, work } = desk;
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
      <PriceLink desk={desk} />
    </section>
  );
}
