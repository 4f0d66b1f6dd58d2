import { isUnderWay, runLogged } from "@scutch/core/log";
import { careOf } from "@scutch/core/plan";
import { showDuration } from "@scutch/core/quantity";
import type { JobRun, Step } from "@scutch/core/run";
import { useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { at } from "../../../format/time.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { personName, STEP_NAMES } from "../../../shared/run/stepWords.ts";
import { seatTaken } from "../../../state/settingsSlice.ts";
import { useAppDispatch, useAppSelector } from "../../../state/store.ts";
import { useTimes } from "../../../state/useTimes.ts";
import { useUnits } from "../../../state/useUnits.ts";
import { Button } from "../../../ui/Button.tsx";
import { Callout } from "../../../ui/Callout.tsx";
import { Dialog } from "../../../ui/Dialog.tsx";
import { Segmented } from "../../../ui/Segmented.tsx";
import { useClock } from "../../../ui/useClock.ts";
import { useKey } from "../../../ui/useKey.ts";
import { Doubts } from "./Doubts.tsx";
import { Dwelling } from "./Dwelling.tsx";
import { isGone, isInHand, type Known, mayBegin, offTime, standingSprayed, stepsOf } from "./liveView.ts";
import { MachineList } from "./MachineList.tsx";
import { QuickLog } from "./QuickLog.tsx";
import { SignalChoices } from "./SignalChoices.tsx";
import { SkipDialog } from "./SkipDialog.tsx";
import { clockOf, Ticking } from "./Ticking.tsx";
import { useRunLog } from "./useRunLog.ts";
import { useSignals } from "./useSignals.ts";

interface Props {
  readonly desk: JobDesk;
  readonly run: JobRun;
  readonly people: number;
  readonly names: readonly string[];
  readonly roomName: (id: string) => string;
  /** Rooms whose finish is logged. */
  readonly left: ReadonlySet<string>;
  /** Nothing of it is real: no mix to make elsewhere, no stop to lift, nothing to note. */
  readonly practice?: boolean;
}

/** A second tap so soon, ms, is the same one. */
const ONE_TAP = 700;
/** Less than this before or after its time isn't worth a question, s. */
const LEEWAY = 20;
/** Begun on a floor that a stop stands on, a step does harm. */
const TOUCHES: readonly Step["kind"][] = ["fill", "pre-spray", "clean"];
const NOTHING: Known = {};

/** The job under way: the one next step, its clock, what dwells meanwhile, and what comes after. */
export function LiveCard(props: Props) {
  const { desk, run } = props;
  const logged = useMemo(() => runLogged(desk.log), [desk.log]);
  const log = useRunLog(desk, run, desk.input.logged ?? NOTHING, props.left);
  if (isUnderWay(logged)) return <UnderWay {...props} />;
  if (logged.steps.get("pack-up")?.doneAt !== undefined) return <Review {...props} />;
  return (
    <section aria-label="The job" className="border-accent border-t-4 bg-paper p-4 sm:p-5 print:hidden">
      <h2 className="font-semibold text-lg">When you begin, begin here.</h2>
      <p className="mt-1 text-soft">
        One step at a time, with its clock and what dwells meanwhile. Each tap goes into the log with its
        time.
      </p>
      <Button weight="main" className="mt-3 w-full" onClick={() => log.begin()}>
        Start the job
      </Button>
    </section>
  );
}

function UnderWay({ desk, run, people, names, roomName, left, practice = false }: Props) {
  const { clock, about } = useTimes();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { name, seat, signals } = useAppSelector((state) => state.settings);
  const [asking, setAsking] = useState<"skip" | "early" | "hand">();
  const ticking = useClock();
  const lastTap = useRef(0);
  const known = desk.input.logged ?? NOTHING;
  const log = useRunLog(desk, run, known, left);
  const named = names.indexOf(name);
  const who = Math.min(people - 1, seat ?? (named >= 0 ? named : 0));
  const time = (second: number) => at(desk.start, second / 3600);
  const what = (step: Step) =>
    [STEP_NAMES[step.kind], step.roomId === undefined ? undefined : roomName(step.roomId)]
      .filter(Boolean)
      .join(", ");
  const [step, ...after] = useSteady(stepsOf(run, known, left, who), desk.log);
  const standing = standingSprayed(run, known, left);
  const care = useMemo(() => careOf(desk.input).rooms, [desk.input]);
  const isStopped = (each: Step) =>
    !practice &&
    TOUCHES.includes(each.kind) &&
    care.some(({ roomId, verdict }) => roomId === each.roomId && verdict === "stop");
  const startsItself = (each: Step) => (practice || each.kind !== "fill") && !isStopped(each);
  useSignals(
    signals,
    standing.flatMap(({ ready, until }) => [time(ready), time(until) - 120_000]),
    step && what(step),
  );
  /** A tap, unless it is the same one again. */
  const tap = (act: () => void) => () => {
    const now = Date.now();
    if (now - lastTap.current < ONE_TAP) return;
    lastTap.current = now;
    setAsking(undefined);
    act();
  };
  const section = step && run.sections.find(({ id }) => id === step.sectionId);
  const inRoom = section && run.sections.filter(({ roomId }) => roomId === section.roomId);
  const wet = step?.kind === "clean" ? standing.find((each) => each.section.cleanId === step.id) : undefined;
  const inHand = step !== undefined && isInHand(known, step.id);
  const now = () => (ticking.now() - desk.start) / 1000;
  const begin = (each: Step) => {
    const early = wet ? wet.ready - now() : 0;
    const over = wet ? now() - wet.until : 0;
    log.start(each, who, {
      ...(early > LEEWAY ? { early: Math.round(early) } : {}),
      ...(over > LEEWAY ? { over: Math.round(over) } : {}),
    });
  };
  const finish = step && inHand ? tap(() => log.done(step, who, startsItself)) : undefined;
  const start =
    step && !inHand && !isStopped(step) && (practice || step.kind !== "fill")
      ? () => {
          if (wet && wet.ready - now() > LEEWAY) setAsking("early");
          else tap(() => begin(step))();
        }
      : undefined;
  useKey("d", () => (finish ?? start)?.());
  const others = Array.from({ length: people }, (_, i) => i).filter((i) => i !== who);
  return (
    <section
      aria-label="Now"
      className="grid gap-3 border-accent border-t-4 bg-paper p-4 sm:p-5 print:hidden"
    >
      {people > 1 && (
        <Segmented
          label="This device is for"
          value={who}
          options={Array.from({ length: people }, (_, i) => ({ value: i, name: personName(i, names) }))}
          onChange={(next) => dispatch(seatTaken(next))}
        />
      )}
      {step ? (
        <>
          <div>
            <p className="text-soft">
              {inHand ? "Now" : "Next"}
              {people > 1 || names[who] ? `, ${personName(who, names)}` : ""}
            </p>
            <h2 className="font-bold text-2xl leading-tight">{what(step)}</h2>
            {section && (
              <p className="text-soft">
                {inRoom && inRoom.length > 1 && `section ${section.number} of ${inRoom.length}, `}
                {units.area(section.area)}
              </p>
            )}
            <p
              className="font-bold font-mono text-6xl leading-none"
              role="timer"
              aria-label="Clock of the step"
            >
              <Ticking>
                {(ms) => {
                  const second = (ms - desk.start) / 1000;
                  if (inHand) {
                    // A start still to come was written by a clock that is wrong: Doubts says so.
                    const end = Math.min(second, known[step.id]?.start ?? 0) + step.usual;
                    return second <= end ? clockOf(end - second) : `+${clockOf(second - end)}`;
                  }
                  const from = wet ? wet.ready : mayBegin(run, known, step.id, second);
                  return Number.isFinite(from) && from > second ? clockOf(from - second) : "now";
                }}
              </Ticking>
            </p>
            <p className="mt-1 text-soft">
              {inHand ? "left of" : "then about"} {showDuration(Math.max(60, step.usual))}
              {wet && (
                <>
                  {" "}
                  · clean by <strong className="font-mono text-ink">{clock(time(wet.until))}</strong>
                </>
              )}
            </p>
          </div>
          {isStopped(step) && !inHand ? (
            <Callout tone="stop" title="A stop stands on this room.">
              Nothing goes onto it yet.{" "}
              <Link
                to={`../survey?room=${step.roomId}&part=floor`}
                relative="path"
                className="font-semibold text-accent underline"
              >
                What it is, and what lifts it
              </Link>
            </Callout>
          ) : step.kind === "fill" && !practice ? (
            <Link
              to="../mix"
              relative="path"
              className="grid min-h-14 place-items-center rounded-md bg-accent px-6 font-bold text-lg text-on-accent"
            >
              Amounts, and “Made it”
            </Link>
          ) : inHand ? (
            <Button weight="main" className="min-h-16 text-xl" onClick={finish}>
              Done
            </Button>
          ) : (
            <Button weight="main" className="min-h-16 text-xl" onClick={start}>
              Start
            </Button>
          )}
          <div className="grid grid-cols-3 gap-2">
            <Button onClick={() => setAsking("skip")}>Pass over</Button>
            {people > 1 && <Button onClick={() => setAsking("hand")}>Hand over</Button>}
            {!practice && <QuickLog desk={desk} roomId={step.roomId} />}
          </div>
          <MachineList key={step.id} kind={step.kind} desk={desk} />
        </>
      ) : (
        <p className="font-semibold text-lg">
          Nothing is left for {personName(who, names)}.{" "}
          {others.length > 0 && "Take something of the others’."}
        </p>
      )}
      <Dwelling standing={standing} start={desk.start} roomName={roomName} run={run} />
      <dl className="grid gap-1 border-rule border-t pt-2">
        {after.slice(0, 2).map((each, i) => (
          <div key={each.id} className="flex justify-between gap-3">
            <dt>
              {i === 0 ? <strong>Then </strong> : ""}
              {what(each)}
            </dt>
            <dd className="font-mono">{clock(time(each.start))}</dd>
          </div>
        ))}
        {others.map((other) => {
          const [theirs] = stepsOf(run, known, left, other);
          return (
            <div key={other} className="flex justify-between gap-3 text-soft">
              <dt>
                {personName(other, names)}: {theirs ? what(theirs).toLowerCase() : "done"}
              </dt>
              {theirs && <dd className="font-mono">{clock(time(theirs.start))}</dd>}
            </div>
          );
        })}
        <div className="flex justify-between gap-3 text-soft">
          <dt>All done about</dt>
          <dd className="font-mono">{about(time(run.finish), desk.start)}</dd>
        </div>
      </dl>
      <Doubts desk={desk} roomName={roomName} />
      <SignalChoices />
      {asking === "skip" && step && (
        <SkipDialog
          what={what(step)}
          onSkip={(reason) => tap(() => log.skip(step, reason))()}
          onClose={() => setAsking(undefined)}
        />
      )}
      {asking === "hand" && step && (
        <Dialog open title={`Hand over: ${what(step)}`} onClose={() => setAsking(undefined)}>
          <div className="mt-3 grid gap-2">
            {others.map((other) => (
              <Button key={other} onClick={tap(() => log.hand(step, other))}>
                To {personName(other, names)}
              </Button>
            ))}
          </div>
        </Dialog>
      )}
      {asking === "early" && step && wet && (
        <Dialog open title="Its dwell isn’t over." onClose={() => setAsking(undefined)}>
          <p className="mt-2">
            <strong className="font-mono text-3xl">
              <Ticking>{(ms) => clockOf(wet.ready - (ms - desk.start) / 1000)}</Ticking>
            </strong>{" "}
            are left of what the label asks for. Less dwell, less done.
          </p>
          <div className="mt-4 flex flex-wrap gap-2">
            <Button weight="main" onClick={() => setAsking(undefined)}>
              Wait
            </Button>
            <Button onClick={tap(() => begin(step))}>Start all the same, and log it</Button>
          </div>
        </Dialog>
      )}
    </section>
  );
}

/** The steps with the one shown last first, while nothing new is logged: what is under a finger doesn't change with the clock. */
function useSteady(steps: readonly Step[], log: JobDesk["log"]): readonly Step[] {
  const shown = useRef<{ readonly id: string | undefined; readonly log: JobDesk["log"] }>(undefined);
  const kept = shown.current?.log === log ? steps.find(({ id }) => id === shown.current?.id) : undefined;
  const ordered = kept ? [kept, ...steps.filter(({ id }) => id !== kept.id)] : steps;
  shown.current = { id: ordered[0]?.id, log };
  return ordered;
}

/** The run as it went: what it took against the plan, what was rushed and what dried out. */
function Review({ desk, run, roomName, left }: Props) {
  const { clock } = useTimes();
  const known = desk.input.logged ?? NOTHING;
  const off = offTime(run, known);
  const passed = run.steps.filter(({ id }) => known[id]?.skipped !== undefined).length;
  const unsaid = run.steps.filter(
    ({ id, kind, roomId }) =>
      kind !== "break" && !isGone(known, id) && !(roomId !== undefined && left.has(roomId)),
  ).length;
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
        {unsaid > 0 && (
          <li>{unsaid === 1 ? "Of one step" : `Of ${unsaid} steps`} nobody said whether it was done.</li>
        )}
        {passed > 0 && <li>{passed === 1 ? "One step was" : `${passed} steps were`} passed over.</li>}
      </ul>
    </section>
  );
}
