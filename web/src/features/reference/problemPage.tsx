import { FLOOR_PROBLEMS } from "@scutch/core/care";
import { sourceWords } from "../../format/careWords.ts";
import { Entry } from "./Entry.tsx";
import { Steps } from "./Steps.tsx";
import { type Section, searchText } from "./section.ts";

/** Problems of a floor: the cause, the steps that help, and a sentence for the customer. */
export function problemSections(): Section[] {
  return FLOOR_PROBLEMS.map(({ title, cause, steps, avoid, tell, source }) => ({
    key: title,
    text: searchText(title, cause, ...steps, avoid, tell),
    Body: () => (
      <Entry title={title} tone="caution">
        <p>{cause}</p>
        <Steps steps={steps} />
        {avoid && <p className="font-semibold text-caution-ink">Avoid: {avoid}</p>}
        {tell && <p className="text-soft">Tell the customer: {tell}</p>}
        <p className="text-sm text-soft">({sourceWords(source)})</p>
      </Entry>
    ),
  }));
}
