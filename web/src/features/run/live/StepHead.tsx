import { protectionOf } from "@scutch/core/care";
import type { StepGroup } from "@scutch/core/log";
import type { DwellingSection, ProgressById } from "@scutch/core/run";
import { type JobRun, type JoinedSteps, type Step, stepCaution } from "@scutch/core/run";
import { protectionText } from "../../../format/careWords.ts";
import { timeAt } from "../../../format/time.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { airMoverText } from "../../../shared/run/airMoverText.ts";
import { rinseText } from "../../../shared/run/rinseText.ts";
import { OdourNote } from "../../../shared/spots/OdourNote.tsx";
import { useTimes } from "../../../state/useTimes.ts";
import { useUnits } from "../../../state/useUnits.ts";
import { StepClock } from "./StepClock.tsx";
import { TickingClock } from "./Ticking.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly steps: JoinedSteps;
  /** Them in hand, begun with one tap. */
  readonly group: StepGroup | undefined;
  readonly inHand: boolean;
  readonly run: JobRun;
  readonly known: ProgressById;
  readonly wet: DwellingSection | undefined;
  /** Whose step it is, where that has to be said. */
  readonly whose: string | undefined;
  readonly what: (...steps: JoinedSteps) => string;
}

/** What the step is, where, whose, its clock, and what to mind. */
export function StepHead({ desk, steps, group, inHand, run, known, wet, whose, what }: Props) {
  const [step] = steps;
  const units = useUnits();
  const { clock } = useTimes();
  const sections = run.sections.filter(({ id }) => steps.some(({ sectionId }) => sectionId === id));
  const inRoom = run.sections.filter(({ roomId }) => roomId === sections[0]?.roomId);
  const area = sections.reduce((sum, section) => sum + section.area, 0);
  const plugs = airMoverText(step, { rooms: desk.work.rooms, steps: run.steps }, clock, desk.startMs);
  const caution = [...new Set(steps.map((each) => cautionOf(desk, each)))].filter(Boolean).join(" ");
  return (
    <div>
      <p className="text-soft">
        {inHand ? "Now" : "Next"}
        {whose ? `, ${whose}` : ""}
      </p>
      <h2 className="font-bold text-2xl leading-tight">{what(...steps)}</h2>
      {sections.length > 0 && (
        <p className="text-soft">
          {inRoom.length > 1 && `${sectionsText(sections.map(({ number }) => number))} of ${inRoom.length}, `}
          {units.area(area)}
        </p>
      )}
      <StepClock {...{ steps, group, inHand, run, known, wet, start: desk.startMs, what }} />
      <TickingClock>
        {(ms) => {
          const second = (ms - desk.startMs) / 1000;
          const pause = run.steps.find(
            ({ kind, start, end }) => kind === "break" && start <= second && second < end,
          );
          return pause ? <p>Break until {clock(timeAt(desk.startMs, pause.end / 3600))}.</p> : null;
        }}
      </TickingClock>
      {plugs && <p className="mt-1 font-semibold">{plugs}</p>}
      {step.rinse && <p className="mt-1">{rinseText(step.rinse, units)}</p>}
      {step.kind === "odour" && step.roomId !== undefined && (
        <div className="mt-2">
          <OdourNote desk={desk} roomId={step.roomId} />
        </div>
      )}
      {caution && <p className="mt-1 text-caution-ink text-sm">{caution}</p>}
    </div>
  );
}

/** "section 2", or of several done as one "sections 1–3". */
const sectionsText = (numbers: readonly number[]) =>
  numbers.length > 1 ? `sections ${numbers[0]}–${numbers.at(-1)}` : `section ${numbers[0]}`;

/** What is worn for what is sprayed, and what to mind at such a step. */
function cautionOf({ job, shelf }: JobDesk, step: Step): string {
  const { kind, fillId } = step;
  const batch = job.batches.find(({ id }) => fillId?.startsWith(`${id}.`));
  const ids = batch && [batch.productId, ...(batch.boosters ?? []).map(({ productId }) => productId)];
  const products = kind === "pre-spray" && ids ? shelf.products.filter(({ id }) => ids.includes(id)) : [];
  return [...(products.length > 0 ? [protectionText(protectionOf(products))] : []), stepCaution(step) ?? ""]
    .filter(Boolean)
    .join(" ");
}
