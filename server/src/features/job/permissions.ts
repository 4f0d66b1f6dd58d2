import { type Job, may, type Role } from "@scutch/contract";
import { deepEqual } from "@scutch/core/plan";
import { ApiFailure } from "../../failures.ts";

/** What a job says of money. */
const MONEY = ["priceLines", "discount"] as const satisfies readonly (keyof Job)[];

function withoutMoney(job: object): object {
  return Object.fromEntries(Object.entries(job).filter(([field]) => !MONEY.some((each) => each === field)));
}

/** A job as far as a role may see it. */
export const visibleJob = (role: Role, job: Job): Job =>
  may(role, "read-money") ? job : (withoutMoney(job) as Job);

/** Throws not-allowed where a role may not save a plan in place of what is there: whoever only quotes changes its prices alone. */
export function requireMayPlan(role: Role, there: unknown, job: Job): void {
  if (may(role, "plan")) return;
  const isOnlyMoney =
    typeof there === "object" && there !== null && deepEqual(withoutMoney(there), withoutMoney(job));
  if (!isOnlyMoney) throw new ApiFailure("not-allowed");
}
