import {
  CHEMISTRIES,
  HAZARDOUS_PAIRS,
  type HazardousPair,
  protectionFor,
  STATEMENTS,
} from "@scutch/core/care";
import {
  CHEMISTRY_NAMES,
  capital,
  protectionText,
  REACTANT_NAMES,
  sourceWords,
} from "../../format/careWords.ts";
import { Entry } from "./Entry.tsx";
import { type Section, searchText } from "./section.ts";

const MARKS: Record<HazardousPair["onOneFloor"], string> = {
  never: "never on one floor",
  "rinse-between": "rinse and extract between",
  harmless: "together only as the label says",
};

/** What must never meet, and what to wear with what. */
export function cautionSections(): Section[] {
  const pairs = HAZARDOUS_PAIRS.map(({ pair: [a, b], gives, inVessel, onOneFloor, statements, source }) => {
    const title = `${capital(REACTANT_NAMES[a])} and ${REACTANT_NAMES[b]}`;
    const codes = statements.map((code) => `${code}: ${STATEMENTS[code] ?? ""}`);
    return {
      key: title,
      text: searchText(title, gives, ...codes),
      Body: () => (
        <Entry title={title} mark={MARKS[onOneFloor]} tone={inVessel === "never" ? "stop" : "caution"}>
          <p>{gives}</p>
          <p className="text-sm text-soft">
            {codes.join(" ")} ({sourceWords(source)})
          </p>
        </Entry>
      ),
    };
  });
  const gear = CHEMISTRIES.map((chemistry) => {
    const list = protectionFor({ phInUse: 7, chemistry: [chemistry] });
    const text = `${protectionText(list)} Why: ${[...new Set(list.map(({ why }) => why))].join("; ")}.`;
    return {
      key: `gear ${chemistry}`,
      text: searchText(CHEMISTRY_NAMES[chemistry], text, "wear gloves"),
      Body: () => (
        <Entry title={`With ${CHEMISTRY_NAMES[chemistry]}`} tone="caution">
          <p>{text} Check section 8 of the data sheet first.</p>
        </Entry>
      ),
    };
  });
  return [...pairs, ...gear];
}
