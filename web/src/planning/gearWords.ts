import { counted } from "../format/counted.ts";
import type { GearCount } from "./gearStanding.ts";

/** Machines in words, “2 air movers and 1 dehumidifier”; empty for none. */
export const gearWords = ({ movers, dehumidifiers }: GearCount): string =>
  [
    ...(movers > 0 ? [counted(movers, "air mover", "air movers")] : []),
    ...(dehumidifiers > 0 ? [counted(dehumidifiers, "dehumidifier", "dehumidifiers")] : []),
  ].join(" and ");
