import { formatDuration } from "@scutch/core/quantity";
import type { RunPlan } from "@scutch/core/run";
import { Link } from "react-router";
import type { JobDesk } from "../../planning/desk.ts";
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
  const nameOf = (id: string) => work.rooms.find((room) => room.id === id)?.name ?? "A room";
  const mix = (
    <Link to="../mix" relative="path" className="font-semibold text-accent underline">
      Choose a product that dwells shorter
    </Link>
  );
  if (fault.code === "dries-first")
    return (
      <Callout tone="caution" title="The pre-spray dries before its dwell is over.">
        {fault.rooms.map(({ roomId, open, dwell }) => (
          <p key={roomId}>
            {nameOf(roomId)}: half of it is gone in {formatDuration(open)}, the label asks for{" "}
            {formatDuration(dwell)}. Misting again and again isn’t work any more.
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
            Look at the air and the rate of spray
          </Link>
        </div>
      </Callout>
    );
  if (fault.code === "too-many-sections")
    return (
      <Callout tone="caution" title="More than can be planned step by step.">
        This job falls into {fault.sections} sections; up to {fault.most} are planned. Make two jobs of it, or
        enter the halls as several rooms. Fills, water and drying are planned as before.
      </Callout>
    );
  const held = (job.pins ?? []).length > 0;
  const resting = (job.breaks ?? []).length > 0;
  return (
    <Callout tone="caution" title="There is no hour at which everything fits.">
      {resting
        ? "A break stands where a section would dry out, or two of them at one time."
        : held
          ? "Steps are held at hours that contradict each other."
          : "Somebody or something is missing for a step."}{" "}
      Nothing is lost.
      <div className="mt-2 flex flex-wrap gap-3">
        {held && (
          <Button onClick={() => edit((before) => ({ ...before, pins: [] }))}>
            Let every step move again
          </Button>
        )}
        {resting && (
          <Button onClick={() => edit((before) => ({ ...before, breaks: [] }))}>Take the breaks out</Button>
        )}
      </div>
    </Callout>
  );
}
