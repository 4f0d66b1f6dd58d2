import type { RoomPlan } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import type { JobRun, RunLane } from "@scutch/core/run";
import { timeAt } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly run: JobRun;
  readonly lanes: readonly RunLane<RoomPlan>[];
}

/** What can't be kept, and how much may be sprayed ahead: each with what would change it. */
export function RunAdvice({ desk, run, lanes }: Props) {
  const { clock, about } = useTimes();
  const units = useUnits();
  const { work, edit, job, startMs } = desk;
  const nameOf = (id: string) => lanes.find(({ room }) => room.id === id)?.room.name ?? "";
  const ahead = work.spraying.filter(({ limit }) => limit !== "none");
  const misted = work.spraying.filter(({ reMists }) => reMists > 0);
  const stepIds = new Set(run.steps.map(({ id }) => id));
  const stray = (job.pins ?? []).flatMap(({ id }) => (stepIds.has(id) ? [] : [id]));
  const powdery = lanes.filter(({ room }) => room.figures.vacuumDry);
  const broken = job.rooms.flatMap((room) => {
    const promise = desk.input.run?.promises?.find(({ roomId }) => roomId === room.id);
    const lane = lanes.find((each) => each.room.id === room.id);
    if (!promise || !lane || (lane.touchDry !== null && lane.touchDry <= promise.by)) return [];
    return [{ room, lane, by: promise.by }];
  });
  return (
    <div className="grid gap-3">
      {run.overdueSections.length > 0 && (
        <Callout tone="caution" title="Sprayed and not cleaned in time.">
          {run.overdueSections
            .map((id) => nameOf(run.sections.find((each) => each.id === id)?.roomId ?? ""))
            .join(", ")}
          : as things went it dries first. Mist it with water, not with more product, and clean it next.
        </Callout>
      )}
      {run.violatedPins.length > 0 && (
        <Callout tone="caution" title="A step can’t be held at its hour.">
          It stands where it fits. Hold it later, or let it move.{" "}
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
            Let it move
          </Button>
        </Callout>
      )}
      {stray.length > 0 && (
        <Callout tone="caution" title="A step you held is no longer among the steps.">
          The rooms, their sections or their fills have changed since.{" "}
          <Button
            weight="quiet"
            onClick={() =>
              edit((before) => ({
                ...before,
                pins: (before.pins ?? []).filter(({ id }) => !stray.includes(id)),
              }))
            }
          >
            Forget it
          </Button>
        </Callout>
      )}
      {broken.map(({ room, lane, by }) => (
        <Callout
          key={room.id}
          tone="caution"
          title={`${room.name} won’t be walked on by ${clock(timeAt(startMs, by / 3600))}.`}
        >
          {lane.touchDry === null
            ? "It won’t be touch-dry within four days in this air. "
            : `About ${about(timeAt(startMs, lane.touchDry / 3600), Date.now())}. `}
          Put it earlier in the order, take a second person, or dry it faster: Dry says what helps most.
        </Callout>
      ))}
      {misted.length > 0 && (
        <Callout
          tone="caution"
          title={`Mist with water while it dwells: ${misted.map(({ roomId }) => nameOf(roomId)).join(", ")}.`}
        >
          {misted
            .map(
              ({ open, dwell, fansOff }) =>
                `Half of the spray is gone in ${formatDuration(open)}, the label asks for ${formatDuration(dwell)}${fansOff === undefined ? "" : `; with the fans off in ${formatDuration(fansOff)}`}.`,
            )
            .filter((text, i, all) => all.indexOf(text) === i)
            .join(" ")}{" "}
          Water, not more product.
        </Callout>
      )}
      {powdery.length > 0 && (
        <Callout tone="advice" title="Vacuum again when it is dry.">
          {powdery
            .map(
              ({ room, dryAtSeconds }) =>
                `${room.name}: ${dryAtSeconds === null ? "not dry within four days in this air" : `from ${about(timeAt(startMs, dryAtSeconds / 3600), startMs)}`}`,
            )
            .join(", ")}
          . What was laid down dries to a powder that holds the soil; that visit isn’t among the steps.
        </Callout>
      )}
      {ahead.length > 0 && (
        <Callout
          tone="advice"
          title={`Spray no more than ${units.area(Math.min(...ahead.map((each) => each.ahead)))} ahead.`}
        >
          {ahead.map(({ roomId, ahead: most, limit, open }) => (
            <p key={roomId}>
              {nameOf(roomId)}: {units.area(most)},{" "}
              {limit === "label" && "or it stands longer than the label says"}
              {limit === "foam" && "or the foam falls before it is worked"}
              {limit === "dry-out" && `half of the spray is gone in ${formatDuration(open)}`}.
            </p>
          ))}
        </Callout>
      )}
    </div>
  );
}
