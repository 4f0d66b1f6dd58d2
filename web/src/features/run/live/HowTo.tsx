import { type Step, techniqueFor } from "@scutch/core/run";
import type { JobDesk } from "../../../planning/desk.ts";

/** How a step is done by hand, one tap away: short lines, the reason and the usual mistake. Nothing where it takes no technique. */
export function HowTo({ desk, step }: { readonly desk: JobDesk; readonly step: Step }) {
  const plan = desk.work.rooms.find(({ id }) => id === step.roomId);
  const room = desk.job.rooms.find(({ id }) => id === step.roomId);
  const technique = techniqueFor(step.kind, {
    covering: plan?.covering ?? "cut-pile",
    method: plan?.method ?? "extraction",
    stairs: room?.shape.kind === "stairs",
  });
  if (!technique) return null;
  return (
    <details key={technique.title} className="border-rule border-y">
      <summary className="min-h-12 cursor-pointer py-3 font-semibold text-accent">
        How to: {technique.title.charAt(0).toLowerCase() + technique.title.slice(1)}
      </summary>
      <ol className="grid list-decimal gap-1 pb-2 pl-5">
        {technique.lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
      <p className="pb-1">
        <strong>Why:</strong> {technique.why}
      </p>
      <p className="pb-3">
        <strong>Usual mistake:</strong> {technique.mistake}
      </p>
    </details>
  );
}
