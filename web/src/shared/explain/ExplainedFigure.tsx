import type { Explanation } from "@scutch/core/explain";
import { type ReactNode, useState } from "react";
import { percent } from "../../format/units.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Dialog } from "../../ui/Dialog.tsx";
import { formatFigure } from "./figures.ts";
import { SOURCE_NAMES } from "./sources.ts";

interface Props {
  /** Asked for only when opened: some workings run the model several times. */
  readonly working: () => Explanation;
  readonly label: string;
  readonly children: ReactNode;
  readonly className?: string;
}

/** A computed figure. Pressing it opens how it came about. */
export function ExplainedFigure({ working, label, children, className = "" }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        aria-label={`${label}: show the calculation`}
        onClick={() => setOpen(true)}
        className={`relative cursor-help text-left underline decoration-1 decoration-dotted underline-offset-4 before:absolute before:-inset-x-1 before:-inset-y-3 ${className}`}
      >
        {children}
      </button>
      {open && <WorkingSheet working={working()} onClose={() => setOpen(false)} />}
    </>
  );
}

function Rows({
  title,
  rows,
}: {
  readonly title: string;
  readonly rows: readonly {
    readonly name: string;
    readonly text: string;
    readonly mark?: string | undefined;
  }[];
}) {
  if (rows.length === 0) return null;
  return (
    <section className="mt-4">
      <h3 className="font-semibold text-sm text-soft">{title}</h3>
      <dl>
        {rows.map(({ name, text, mark }) => (
          <div key={name} className="flex justify-between gap-4 border-rule border-t py-1.5">
            <dt>
              {name} {mark && <span className="text-caution-ink text-sm">{mark}</span>}
            </dt>
            <dd className="text-right font-mono">{text}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

function WorkingSheet({ working, onClose }: { readonly working: Explanation; readonly onClose: () => void }) {
  const units = useUnits();
  const name = working.result.name;
  const kindOf = new Map(working.inputs.map((input) => [input.name, input.kind]));
  return (
    <Dialog open title={name[0]?.toUpperCase() + name.slice(1)} onClose={onClose}>
      <p className="mt-2 font-bold font-mono text-4xl">{formatFigure(working.result, units)}</p>
      <p className="mt-2">{working.formula}</p>
      <Rows
        title="Source"
        rows={working.inputs.map((input) => ({
          name: input.name,
          text: formatFigure(input, units),
          mark: input.assumed ? "assumed" : undefined,
        }))}
      />
      <Rows
        title="Steps"
        rows={working.steps.map((step) => ({ name: step.name, text: formatFigure(step, units) }))}
      />
      <Rows
        title="Biggest influences"
        rows={working.sensitivity.slice(0, 4).map(({ name: input, change }) => ({
          name: `${input}, ${kindOf.get(input) === "temperature" ? (units.system === "metric" ? "2 °C warmer" : "3.6 °F warmer") : "10% more"}`,
          text: `${change > 0 ? "+" : "−"}${percent(Math.abs(change))}`,
        }))}
      />
      <p className="mt-4 text-sm text-soft">{SOURCE_NAMES[working.source] ?? working.source}</p>
    </Dialog>
  );
}
