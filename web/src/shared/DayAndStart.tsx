import type { JobDesk } from "../planning/desk.ts";
import { useTimes, useZoneName } from "../state/useTimes.ts";
import { MomentField } from "../ui/MomentField.tsx";

/** The day a job is on and the hour it starts. */
export function DayAndStart({ job, edit }: Pick<JobDesk, "job" | "edit">) {
  const zone = useZoneName(useTimes().momentAt(job.day, job.startsAt));
  return (
    <>
      <MomentField
        label="Day"
        type="date"
        value={job.day}
        onChange={(day) => void edit((before) => ({ ...before, day }))}
      />
      <MomentField
        label={zone === undefined ? "Start" : `Start, ${zone}`}
        type="time"
        value={job.startsAt}
        onChange={(startsAt) => void edit((before) => ({ ...before, startsAt }))}
      />
    </>
  );
}
