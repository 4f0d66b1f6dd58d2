import { showDuration } from "@scutch/core/quantity";
import { at } from "../../../format/time.ts";
import { useTimes } from "../../../state/useTimes.ts";
import type { LiveProps } from "./liveProps.ts";
import { offTime } from "./liveView.ts";

/** The run as it went: what it took against the plan, what was rushed and what dried out. */
export function Review({ desk, run, roomName }: LiveProps) {
  const { clock } = useTimes();
  const known = desk.input.logged ?? {};
  const off = offTime(run, known);
  const passed = run.steps.filter(({ id }) => known[id]?.skipped !== undefined).length;
  const unsaid = run.unsaid.length;
  return (
    <section aria-label="The job" className="border-accent border-t-4 bg-paper p-4 sm:p-5 print:hidden">
      <h2 className="font-semibold text-lg">Packed up at {clock(at(desk.start, run.finish / 3600))}.</h2>
      <ul className="mt-2 grid gap-1">
        {off.map(({ section, early, late }) => (
          <li key={section.id}>
            {roomName(section.roomId)}, section {section.number}:{" "}
            {early === undefined
              ? `cleaned ${showDuration(late ?? 0)} after it should have been`
              : `cleaned ${showDuration(early)} before its dwell was over`}
          </li>
        ))}
        {off.length === 0 && <li>Nothing dried out and no dwell was cut short.</li>}
        {unsaid > 0 && <li>Of {unsaid === 1 ? "one step" : `${unsaid} steps`} nobody said anything.</li>}
        {passed > 0 && <li>{passed === 1 ? "One step was" : `${passed} steps were`} passed over.</li>}
      </ul>
    </section>
  );
}
