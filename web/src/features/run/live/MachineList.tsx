import { PRACTICES } from "@scutch/core/care";
import type { StepKind } from "@scutch/core/run";
import { useState } from "react";
import type { JobDesk } from "../../../planning/desk.ts";
import { Tick } from "../../../ui/ChoiceField.tsx";

const LISTS: Partial<Record<StepKind, string>> = {
  "set-up": "Starting a machine",
  "pack-up": "Shutting a machine down",
};

/** What is seen to before a machine starts and when it stops, at the step where it matters; frost where it is forecast. */
export function MachineList({ kind, desk }: { readonly kind: StepKind; readonly desk: JobDesk }) {
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const title = LISTS[kind];
  if (title === undefined) return null;
  const frost = kind === "pack-up" && (desk.job.outdoor?.temperature ?? 10) <= 0 ? ["Frost"] : [];
  return [title, ...frost].map((name) => {
    const list = PRACTICES.find((each) => each.title === name);
    if (!list) return null;
    return (
      <section key={name} aria-label={name} className="mt-3 border-rule border-t pt-2">
        <h3 className="font-semibold">{name}</h3>
        {list.caution && <p className="mt-1 text-caution-ink text-sm">{list.caution}</p>}
        {list.steps.map((each) => (
          <Tick
            key={each}
            label={each}
            checked={ticked.includes(each)}
            onChange={(on) => setTicked(on ? [...ticked, each] : ticked.filter((other) => other !== each))}
          />
        ))}
      </section>
    );
  });
}
