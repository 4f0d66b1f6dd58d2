import type { JobDesk } from "../planning/desk.ts";
import { MomentField } from "../ui/MomentField.tsx";

/** The day a job is on and the hour it starts. */
export function DayAndStart({ job, edit }: Pick<JobDesk, "job" | "edit">) {
  return (
    <>
      <MomentField
        label="Day"
        type="date"
        value={job.day}
        onChange={(day) => void edit((before) => ({ ...before, day }))}
      />
      <MomentField
        label="Start"
        type="time"
        value={job.startsAt}
        onChange={(startsAt) => void edit((before) => ({ ...before, startsAt }))}
      />
    </>
  );
}
