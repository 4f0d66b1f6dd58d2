import { careOf, type JobCare, type JobInput } from "@scutch/core/plan";
import { useMemo } from "react";

/** What the care rules say of a job as it stands. */
export function useCare(input: JobInput): JobCare {
  return useMemo(() => careOf(input), [input]);
}
