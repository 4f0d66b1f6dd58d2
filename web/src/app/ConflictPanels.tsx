import type { Job } from "@scutch/contract";
import type { MergeConflict } from "@scutch/core/plan";
import { useState } from "react";
import { decideConflict, decideHeldConflict } from "../device/changes.ts";
import { useDeviceQuery } from "../device/deviceQuery.ts";
import { currentPlan } from "../device/jobRow.ts";
import { limitsIn } from "../format/readers.ts";
import { planFault } from "../planning/desk.ts";
import { selectHeld } from "../state/pendingSlice.ts";
import { useAppSelector } from "../state/store.ts";
import { useUnits } from "../state/useUnits.ts";
import { Button } from "../ui/Button.tsx";
import { Callout } from "../ui/Callout.tsx";
import { FieldError } from "../ui/FieldFrame.tsx";
import { conflictText } from "./conflictText.ts";

/** What two edits of a job said differently, one thing after the other, with both answers to tap. The job goes on meanwhile. */
export function ConflictPanels() {
  const rows = useDeviceQuery(async (db) => db.jobs.where("clashing").equals(1).toArray(), []) ?? [];
  const held = useAppSelector(selectHeld).filter((item) => item.kind === "job");
  return (
    <>
      {rows.map((row) => (
        <ClashPanel
          key={row.id}
          job={currentPlan(row)}
          clashes={row.clashes ?? []}
          decide={(clash, side, check) => decideConflict(row.id, clash, side, check)}
        />
      ))}
      {held.map((item) =>
        item.clashes && item.clashes.length > 0 ? (
          <ClashPanel
            key={item.id}
            job={item.after}
            clashes={item.clashes}
            decide={async (clash, side, check) => decideHeldConflict(item, clash, side, check)}
          />
        ) : null,
      )}
    </>
  );
}

interface PanelProps {
  readonly job: Job;
  readonly clashes: readonly MergeConflict[];
  readonly decide: (
    clash: MergeConflict,
    side: "mine" | "theirs",
    check: (plan: Job) => string | undefined,
  ) => Promise<string | undefined>;
}

const AT_ONCE = 3;

function ClashPanel({ job, clashes, decide }: PanelProps) {
  return (
    <Callout tone="caution" title={`${job.title} was changed on two devices. Which value is right?`}>
      <ul>
        {clashes.slice(0, AT_ONCE).map((clash) => (
          <ClashLine key={`${clash.kind} ${clash.path.join(" ")}`} {...{ job, clash, decide }} />
        ))}
      </ul>
      {clashes.length > AT_ONCE && (
        <p className="mt-1 text-sm">And {clashes.length - AT_ONCE} more after these.</p>
      )}
    </Callout>
  );
}

function ClashLine({ job, clash, decide }: Omit<PanelProps, "clashes"> & { readonly clash: MergeConflict }) {
  const units = useUnits();
  const [fault, setFault] = useState<string>();
  const { what, mine, theirs } = conflictText(clash, job, units);
  const take = async (side: "mine" | "theirs") =>
    setFault(await decide(clash, side, (plan) => planFault(plan, limitsIn(units))));
  return (
    <li className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 border-rule border-t pt-2">
      <strong className="min-w-40 flex-1">{what}</strong>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void take("mine")}>
          <span className="font-normal text-soft">This device:</span> {mine}
        </Button>
        <Button onClick={() => void take("theirs")}>
          <span className="font-normal text-soft">Other device:</span> {theirs}
        </Button>
      </div>
      <FieldError sentence={fault} />
    </li>
  );
}
