import type { VesselLevel } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import type { JobRun, ProgressById, Step } from "@scutch/core/run";
import { nextAfter, type RoomState, type RunLane, roomState, stepAt } from "@scutch/core/run";
import { timeAt } from "../../format/time.ts";
import { formatAmount } from "../../format/units.ts";
import { midSentence, personName, stepName, toolName } from "../../shared/run/stepWords.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { useNow } from "../../ui/useNow.ts";
import { levelName, levelsAt } from "./RunSheet.tsx";

interface Props {
  readonly run: JobRun;
  readonly lanes: readonly RunLane[];
  readonly levels: readonly VesselLevel[];
  readonly people: number;
  readonly names: readonly string[];
  readonly vesselName: (id: string) => string;
  readonly start: number;
  readonly second: number;
  /** What was logged of each step. */
  readonly known: ProgressById;
}

/** What of a room's steps up to a second was done without being logged; a room still to do has none. */
function isByPlan({ steps }: JobRun, known: ProgressById, roomId: string, second: number): boolean {
  const begun = steps.filter((step) => step.roomId === roomId && step.start <= second);
  const last = begun.toSorted((a, b) => b.start - a.start)[0];
  return last !== undefined && known[last.id]?.start === undefined && known[last.id]?.end === undefined;
}

/**
 * Everything at the time shown: who does what, the state of each room, and what is in the tanks. What wasn't logged comes from the plan
 * and says so.
 */
export function AtMarker({ run, lanes, levels, people, names, vesselName, start, second, known }: Props) {
  const now = useNow();
  // Of an hour to come there is only the plan.
  const isAhead = Object.keys(known).length === 0 || start + second * 1000 > now + 60_000;
  const { clock, about } = useTimes();
  const units = useUnits();
  const time = (seconds: number) => timeAt(start, seconds / 3600);
  const roomName = (id?: string) => lanes.find(({ room }) => room.id === id)?.room.name;
  const working = second < run.makespan;
  const stateText = (state: RoomState): string => {
    switch (state.kind) {
      case "to-do":
        return "to do";
      case "preparing":
        return "preparing";
      case "prepared":
        return "prepared, not sprayed";
      case "dwelling":
        return second < state.ready
          ? `dwelling until ${clock(time(state.ready))}, clean by ${clock(time(state.until))}`
          : `ready, clean by ${clock(time(state.until))}`;
      case "under-way":
        return `cleaning, done about ${clock(time(state.until))}`;
      case "wet":
        return state.until === undefined ? "wet" : `wet, touch-dry about ${about(time(state.until), start)}`;
      case "touch-dry":
        return state.until === undefined
          ? "touch-dry"
          : `touch-dry, dry about ${about(time(state.until), start)}`;
      case "dry":
        return "dry";
    }
  };
  return (
    <section
      aria-label={`At ${clock(time(second))}`}
      className="border-accent border-t-4 bg-paper p-4 sm:p-5"
    >
      <h2 className="mb-2 text-soft">
        {isAhead ? "Planned for" : "At"} <span className="font-mono">{clock(time(second))}</span>
      </h2>
      {working ? (
        Array.from({ length: people }, (_, who) => (
          <Person
            key={personName(who, names)}
            name={people > 1 || names[0] ? personName(who, names) : undefined}
            step={stepAt(run.steps, who, second)}
            next={nextAfter(run.steps, who, second)}
            {...{ roomName, vesselName, second }}
            isLogged={(step) => isAhead || known[step.id]?.start !== undefined}
            until={(step) => clock(time(step.end))}
            from={(step) => clock(time(step.start))}
          />
        ))
      ) : (
        <p className="font-semibold">Packed up at {clock(time(run.makespan))}. Drying.</p>
      )}
      <ul className="mt-3 border-rule border-t">
        {lanes.map((lane) => (
          <li
            key={lane.room.id}
            className="flex flex-wrap justify-between gap-x-4 border-rule border-b py-1.5 text-sm"
          >
            <span className="font-semibold">{lane.room.name}</span>
            <span className="ml-auto text-right">
              {!isAhead && isByPlan(run, known, lane.room.id, second) && (
                <span className="text-caution-ink">planned only: </span>
              )}
              {stateText(roomState(lane, second))}
            </span>
          </li>
        ))}
      </ul>
      {working && levels.length > 0 && (
        <p className="mt-2 text-sm text-soft">
          {levelsAt(levels, second)
            .map(
              ({ level, volume }) =>
                `${levelName(level, vesselName)}: ${volume < 1e-5 ? "empty" : formatAmount(units.volume(volume))}`,
            )
            .join(" · ")}
        </p>
      )}
    </section>
  );
}

interface PersonProps {
  readonly name: string | undefined;
  readonly step: Step | undefined;
  readonly next: Step | undefined;
  readonly roomName: (id?: string) => string | undefined;
  readonly vesselName: (id: string) => string;
  readonly second: number;
  readonly isLogged: (step: Step) => boolean;
  readonly until: (step: Step) => string;
  readonly from: (step: Step) => string;
}

function Person({ name, step, next, roomName, vesselName, second, isLogged, until, from }: PersonProps) {
  const what = (each: Step) =>
    [stepName(each), roomName(each.roomId)].filter((part) => part !== undefined).join(", ");
  const tool = step && toolName(step, vesselName);
  return (
    <div className="mb-2">
      {name !== undefined && <div className="text-sm text-soft">{name}</div>}
      {step ? (
        <p>
          <strong className="text-lg leading-tight">{what(step)}</strong>{" "}
          <span className="text-soft">
            {!isLogged(step) && <span className="text-caution-ink">planned only </span>}
            {tool ? `with ${tool}, ` : ""}until <span className="font-mono">{until(step)}</span>
            {step.end - second >= 60 && `, ${formatDuration(step.end - second)} to go`}
          </span>
        </p>
      ) : (
        <p>
          <strong className="text-lg leading-tight">{next ? "Free" : "Done"}</strong>
          {next && (
            <span className="text-soft">
              {" "}
              until <span className="font-mono">{from(next)}</span>: then {midSentence(what(next))}
            </span>
          )}
        </p>
      )}
    </div>
  );
}
