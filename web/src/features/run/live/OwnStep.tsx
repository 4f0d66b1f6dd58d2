import type { LogEntry, RoomId } from "@scutch/contract";
import { foldRunState, isOwnStep } from "@scutch/core/log";
import { Button } from "../../../ui/Button.tsx";
import { clockOf, TickingClock } from "./Ticking.tsx";

/** A step somebody added on the way; `who` from 1, its beginning in ms since 1970. */
export interface OwnStep {
  readonly step: string;
  readonly what: string;
  readonly roomId?: RoomId;
  readonly who: number;
  readonly startedAt: number;
}

/** The step of their own that somebody (from 0) has in hand. */
export function ownInHand(log: readonly LogEntry[], who: number): OwnStep | undefined {
  for (const [step, logged] of foldRunState(log).steps) {
    const { startedAt, doneAt, skippedAt, roomId, what = "Own step" } = logged;
    if (!isOwnStep(step) || startedAt === undefined || logged.who !== who + 1) continue;
    if (doneAt !== undefined || skippedAt !== undefined) continue;
    return {
      step,
      what,
      who: who + 1,
      startedAt,
      ...(roomId === undefined ? {} : { roomId: roomId as RoomId }),
    };
  }
  return undefined;
}

/** A step of one's own in hand: how long it has taken, and done. The plan waits and moves on with the clock. */
export function OwnStepCard({ own, onDone }: { readonly own: OwnStep; readonly onDone: () => void }) {
  return (
    <>
      <div>
        <p className="text-soft">Now, added</p>
        <h2 className="font-bold text-2xl leading-tight">{own.what}</h2>
        <p
          className="font-bold font-mono text-[min(3.75rem,18vw)] leading-none"
          role="timer"
          aria-label="Step timer"
        >
          <TickingClock>{(ms) => clockOf((ms - own.startedAt) / 1000)}</TickingClock>
        </p>
        <p className="mt-1 text-soft">so far; later steps shift</p>
      </div>
      <Button weight="main" className="min-h-16 text-xl" onClick={onDone}>
        Done
      </Button>
    </>
  );
}
