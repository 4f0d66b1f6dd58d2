import { PRACTICES, PROCEDURE_IDS, PROCEDURES } from "@scutch/core/care";
import { ALL_TECHNIQUES } from "@scutch/core/run";
import { sourceWords } from "../../format/careWords.ts";
import { Entry } from "./Entry.tsx";
import { Steps } from "./Steps.tsx";
import { type Section, searchText } from "./section.ts";

/** The work round the chemistry: stairs, signs, machines and their care. */
export function workSections(): Section[] {
  return PRACTICES.map(({ title, steps, caution, source }) => ({
    key: title,
    text: searchText(title, ...steps, caution),
    Body: () => (
      <Entry title={title} tone={caution ? "caution" : "plain"}>
        <Steps steps={steps} />
        {caution && <p className="font-semibold text-caution-ink">{caution}</p>}
        <p className="text-sm text-soft">({sourceWords(source)})</p>
      </Entry>
    ),
  }));
}

/** How each step is done by hand, as the step card shows it. */
export function techniqueSections(): Section[] {
  return ALL_TECHNIQUES.map(({ title, lines, why, mistake }) => ({
    key: title,
    text: searchText(title, ...lines, why, mistake),
    Body: () => (
      <Entry title={title} tone="plain">
        <Steps steps={lines} />
        <p>
          <strong>Why:</strong> {why}
        </p>
        <p>
          <strong>Usual mistake:</strong> {mistake}
        </p>
        <p className="text-sm text-soft">(common practice)</p>
      </Entry>
    ),
  }));
}

/** Floors and soils that want steps of their own, as a room of such a floor shows them. */
export function waySections(): Section[] {
  return PROCEDURE_IDS.map((id) => {
    const { title, steps, cautions } = PROCEDURES[id];
    const words = steps.map(({ what }) => what);
    return {
      key: title,
      text: searchText(title, ...words, ...cautions),
      Body: () => (
        <Entry title={title} tone="caution">
          <Steps steps={words} />
          <p className="font-semibold text-caution-ink">{cautions.join(" ")}</p>
          <p className="text-sm text-soft">(common practice)</p>
        </Entry>
      ),
    };
  });
}
