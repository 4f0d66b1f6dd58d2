import { MACHINE_CARE, MACHINES, type Machine, PRACTICES } from "@scutch/core/care";
import type { Method } from "@scutch/core/clean";
import { coldestOutdoors } from "@scutch/core/drying";
import type { JobRun } from "@scutch/core/run";
import { MACHINES_CHECKED, useChecklist } from "../../../device/checklists.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { CheckBox } from "../../../ui/ChoiceField.tsx";

const MACHINE_NAMES: Readonly<Record<Machine, string>> = {
  extractor: "Extractor",
  pad: "Pad machine",
  brush: "Brush",
  sprayer: "Sprayer",
  vacuum: "Vacuum cleaner",
};
const OF_METHOD: Readonly<Record<Method, Machine>> & Readonly<Record<string, Machine>> = {
  extraction: "extractor",
  "self-contained": "extractor",
  spinner: "extractor",
  "low-moisture": "pad",
  "dry-foam": "brush",
  "dry-compound": "brush",
};

/** The machine a step has in hand, where it has one that is looked after. */
function machineOf(tool: string): Machine | undefined {
  if (tool.startsWith("machine:")) return OF_METHOD[tool.slice("machine:".length)];
  if (tool.startsWith("sprayer:")) return "sprayer";
  return tool === "pad machine" ? "pad" : MACHINES.find((machine) => machine === tool);
}

interface Props {
  readonly kind: "set-up" | "pack-up";
  readonly run: JobRun;
  readonly desk: JobDesk;
  readonly practice: boolean;
}

/** What is seen to before the machines of this job start and when they stop, at the step where it matters; frost where it is forecast. */
export function MachineList({ kind, run, desk, practice }: Props) {
  const { isOn, tick } = useChecklist(practice ? undefined : MACHINES_CHECKED, desk.job.id);
  const used = new Set(run.steps.flatMap(({ tool }) => (tool === undefined ? [] : (machineOf(tool) ?? []))));
  const lists = MACHINES.filter((machine) => used.has(machine)).map((machine) => {
    const { start, stop, startCaution, stopCaution } = MACHINE_CARE[machine];
    return kind === "set-up"
      ? { title: MACHINE_NAMES[machine], steps: start, caution: startCaution }
      : { title: MACHINE_NAMES[machine], steps: stop, caution: stopCaution };
  });
  const frost =
    kind === "pack-up" && isFrostComing(desk) ? PRACTICES.filter(({ title }) => title === "Frost") : [];
  return (
    <section
      aria-label={kind === "set-up" ? "Before you start the machines" : "When you stop the machines"}
      className="mt-1 border-rule border-t pt-2"
    >
      {[...lists, ...frost].map(({ title, steps, caution }) => (
        <fieldset key={title} className="mb-2">
          <legend className="font-semibold">{title}</legend>
          {caution && <p className="text-caution-ink text-sm">{caution}</p>}
          {steps.map((each) => {
            const key = `${kind} ${title} ${each}`;
            return <CheckBox key={key} label={each} checked={isOn(key)} onChange={(on) => tick(key, on)} />;
          })}
        </fieldset>
      ))}
    </section>
  );
}

/** Said only where somebody told the weather: the usual air outdoors is no frost. */
const isFrostComing = ({ work }: Pick<JobDesk, "work">) => (coldestOutdoors(work.building) ?? 10) <= 0;
