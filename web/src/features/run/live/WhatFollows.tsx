import type { JobRun, JoinedSteps } from "@scutch/core/run";
import { openStepsOf, type ProgressById } from "@scutch/core/run";
import { timeAt } from "../../../format/time.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { midSentence, personName } from "../../../shared/run/stepWords.ts";
import { useTimes } from "../../../state/useTimes.ts";
import { ownInHand } from "./OwnStep.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly run: JobRun;
  readonly known: ProgressById;
  readonly who: number;
  readonly people: number;
  readonly names: readonly string[];
  readonly after: readonly JoinedSteps[];
  readonly what: (...steps: JoinedSteps) => string;
}

/** The next steps, what the others have in hand, what was promised and when all is done. */
export function WhatFollows({ desk, run, known, who, people, names, after, what }: Props) {
  const { clock, about } = useTimes();
  const time = (second: number) => timeAt(desk.startMs, second / 3600);
  const others = Array.from({ length: people }, (_, i) => i).filter((i) => i !== who);
  const promises = (desk.input.run?.promises ?? []).flatMap(({ roomId, by }) => {
    const i = desk.work.rooms.findIndex(({ id }) => id === roomId);
    const room = desk.work.rooms[i];
    const hours = desk.dried?.result.rooms[i]?.touchDryHours;
    return room && hours != null ? [{ room, by, walkOn: (room.finishedAtHours + hours) * 3600 }] : [];
  });
  return (
    <dl className="grid gap-1 border-rule border-t pt-2">
      {after.slice(0, 2).map((each, i) => (
        <div key={each[0].id} className="flex justify-between gap-3">
          <dt>
            {i === 0 ? <strong>Then </strong> : ""}
            {what(...each)}
          </dt>
          <dd className="font-mono">{clock(time(each[0].start))}</dd>
        </div>
      ))}
      {others.map((other) => {
        const [theirs] = openStepsOf(run, known, other);
        const own = ownInHand(desk.log, other);
        const since = own?.startedAt ?? (theirs && time(theirs.start));
        return (
          <div key={other} className="flex justify-between gap-3 text-soft">
            <dt>
              {personName(other, names)}: {midSentence(own?.what ?? (theirs ? what(theirs) : "done"))}
            </dt>
            {since !== undefined && <dd className="font-mono">{clock(since)}</dd>}
          </div>
        );
      })}
      {promises.map(({ room, by, walkOn }) => (
        <div
          key={room.id}
          className={`flex justify-between gap-3 ${walkOn > by ? "font-semibold text-caution-ink" : "text-soft"}`}
        >
          <dt>
            {room.name}, touch-dry: promised {clock(time(by))}
            {walkOn > by ? ", will be late" : ""}
          </dt>
          <dd className="font-mono">{about(time(walkOn), desk.startMs)}</dd>
        </div>
      ))}
      <div className="flex justify-between gap-3 text-soft">
        <dt>All done about</dt>
        <dd className="font-mono">{about(time(run.makespan), desk.startMs)}</dd>
      </div>
    </dl>
  );
}
