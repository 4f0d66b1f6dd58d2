import { Job, parseTolerantly } from "@scutch/contract";

/** Plans that came out of the contract's check in this page: a large one takes milliseconds, and an edit is checked before it is kept. */
const checked = new WeakSet<Job>();

export const noteChecked = (plan: Job): void => void checked.add(plan);

/** A plan as this app knows it, checked unless it was. */
export const readPlan = (plan: Job): ReturnType<typeof parseTolerantly<typeof Job>> =>
  checked.has(plan) ? { ok: true, value: plan, hasUnknownFields: false } : parseTolerantly(Job, plan);
