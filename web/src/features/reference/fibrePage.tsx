import { keysOfRecord } from "@scutch/core";
import { FIBRE_FACTS, FIBRE_TESTS, floats, type KnownFibre } from "@scutch/core/care";
import { FIBRES, regain } from "@scutch/core/drying";
import { percent } from "../../format/units.ts";
import { FIBRE_NAMES } from "../../format/words.ts";
import { Entry } from "./Entry.tsx";
import { type Section, searchText } from "./section.ts";

const known = keysOfRecord(FIBRE_FACTS);

function takesUp(fibre: KnownFibre): string | undefined {
  const own = FIBRES.find((each) => each === fibre);
  return own && `holds ${percent(regain(own, 0.65))} water at 65% humidity`;
}

/** Each fibre, and how to find out which it is. */
export function fibreSections(): Section[] {
  const tests = Object.values(FIBRE_TESTS).map(({ name, steps, cautions }) => ({
    key: name,
    text: searchText(name, ...steps, ...cautions),
    Body: () => (
      <Entry title={name} tone="caution">
        <p className="font-semibold">{cautions.join(" ")}</p>
        <ol className="list-inside list-decimal">
          {steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      </Entry>
    ),
  }));
  const fibres = known.map((fibre) => {
    const { character, burns, density } = FIBRE_FACTS[fibre];
    const name = FIBRE_NAMES[fibre];
    return {
      key: fibre,
      text: searchText(name, character, burns, "fibre", floats(fibre) ? "floats" : "sinks"),
      Body: () => (
        <Entry title={name} mark={takesUp(fibre) ?? ""}>
          <p>{character}</p>
          <p className="text-soft">
            Burn test: {burns} Float test: {floats(fibre) ? "floats" : "sinks"} ({density} g/cm³).
          </p>
        </Entry>
      ),
    };
  });
  return [...fibres, ...tests];
}
