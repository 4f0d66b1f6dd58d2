import { DEFAULT_CIRCUITS, type RoomPlan } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import { AIR_MOVERS_PER_CIRCUIT, type JobRun, type RunLane } from "@scutch/core/run";
import { timeAt } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { airMoverWaits } from "../../shared/run/airMoverText.ts";
import { RinseAdvice } from "../../shared/run/RinseAdvice.tsx";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { MAX_CIRCUITS } from "./runChange.ts";

interface Props {
  readonly desk: JobDesk;
  readonly run: JobRun;
  readonly lanes: readonly RunLane<RoomPlan>[];
}

/** What can't be kept, and how much may be sprayed ahead: each with what would change it. */
export function RunAdvice({ desk, run, lanes }: Props) {
  return (
    <div className="grid gap-3">
      <StandsTooLong {...{ desk, run, lanes }} />
      <LostPins {...{ desk, run, lanes }} />
      <BrokenPromises {...{ desk, run, lanes }} />
      <MistAdvice {...{ desk, run, lanes }} />
      <PowderAdvice {...{ desk, run, lanes }} />
      <UnmixedRooms desk={desk} />
      <CircuitAdvice desk={desk} />
      <RinseAdvice desk={desk} />
      <SprayAhead {...{ desk, run, lanes }} />
    </div>
  );
}

const namesIn = (lanes: Props["lanes"]) => (id: string) =>
  lanes.find(({ room }) => room.id === id)?.room.name ?? "";

/** Sections that dry out or stand past their label, or whose mix is too old by then. */
function StandsTooLong({ run, lanes }: Props) {
  const nameOf = namesIn(lanes);
  const pastLabel = run.sections.filter(({ overLabel }) => overLabel);
  const driesOut = run.sections.filter(
    ({ id, cleanEnd, openUntil }) => run.overdueSections.includes(id) && cleanEnd > openUntil,
  );
  const stale = run.sections.filter(({ id }) => run.staleSections.includes(id));
  const sectionNames = (sections: readonly JobRun["sections"][number][]) =>
    [
      ...new Set(
        sections.map(({ roomId, number }) => {
          const many = run.sections.filter((each) => each.roomId === roomId).length > 1;
          return `${nameOf(roomId)}${many ? `, section ${number}` : ""}`;
        }),
      ),
    ].join("; ");
  return (
    <>
      {stale.length > 0 && (
        <Callout tone="caution" title="The mix will be too old.">
          {sectionNames(stale)}: its “use within” time is over by then. Pour the rest out and mix a fresh fill
          before you spray there.
        </Callout>
      )}
      {driesOut.length > 0 && (
        <Callout tone="caution" title="Sprayed, not cleaned in time.">
          {sectionNames(driesOut)}: it will dry out first. Mist with water, not more product, and clean it
          next.
        </Callout>
      )}
      {pastLabel.length > 0 && (
        <Callout tone="caution" title="Dwells past the label maximum.">
          {sectionNames(pastLabel)}: the label’s time runs out before it can be cleaned. Spray smaller parts,
          add a person, or use a product with a longer dwell.
        </Callout>
      )}
    </>
  );
}

/** Locked steps that had to move, or are gone. */
function LostPins({ desk: { job, edit }, run }: Props) {
  const stepIds = new Set(run.steps.map(({ id }) => id));
  const stray = (job.pins ?? []).flatMap(({ id }) => (stepIds.has(id) ? [] : [id]));
  return (
    <>
      {run.violatedPins.length > 0 && (
        <Callout tone="caution" title="A step can’t keep its locked time.">
          It moved to where it fits. Lock it later, or unlock it.{" "}
          <Button
            weight="quiet"
            onClick={() =>
              edit((before) => ({
                ...before,
                pins: (before.pins ?? []).filter(({ id }) =>
                  run.violatedPins.every(({ stepId }) => stepId !== id),
                ),
              }))
            }
          >
            Unlock
          </Button>
        </Callout>
      )}
      {stray.length > 0 && (
        <Callout tone="caution" title="A step you locked is gone.">
          The rooms, sections or fills have changed.{" "}
          <Button
            weight="quiet"
            onClick={() =>
              edit((before) => ({
                ...before,
                pins: (before.pins ?? []).filter(({ id }) => !stray.includes(id)),
              }))
            }
          >
            Dismiss
          </Button>
        </Callout>
      )}
    </>
  );
}

/** Rooms promised dry by an hour they won't be. */
function BrokenPromises({ desk, lanes }: Props) {
  const { clock, about } = useTimes();
  const { job, startMs } = desk;
  const broken = job.rooms.flatMap((room) => {
    const promise = desk.input.run?.promises?.find(({ roomId }) => roomId === room.id);
    const lane = lanes.find((each) => each.room.id === room.id);
    if (!promise || !lane || (lane.touchDry !== null && lane.touchDry <= promise.by)) return [];
    return [{ room, lane, by: promise.by }];
  });
  return (
    <>
      {broken.map(({ room, lane, by }) => (
        <Callout
          key={room.id}
          tone="caution"
          title={`${room.name} won’t be touch-dry by ${clock(timeAt(startMs, by / 3600))}.`}
        >
          {lane.touchDry === null
            ? "It won’t be touch-dry within four days in this air. "
            : `About ${about(timeAt(startMs, lane.touchDry / 3600), Date.now())}. `}
          Clean it earlier, add a person, or dry it faster. Dry shows what helps most.
        </Callout>
      ))}
    </>
  );
}

function MistAdvice({ desk: { work }, lanes }: Props) {
  const nameOf = namesIn(lanes);
  const misted = work.spraying.filter(({ reMists }) => reMists > 0);
  if (misted.length === 0) return null;
  return (
    <Callout
      tone="caution"
      title={`Mist with water while it dwells: ${misted.map(({ roomId }) => nameOf(roomId)).join(", ")}.`}
    >
      {misted
        .map(
          ({ open, dwell, fansOff }) =>
            `Half the spray dries in ${formatDuration(open)}; the label needs ${formatDuration(dwell)}${fansOff === undefined ? "" : `; with the ceiling fans off, in ${formatDuration(fansOff)}`}.`,
        )
        .filter((text, i, all) => all.indexOf(text) === i)
        .join(" ")}{" "}
      Use water, not more product.
    </Callout>
  );
}

/** Rooms that leave a powder to be vacuumed once it is dry, too late for this visit. */
function PowderAdvice({ desk: { startMs }, run, lanes }: Props) {
  const { about } = useTimes();
  const planned = new Set(run.steps.flatMap(({ kind, roomId }) => (kind === "last-vacuum" ? [roomId] : [])));
  const powdery = lanes.filter(({ room }) => room.figures.vacuumDry && !planned.has(room.id));
  if (powdery.length === 0) return null;
  return (
    <Callout tone="advice" title="Come back to vacuum when it is dry.">
      {powdery
        .map(
          ({ room, dryAtSeconds }) =>
            `${room.name}: ${dryAtSeconds === null ? "not dry within four days in this air" : `from ${about(timeAt(startMs, dryAtSeconds / 3600), startMs)}`}`,
        )
        .join(", ")}
      . The foam dries to a powder that holds the soil. It takes too long to dry for this visit.
    </Callout>
  );
}

/** Wet rooms that no mix of the job is made for. */
function UnmixedRooms({ desk: { work, job } }: Pick<Props, "desk">) {
  const bare = work.rooms.filter(
    ({ id, passage, batchId, figures }) =>
      !passage &&
      batchId === undefined &&
      figures.wetting !== "dry" &&
      !job.rooms.find((room) => room.id === id)?.unsprayed,
  );
  if (bare.length === 0) return null;
  return (
    <Callout tone="caution" title={`No mix for ${bare.map(({ name }) => name).join(", ")}.`}>
      No mix of this job is made for this floor, so it is cleaned without spray. Add a mix for it in Mix.
    </Callout>
  );
}

/** Rooms whose air movers wait until the crew’s motors leave a circuit free. */
function CircuitAdvice({ desk: { work, job, edit, startMs } }: Pick<Props, "desk">) {
  const { clock } = useTimes();
  const waiting = airMoverWaits(work.rooms);
  if (waiting.length === 0) return null;
  const circuits = job.run?.circuits ?? DEFAULT_CIRCUITS;
  const names = new Map<string, string[]>();
  for (const { name, from } of waiting) {
    const time = clock(timeAt(startMs, from));
    names.set(time, [...(names.get(time) ?? []), name]);
  }
  const from = [...names].map(([time, rooms]) => `${rooms.join(", ")} from ${time}`);
  return (
    <Callout tone="advice" title="Air movers wait for a free circuit.">
      <p>
        {from.join("; ")}. Until then motors take the circuits. Up to {AIR_MOVERS_PER_CIRCUIT} air movers
        share one.
      </p>
      {circuits < MAX_CIRCUITS && (
        <Button
          weight="quiet"
          onClick={() => edit((before) => ({ ...before, run: { ...before.run, circuits: circuits + 1 } }))}
        >
          Use {circuits + 1} circuits
        </Button>
      )}
    </Callout>
  );
}

function SprayAhead({ desk: { work }, lanes }: Props) {
  const units = useUnits();
  const nameOf = namesIn(lanes);
  const ahead = work.spraying.filter(({ limit }) => limit !== "none");
  if (ahead.length === 0) return null;
  return (
    <Callout
      tone="advice"
      title={`Spray no more than ${units.area(Math.min(...ahead.map((each) => each.ahead)))} ahead.`}
    >
      {ahead.map(({ roomId, ahead: most, limit, open }) => (
        <p key={roomId}>
          {nameOf(roomId)}: {units.area(most)}, {limit === "label" && "or it dwells past the label maximum"}
          {limit === "foam" && "or the foam falls before it is worked"}
          {limit === "dry-out" && `half the spray dries in ${formatDuration(open)}`}.
        </p>
      ))}
    </Callout>
  );
}
