import { formatDuration } from "@scutch/core/quantity";
import type { RunPlan } from "@scutch/core/run";
import { Link } from "react-router";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";

/** Why the job can't be scheduled, and the ways out. */
export function RunFault({
  desk,
  fault,
}: {
  readonly desk: JobDesk;
  readonly fault: Extract<RunPlan, { outcome: "impossible" }>["fault"];
}) {
  const { job, edit, work } = desk;
  const nameOf = (id: string) => nameById(work.rooms, id, "A room");
  const mix = (
    <Link to="../mix" relative="path" className="font-semibold text-accent underline">
      Choose a product with a shorter dwell time
    </Link>
  );
  if (fault.code === "dries-first")
    return (
      <Callout tone="caution" title="The pre-spray dries before its dwell is over.">
        {fault.rooms.map(({ roomId, open, dwell }) => (
          <p key={roomId}>
            {nameOf(roomId)}: half of it dries in {formatDuration(open)}; the label needs{" "}
            {formatDuration(dwell)}. Misting can’t keep up.
          </p>
        ))}
        <div className="mt-2 flex flex-wrap items-center gap-3">
          {job.run?.fansRunning && (
            <Button
              onClick={() => edit((before) => ({ ...before, run: { ...before.run, fansRunning: false } }))}
            >
              Turn the ceiling fans off
            </Button>
          )}
          {mix}
          <Link to="../survey" relative="path" className="font-semibold text-accent underline">
            Check the air and the pre-spray rate
          </Link>
        </div>
      </Callout>
    );
  if (fault.code === "too-many-sections")
    return (
      <Callout tone="caution" title="Too many sections to plan.">
        This job has {fault.sections} sections; the limit is {fault.most}. Split it into two jobs, or enter
        big halls as several rooms. Fills, water and drying are still planned.
      </Callout>
    );
  const held = (job.pins ?? []).length > 0;
  const resting = (job.breaks ?? []).length > 0;
  return (
    <Callout tone="caution" title="The steps don’t fit together.">
      {resting
        ? "A break lets a section dry out, or two breaks overlap."
        : held
          ? "Locked start times clash."
          : "A step has no person or machine free."}{" "}
      Nothing is lost.
      <div className="mt-2 flex flex-wrap gap-3">
        {held && (
          <Button onClick={() => edit((before) => ({ ...before, pins: [] }))}>Unlock all steps</Button>
        )}
        {resting && (
          <Button onClick={() => edit((before) => ({ ...before, breaks: [] }))}>Remove all breaks</Button>
        )}
      </div>
    </Callout>
  );
}
