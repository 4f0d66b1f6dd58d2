import type { Room } from "@scutch/contract";
import { DEFAULT_FLIGHT } from "@scutch/core/floor";

/** A room as it usually is, to be corrected by its measure (common practice). */
export interface Template {
  readonly name: string;
  readonly shape: Room["shape"];
  /** It leads to the way out, and other rooms lead to it. */
  readonly hub?: boolean;
  /** Once there are stairs it is likely to be upstairs. */
  readonly upstairs?: boolean;
}

export const TEMPLATES: readonly Template[] = [
  { name: "Hall", shape: { kind: "rectangle", length: 4, width: 1.1 }, hub: true },
  { name: "Lounge", shape: { kind: "rectangle", length: 5, width: 3.8 } },
  { name: `Flight of ${DEFAULT_FLIGHT.steps}`, shape: { kind: "stairs", ...DEFAULT_FLIGHT } },
  { name: "Landing", shape: { kind: "rectangle", length: 3, width: 1.2 }, upstairs: true },
  { name: "Bedroom", shape: { kind: "rectangle", length: 3.6, width: 3.2 }, upstairs: true },
];

/** "Bedroom", then "Bedroom 2": no two rooms of one name. */
export function freeName(name: string, taken: readonly string[]): string {
  if (!taken.includes(name)) return name;
  for (let n = 2; ; n++) if (!taken.includes(`${name} ${n}`)) return `${name} ${n}`;
}
