import type { Roles } from "../run/index.ts";

/** How two people share the work: one sprays, fills and agitates, the other cleans; or each does what comes next. */
export const ROLE_CHOICES = ["first-cleans", "second-cleans", "none"] as const;
export type RoleChoice = (typeof ROLE_CHOICES)[number];
/** Where nobody has said (common practice). */
export const DEFAULT_ROLES: RoleChoice = "first-cleans";

/** Who of so many people has which role; a third helps either. undefined: nobody has one. */
export function rolesOf(people: number, choice: RoleChoice = DEFAULT_ROLES): Roles | undefined {
  if (people < 2 || choice === "none") return undefined;
  return choice === "first-cleans" ? { cleans: 0, sprays: 1 } : { cleans: 1, sprays: 0 };
}
