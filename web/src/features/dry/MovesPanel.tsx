import type { Aim, JointMoves, LaterMoves, LeverMove } from "@scutch/core/drying";
import { hasBegun } from "@scutch/core/log";
import { DEFAULT_CIRCUITS, roomsSetNow } from "@scutch/core/plan";
import { useMemo } from "react";
import { counted } from "../../format/counted.ts";
import { hoursAt, timeAt } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { poolsHere, RENTED } from "../../planning/dryingGear.ts";
import { gearWords } from "../../planning/gearWords.ts";
import { readyOfJob, readyOfRoom } from "../../planning/ready.ts";
import { roomDoors, withDoors } from "../../planning/roomDoors.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { withRoom } from "../../planning/withRoom.ts";
import type { MovesAnswer } from "../../planning/workerClient.ts";
import type { GearElsewhere } from "../../shared/jobs/useGearElsewhere.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { MomentField } from "../../ui/MomentField.tsx";
import { changesFor, type RoomChange, standingIn } from "./changesFor.ts";
import { gainText, moveLines, type Placed, standingAfter } from "./moveText.ts";
import { restsOn } from "./restsOn.ts";
import { AIMS, type ChosenAim } from "./useAim.ts";

interface Props {
  readonly desk: JobDesk;
  readonly dried: DryingForecast;
  readonly now: number;
  readonly aim: ChosenAim;
  readonly elsewhere: GearElsewhere;
  /** undefined while it isn’t known. */
  readonly found: MovesAnswer | undefined;
}

/** What to move now, of all that is in the van: each with what it gains; done with one tap. */
export function MovesPanel({ desk, dried, now, aim, elsewhere, found }: Props) {
  const { about } = useTimes();
  const log = useLogging(desk);
  const { work, readings } = dried;
  const rooms = useMemo(() => {
    const set = roomsSetNow(desk.job.rooms, desk.input.airChanges, hoursAt(desk.startMs, now));
    const byId = new Map(set.map((room) => [room.id as string, room]));
    return work.rooms.flatMap(({ id }) => byId.get(id) ?? []);
  }, [desk.job.rooms, desk.input.airChanges, desk.startMs, now, work]);
  const doors = useMemo(() => roomDoors(desk.input), [desk.input]);
  const placed = {
    doors,
    work,
    departure: readings?.departure,
    hours: Math.max(0, hoursAt(desk.startMs, now)),
    standing: standingIn(rooms, desk.shelf.gear, readings?.departure),
  };
  const isLeft = work.rooms.some((_, i) => {
    const { likely } = readyOfRoom(dried, i, desk.startMs, "touchDry");
    return likely === null || likely > now;
  });
  if (!isLeft) return null;
  const apply = (moves: readonly LeverMove[]) => {
    const [first, ...others] = changesFor(rooms, moves, {
      gear: desk.shelf.gear,
      departure: readings?.departure,
      doors,
    });
    if (!first) return;
    if (hasBegun(desk.log)) log(entryOf(first), undefined, others.map(entryOf));
    else
      void desk.edit((before) =>
        [first, ...others].reduce(
          (job, { roomId, doors: turned, ...change }) => withDoors(withRoom(job, roomId, change), turned),
          before,
        ),
      );
  };
  const before = readyOfJob(dried, desk.startMs, "touchDry").likely;
  const lines = moveLines(found?.own.moves ?? [], placed);
  const end = (moves: JointMoves) => {
    const times = work.rooms.map((room, i) => {
      const hours = moves.touchDry[i];
      return hours == null ? null : desk.startMs + (room.finishedAtHours + hours) * HOUR;
    });
    return times.some((time) => time === null) ? null : Math.max(...times.map((time) => time ?? 0));
  };
  return (
    <section aria-label="What to move" className="mt-4">
      <h3 className="font-semibold">
        {hasBegun(desk.log) ? "What to move now" : "What would make it sooner"}
      </h3>
      <div className="mt-1">
        <div className="flex flex-wrap items-end gap-2">
          <div className="flex-1 basis-48">
            <ChoiceField label="Aim" value={aim.kind} options={AIMS} onChange={aim.pick} />
          </div>
          {aim.kind === "by" && (
            <div className="w-32">
              <MomentField label="Touch-dry by" type="time" value={aim.by} onChange={aim.pickBy} />
            </div>
          )}
        </div>
        <p className="mt-2 text-sm text-soft">
          {gearLine(desk, elsewhere)} {restsOn(desk)}
        </p>
      </div>
      {!found ? (
        <p className="mt-2 min-h-12 text-soft">Trying what is in the van…</p>
      ) : lines.length === 0 ? (
        <p className="mt-2 min-h-12">
          {aim.kind === "by"
            ? inTimeText(dried, aim.aim)
            : "Nothing in the van makes it sooner. Leave it as it is."}
        </p>
      ) : (
        <>
          <ol className="mt-1">
            {lines.map(({ key, what, why, gain }, i) => (
              <li key={key} className="flex gap-3 border-rule border-t py-2">
                <span className="w-4 shrink-0 font-bold font-mono text-accent">{i + 1}</span>
                <span className="flex-1">
                  <strong className="font-semibold">{what}</strong> {why}
                </span>
                <span className="whitespace-nowrap font-mono">−{gain}</span>
              </li>
            ))}
            {moveLines(found.own.notWorth, placed)
              .slice(0, NOT_WORTH_SHOWN)
              .map(({ key, what, gain }) => (
                <li key={key} className="flex gap-3 border-rule border-t py-2 text-soft">
                  <span className="w-4 shrink-0">–</span>
                  <span className="flex-1">{what} Not worth moving.</span>
                  <span className="whitespace-nowrap font-mono">−{gain}</span>
                </li>
              ))}
          </ol>
          <p className="mt-1 text-sm text-soft">Each figure: how much later without that move.</p>
          <p className="mt-1">
            <Outcome end={end(found.own)} before={before} show={(time) => about(time, now)} />
          </p>
          <Button weight="main" className="mt-2 w-full print:hidden" onClick={() => apply(found.own.moves)}>
            Done: update the plan
          </Button>
        </>
      )}
      {found?.later && (
        <LaterPanel
          later={found.later}
          now={found.own}
          placed={placed}
          time={(hours) => about(timeAt(desk.startMs, hours), now)}
        />
      )}
      {found?.rented &&
        found.rented.moves.length > 0 &&
        found.rented.gain > found.own.gain + WORTH_RENTING && (
          <div className="mt-3">
            <Callout tone="advice" title="Your own gear isn’t enough. Rent some.">
              With {RENTED.airMovers} more air movers and a dehumidifier:{" "}
              <Outcome end={end(found.rented)} before={before} show={(time) => about(time, now)} />
            </Callout>
          </div>
        )}
    </section>
  );
}

const HOUR = 3_600_000;
/** What isn’t worth moving is told for what somebody might have tried: not all of it. */
const NOT_WORTH_SHOWN = 2;
/** h. */
const WORTH_RENTING = 1;

const entryOf = (change: RoomChange) => ({ kind: "air-changed" as const, ...change });

interface LaterProps {
  readonly later: LaterMoves;
  readonly now: JointMoves;
  readonly placed: Placed;
  readonly time: (hours: number) => string;
}

/** What to move again once a room is touch-dry. */
function LaterPanel({ later: { hours, room, moves }, now, placed, time }: LaterProps) {
  const lines = moveLines(moves.moves, {
    ...placed,
    hours,
    standing: standingAfter(placed.standing, now.moves),
  });
  return (
    <div className="mt-3">
      <h4 className="font-semibold">
        Later, about <span className="font-mono">{time(hours)}</span>, with {placed.work.rooms[room]?.name}{" "}
        touch-dry
      </h4>
      <ul>
        {lines.map(({ key, what, gain }) => (
          <li key={key} className="flex gap-3 border-rule border-t py-2">
            <span className="flex-1">{what}</span>
            <span className="whitespace-nowrap font-mono">−{gain}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** When all rooms can be walked on with the moves. */
function Outcome({
  end,
  before,
  show,
}: {
  readonly end: number | null;
  readonly before: number | null;
  readonly show: (time: number) => string;
}) {
  if (end === null) return <>Some rooms still won’t be touch-dry within 4 days.</>;
  return (
    <>
      All rooms touch-dry about <strong className="font-mono">{show(end)}</strong>
      {before !== null && before > end && `, ${gainText((before - end) / HOUR)} sooner`}.
    </>
  );
}

/** The van’s gear for this job, and where the rest of it is. */
function gearLine({ job, shelf }: JobDesk, elsewhere: GearElsewhere): string {
  const { airMovers, dehumidifiers } = poolsHere(shelf.gear, elsewhere);
  const here = gearWords({ movers: airMovers.count, dehumidifiers: dehumidifiers.count });
  const out = gearWords(elsewhere);
  const circuits = job.run?.circuits ?? DEFAULT_CIRCUITS;
  return [
    here ? `Free: ${here}, on ${counted(circuits, "circuit", "circuits")}.` : "No drying gear is free.",
    ...(out ? [`At ${elsewhere.places.join(", ")}: ${out}.`] : []),
  ].join(" ");
}

/** Why nothing is to be moved for a room that is wanted by an hour. */
function inTimeText({ work, result }: DryingForecast, aim: Aim): string {
  if (aim.kind !== "by") return "";
  const touch = result.rooms[aim.room]?.touchDryHours;
  const finished = work.rooms[aim.room]?.finishedAtHours ?? 0;
  return touch != null && finished + touch <= aim.hours
    ? "It’s touch-dry by then as it is. Nothing needs moving."
    : "Nothing in the van makes it sooner. Leave it as it is, or rent gear.";
}
