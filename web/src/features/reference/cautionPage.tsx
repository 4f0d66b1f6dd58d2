import { CHEMISTRIES, HAZARDOUS_PAIRS, protectionFor, STATEMENTS } from "@scutch/core/care";
import { CHEMISTRY_NAMES, protectionText, REACTANT_NAMES } from "../../format/careWords.ts";
import { Entry } from "./Entry.tsx";
import { type Section, searchText } from "./section.ts";

const capital = (text: string) => `${text[0]?.toUpperCase() ?? ""}${text.slice(1)}`;

/** What must never meet, and what to wear with what. */
export function cautionSections(): Section[] {
  const pairs = HAZARDOUS_PAIRS.map(({ pair: [a, b], gives, onOneFloor, statements, source }) => {
    const title = `${capital(REACTANT_NAMES[a])} and ${REACTANT_NAMES[b]}`;
    const codes = statements.map((code) => `${code}: ${STATEMENTS[code] ?? ""}`);
    return {
      key: title,
      text: searchText(title, gives, ...codes),
      Body: () => (
        <Entry
          title={title}
          mark={onOneFloor === "never" ? "never on one floor" : "rinse and extract between"}
          tone="stop"
        >
          <p>{gives}</p>
          <p className="text-sm text-soft">
            {codes.join(" ")} ({source})
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
          <p>{text} Section 8 of the data sheet comes first.</p>
        </Entry>
      ),
    };
  });
  return [...pairs, ...gear];
}
