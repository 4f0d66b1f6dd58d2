import { useContext, useMemo } from "react";
import type { JobDesk } from "../planning/desk.ts";
import { LogNowContext } from "../planning/logNow.ts";
import { stepsInHand } from "../planning/stepsInHand.ts";
import { midSentence, stepName } from "../shared/run/stepWords.ts";
import { selectMe } from "../state/crewSlice.ts";
import { useAppSelector } from "../state/store.ts";
import { useTimes } from "../state/useTimes.ts";

/** Who else of the crew is at what, and in which room, as their phones say it. */
export function AtWork({ desk }: { readonly desk: JobDesk }) {
  const log = useContext(LogNowContext) ?? desk.log;
  const me = useAppSelector(selectMe);
  const { clock } = useTimes();
  const all = useMemo(() => stepsInHand(log), [log]);
  const others = all.filter(({ by }) => by !== me?.person.name);
  if (others.length === 0) return null;
  const roomOf = (roomId: string | undefined) => desk.job.rooms.find(({ id }) => id === roomId)?.name;
  return (
    <p className="mt-1 text-sm" aria-live="polite">
      {others.map(({ by, does, what, roomId, since }, i) => {
        const room = roomOf(roomId);
        return (
          <span key={by}>
            {i > 0 && " · "}
            <strong>{by}</strong>: {midSentence(stepName({ kind: does, what }))}
            {room ? `, ${room}` : ""}, since {clock(since)}
          </span>
        );
      })}
    </p>
  );
}
