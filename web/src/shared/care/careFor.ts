import { careOf, type JobCare, type JobInput } from "@scutch/core/plan";

const judged = new WeakMap<JobInput, JobCare>();

/** What the care rules say of a job as it stands: judged once for each plan, whoever asks. */
export function careFor(input: JobInput): JobCare {
  const care = judged.get(input) ?? careOf(input);
  judged.set(input, care);
  return care;
}
