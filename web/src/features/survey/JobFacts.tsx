import { DEFAULTS } from "@scutch/core/plan";
import type { JobDesk } from "../../planning/desk.ts";
import { DayAndStart } from "../../shared/DayAndStart.tsx";
import { WeatherToCome } from "../../shared/weather/WeatherToCome.tsx";
import { NameField } from "../../ui/NameField.tsx";
import { AirFields } from "./AirFields.tsx";

/** What holds for the whole job: when, and the air inside and out. */
export function JobFacts({ desk }: { readonly desk: JobDesk }) {
  const { job, edit } = desk;
  return (
    <section aria-label="The job" className="grid content-start gap-4 border-ink border-t-2 pt-3">
      <AirFields
        title="Indoor air"
        air={job.indoor}
        assumed={DEFAULTS.indoor}
        onChange={(indoor) => edit((before) => ({ ...before, indoor }))}
      />
      <AirFields
        title="Outdoor air"
        air={job.outdoor}
        assumed={DEFAULTS.outdoor}
        onChange={(outdoor) => edit((before) => ({ ...before, outdoor }))}
      />
      <WeatherToCome desk={desk} />
      <NameField
        label="Job description"
        value={job.title}
        onChange={(title) => edit((before) => ({ ...before, title: title ?? before.title }))}
      />
      <div className="grid grid-cols-2 gap-3">
        <DayAndStart job={job} edit={edit} />
      </div>
    </section>
  );
}
