import { CloudOff } from "lucide-react";
import { contractFault } from "../format/words.ts";
import { settleConflict } from "../offline/changes.ts";
import type { Conflict } from "../offline/sender.ts";
import { selectSync } from "../offline/syncSlice.ts";
import { Button } from "../ui/Button.tsx";
import { Callout } from "../ui/Callout.tsx";
import { useAppDispatch, useAppSelector } from "./store.ts";

const changes = (count: number) => (count === 1 ? "1 change is" : `${count} changes are`);

/** Whether what was done here has reached the server, and what has to be decided where it clashes. */
export function SyncStrip() {
  const sync = useAppSelector(selectSync);
  return (
    <div aria-live="polite" className="print:hidden">
      {!sync.reachable && (
        <p className="flex items-center gap-2 border-rule border-b bg-caution-wash px-4 py-2 text-sm">
          <CloudOff aria-hidden size={18} className="shrink-0" />
          {sync.pending > 0
            ? `No connection. ${changes(sync.pending)} kept on this device and sent when it is back.`
            : "No connection. Go on working: everything is kept on this device."}
        </p>
      )}
      {sync.conflicts.map((conflict) => (
        <ConflictPanel key={conflict.jobId} conflict={conflict} />
      ))}
      {sync.refused.map((refusal) => (
        <Callout
          key={refusal.seq}
          tone="stop"
          title="The server did not take a change. It is still on this device."
        >
          {refusal.faults.map((fault) => (
            <p key={fault.path.join(".")} className="text-sm">
              {fault.path.join(" › ")}: {contractFault(fault)}
            </p>
          ))}
        </Callout>
      ))}
    </div>
  );
}

function ConflictPanel({ conflict }: { readonly conflict: Conflict }) {
  const dispatch = useAppDispatch();
  const { yours, theirs } = conflict;
  const roomsOf = (rooms: readonly { readonly name: string }[]) =>
    rooms.map((room) => room.name).join(", ") || "no rooms";
  return (
    <Callout tone="stop" title={`“${yours.title}” was also changed on another device.`}>
      <dl className="my-2 grid gap-x-6 gap-y-1 text-sm sm:grid-cols-2">
        <div>
          <dt className="font-semibold">Here</dt>
          <dd>
            {yours.day} {yours.startsAt} · {roomsOf(yours.rooms)}
          </dd>
        </div>
        <div>
          <dt className="font-semibold">There</dt>
          <dd>
            {theirs
              ? `${theirs.job.day} ${theirs.job.startsAt} · ${roomsOf(theirs.job.rooms)}`
              : "The job is gone."}
          </dd>
        </div>
      </dl>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void dispatch(settleConflict(conflict, "mine"))}>Keep what is here</Button>
        {theirs && (
          <Button onClick={() => void dispatch(settleConflict(conflict, "theirs"))}>
            Take what is there
          </Button>
        )}
      </div>
    </Callout>
  );
}
