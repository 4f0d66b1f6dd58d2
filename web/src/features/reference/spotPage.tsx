import { AGENT_FACTS, AGENTS, ORIGIN_FACTS, ORIGINS } from "@scutch/core/care";
import { ORIGIN_SHORT } from "../../format/words.ts";
import { Entry } from "./Entry.tsx";
import { type Section, searchText } from "./section.ts";

/** Spots by what they came from, and each step by itself. */
export function spotSections(): Section[] {
  const origins = ORIGINS.map((origin) => {
    const { steps, tell, warn, when } = ORIGIN_FACTS[origin];
    const names = steps.map((agent) => AGENT_FACTS[agent].name);
    return {
      key: origin,
      text: searchText(ORIGIN_SHORT[origin], ...names, tell, warn, "spot"),
      Body: () => (
        <Entry title={ORIGIN_SHORT[origin]} mark={when === "before" ? "before cleaning" : "after cleaning"}>
          <p>{names.join(" → ")}</p>
          {warn && <p className="font-semibold text-caution-ink">{warn}</p>}
          <p className="text-soft">Tell the customer: {tell}</p>
        </Entry>
      ),
    };
  });
  const steps = AGENTS.map((agent) => {
    const { name, how, caution, stopWhen, gated } = AGENT_FACTS[agent];
    return {
      key: `step ${agent}`,
      text: searchText(name, how, caution, stopWhen, "step"),
      Body: () => (
        <Entry
          title={name}
          mark={gated ? "only after a dye test" : ""}
          tone={gated ? "stop" : caution ? "caution" : "plain"}
        >
          <p>
            {how} {stopWhen}
          </p>
          {caution && <p className="font-semibold text-caution-ink">{caution}</p>}
        </Entry>
      ),
    };
  });
  return [...origins, ...steps];
}
