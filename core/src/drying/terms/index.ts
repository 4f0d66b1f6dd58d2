import type { Building } from "../building.ts";
import type { RoomAir } from "../roomAir.ts";
import { airHandling } from "./airHandling.ts";
import { condensation } from "./condensation.ts";
import { dehumidifiers } from "./dehumidifiers.ts";
import { envelopeAndHeating } from "./envelopeAndHeating.ts";
import { openDoors } from "./openDoors.ts";
import { outdoorExchange } from "./outdoorExchange.ts";
import type { Term, TermOf } from "./term.ts";

/** Every way vapour and heat come, go or move but through the pile. To change how drying treats one, change its file. */
const TERMS: readonly TermOf[] = [
  outdoorExchange,
  openDoors,
  airHandling,
  dehumidifiers,
  condensation,
  envelopeAndHeating,
];

export function termsOf(building: Building, air: RoomAir): Term[] {
  return TERMS.map((make) => make(building, air)).filter((term) => term !== undefined);
}

export type { Gains, OwnSlopes, Term } from "./term.ts";
