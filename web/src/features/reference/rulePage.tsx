import { RULES, TRAITS } from "@scutch/core/care";
import { MATERIAL_NAMES, sourceWords, TRAIT_NAMES, VERDICT_NAMES } from "../../format/careWords.ts";
import { Entry } from "./Entry.tsx";
import { type Section, searchText } from "./section.ts";

const TONES = { allowed: "good", caution: "caution", stop: "stop" } as const;

/** The care rules, line by line, as they are judged by. */
export function ruleSections(): Section[] {
  return TRAITS.flatMap((trait) =>
    RULES.filter((rule) => rule.trait === trait).map((rule, i) => {
      const on = rule.materials.map((material) => MATERIAL_NAMES[material]).join(", ");
      return {
        key: `${trait} ${i}`,
        text: searchText(TRAIT_NAMES[trait], on, rule.why, rule.lift, VERDICT_NAMES[rule.verdict]),
        Body: () => (
          <Entry title={TRAIT_NAMES[trait]} mark={VERDICT_NAMES[rule.verdict]} tone={TONES[rule.verdict]}>
            <p className="font-semibold">{on}</p>
            <p>
              {rule.why} {rule.lift && <>To fix it: {rule.lift}</>}{" "}
              <span className="text-sm text-soft">({sourceWords(rule.source)})</span>
            </p>
          </Entry>
        ),
      };
    }),
  );
}
