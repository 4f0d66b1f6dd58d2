export { AFTERCARE, AFTERCARE_ALL } from "./aftercare.ts";
export { compileRules, type RuleFault, RuleTableError } from "./compileRules.ts";
export { DISPOSAL } from "./disposal.ts";
export {
  DYE_TEST_HOLDS_DAYS,
  DYE_TEST_SECONDS,
  type DyeTest,
  type DyeTestStatus,
  dyeTestStatus,
  type FloorTest,
  floorTest,
  sameCarpet,
  type TestedFloor,
  TILE_TEST_SECONDS,
} from "./dyeTest.ts";
export { FIBRE_FACTS, FIBRE_TESTS, type FibreTest, floats, type KnownFibre } from "./fibres.ts";
export {
  BACKINGS,
  type Backing,
  type CareFloor,
  COVERINGS,
  type Covering,
  FLOOR_FIBRES,
  type FloorFibre,
  HARD_FLOORS,
  IDENTIFIED_BY,
  type IdentifiedBy,
  isHardFloor,
  LABEL_FLOORS,
  type LabelFloor,
  LIKELY_ANSWERS,
  LIKELY_FIBRES,
  MATERIALS,
  type Material,
  MOST_DELICATE_LIKELY,
  materialsOf,
} from "./floor.ts";
export {
  floorsItMayBe,
  type Judgement,
  judgeProduct,
  judgeRinse,
  judgeTogether,
  judgeWetting,
  type Reason,
  severity,
  worst,
} from "./judge.ts";
export { MACHINE_CARE, MACHINES, type Machine, type MachineCare } from "./machines.ts";
export { HAZARDOUS_PAIRS, type HazardousPair, type Reactant, STATEMENTS } from "./pairs.ts";
export { PRACTICES, type Practice } from "./practice.ts";
export { FLOOR_PROBLEMS, type FloorProblem } from "./problems.ts";
export {
  PROCEDURE_IDS,
  PROCEDURES,
  type Procedure,
  type ProcedureId,
  type ProcedureStep,
  proceduresFor,
  productsForStep,
  type StepProduct,
} from "./procedures.ts";
export {
  type CareProduct,
  CHEMISTRIES,
  type Chemistry,
  floorsFor,
  HOT,
  OXIDISERS,
  PRODUCT_FLOORS,
  PRODUCT_KINDS,
  type ProductFloors,
  type ProductKind,
  phBand,
  productTraits,
  TRAITS,
  type Trait,
  type Wetting,
} from "./product.ts";
export {
  PROTECTIVE_MEASURES,
  type Protection,
  type ProtectiveMeasure,
  protectionFor,
  protectionOf,
} from "./protection.ts";
export {
  type HazardousContact,
  hazardsAfter,
  hazardsBetween,
  hazardsInVessel,
  reactantsOf,
} from "./reactions.ts";
export { RULES, type Rule, VERDICTS, type Verdict } from "./rules.ts";
export {
  SOIL_ANCHORS,
  SOIL_LEVELS,
  SOIL_NATURES,
  type Soil,
  type SoilNature,
  soilForMix,
  WEAR,
  WEAR_TEST,
  type Wear,
} from "./soil.ts";
export { AGENT_FACTS, type AgentFacts, fitsAgent, needsProduct } from "./spotting/agentFacts.ts";
export { AGENTS, type Agent } from "./spotting/agents.ts";
export {
  type Attempt,
  type Guide,
  type GuideStep,
  guideFor,
  type KnownSpot,
  type Outcome,
} from "./spotting/guide.ts";
export { ORIGIN_FACTS, type OriginFacts } from "./spotting/originFacts.ts";
export { ORIGINS, type Origin } from "./spotting/origins.ts";
export {
  ATTEMPT_RESULTS,
  type AttemptResult,
  NATURES,
  type Nature,
  SPOT_AGES,
  type SpotAge,
  spotArea,
} from "./spotting/spot.ts";
export { type RinseReason, rinsesBetween, type VesselRinse } from "./vesselChange.ts";
