import type { Roles } from "../run/index.ts";

/** Most hands a job is planned for (common practice). */
export const MAX_PEOPLE = 3;

/** How two people share the work: one sprays, fills and agitates, the other cleans; or each does what comes next. */
export const ROLE_CHOICES = ["first-cleans", "second-cleans", "none"] as const;
export type RoleChoice = (typeof ROLE_CHOICES)[number];
/** The default (common practice). */
export const DEFAULT_ROLES: RoleChoice = "first-cleans";

/** The crew's roles; undefined for one person or without fixed roles. A third person helps either of the two. */
export function rolesOf(people: number, choice: RoleChoice = DEFAULT_ROLES): Roles | undefined {
  if (people < 2 || choice === "none") return undefined;
  return choice === "first-cleans" ? { cleans: 0, sprays: 1 } : { cleans: 1, sprays: 0 };
}
