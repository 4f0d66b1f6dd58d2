import type { Soil } from "@scutch/core/care";
import {
  COVERINGS,
  isHardFloor,
  judgeWetting,
  MOST_DELICATE_LIKELY,
  SOIL_ANCHORS,
  WEAR_TEST,
} from "@scutch/core/care";
import { DEFAULT_PILE, defaultMethod } from "@scutch/core/plan";
import { COVERING_NAMES, FIBRE_NAMES, METHOD_NAMES, SOIL_NAMES } from "../../format/words.ts";
import { Entry } from "./Entry.tsx";
import { type Section, searchText } from "./section.ts";

const SOILS: readonly Soil[] = [1, 2, 3, 4, 5];

/** Coverings with what is assumed of them, and what each level of soil looks like. */
export function soilSections(): Section[] {
  const coverings = COVERINGS.map((covering) => {
    const method = METHOD_NAMES[defaultMethod(covering)].toLowerCase();
    const wet = judgeWetting("wet", { covering });
    const worst = wet.reasons[0];
    const pile = isHardFloor(covering)
      ? ""
      : `Typical pile ${DEFAULT_PILE[covering].pileHeight * 1000} mm, face weight ${DEFAULT_PILE[covering].faceWeight} kg/m². If the fibre is unknown it counts as ${FIBRE_NAMES[MOST_DELICATE_LIKELY[covering]].toLowerCase()}.`;
    return {
      key: covering,
      text: searchText(COVERING_NAMES[covering], method, pile, worst?.why, "covering"),
      Body: () => (
        <Entry
          title={COVERING_NAMES[covering]}
          mark={method}
          tone={wet.verdict === "stop" ? "stop" : wet.verdict === "caution" ? "caution" : "plain"}
        >
          <p>{pile}</p>
          {worst && worst.verdict !== "allowed" && (
            <p>
              {worst.why} {worst.lift}
            </p>
          )}
        </Entry>
      ),
    };
  });
  const soil = SOILS.map((level) => ({
    key: `soil ${level}`,
    text: searchText("soil", SOIL_NAMES[level], SOIL_ANCHORS[level]),
    Body: () => (
      <Entry title={`Soil ${level}: ${SOIL_NAMES[level].toLowerCase()}`}>
        <p>{SOIL_ANCHORS[level]}</p>
      </Entry>
    ),
  }));
  const wear = {
    key: "wear",
    text: searchText("wear soil", WEAR_TEST),
    Body: () => (
      <Entry title="Wear, not soil" tone="caution">
        <p>{WEAR_TEST}</p>
      </Entry>
    ),
  };
  return [...coverings, ...soil, wear];
}
