import type { Job } from "@scutch/contract";
import type { MergeConflict } from "@scutch/core/plan";
import { useState } from "react";
import { decideConflict } from "../device/changes.ts";
import { useDeviceQuery } from "../device/deviceQuery.ts";
import { currentPlan } from "../device/jobRow.ts";
import { limitsIn } from "../format/readers.ts";
import { planFault } from "../planning/desk.ts";
import { useUnits } from "../state/useUnits.ts";
import { Button } from "../ui/Button.tsx";
import { Callout } from "../ui/Callout.tsx";
import { FieldError } from "../ui/FieldFrame.tsx";
import { conflictText } from "./conflictText.ts";

/** What two edits of a job said differently, one thing after the other, with both answers to tap. The job goes on meanwhile. */
export function ConflictPanels() {
  const rows = useDeviceQuery(async (db) => db.jobs.where("clashing").equals(1).toArray(), []);
  return (rows ?? []).map((row) => (
    <ClashPanel key={row.id} job={currentPlan(row)} clashes={row.clashes ?? []} />
  ));
}

const AT_ONCE = 3;

function ClashPanel({ job, clashes }: { readonly job: Job; readonly clashes: readonly MergeConflict[] }) {
  return (
    <Callout tone="caution" title={`${job.title} was changed on two devices. Which value is right?`}>
      <ul>
        {clashes.slice(0, AT_ONCE).map((clash) => (
          <ClashLine key={`${clash.kind} ${clash.path.join(" ")}`} job={job} clash={clash} />
        ))}
      </ul>
      {clashes.length > AT_ONCE && (
        <p className="mt-1 text-sm">And {clashes.length - AT_ONCE} more after these.</p>
      )}
    </Callout>
  );
}

function ClashLine({ job, clash }: { readonly job: Job; readonly clash: MergeConflict }) {
  const units = useUnits();
  const [fault, setFault] = useState<string>();
  const { what, mine, theirs } = conflictText(clash, job, units);
  const decide = async (side: "mine" | "theirs") =>
    setFault(await decideConflict(job.id, clash, side, (plan) => planFault(plan, limitsIn(units))));
  return (
    <li className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 border-rule border-t pt-2">
      <strong className="min-w-40 flex-1">{what}</strong>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void decide("mine")}>
          <span className="font-normal text-soft">This device:</span> {mine}
        </Button>
        <Button onClick={() => void decide("theirs")}>
          <span className="font-normal text-soft">Other device:</span> {theirs}
        </Button>
      </div>
      <FieldError sentence={fault} />
    </li>
  );
}
