import { useState } from "react";
import { WhenField } from "../../../shared/logging/WhenField.tsx";
import { useTimes } from "../../../state/useTimes.ts";
import { Button } from "../../../ui/Button.tsx";
import { Callout } from "../../../ui/Callout.tsx";
import { TickingClock } from "./Ticking.tsx";

/** Steps in hand this long, ms, and past their planned end by a quarter of it, were likely done without a tap. */
const LONG = 3_600_000;
const OVERDUE = 900_000;

interface Props {
  /** When they were begun, and when they would be over as planned, ms since 1970. */
  readonly startedAt: number;
  readonly planned: number;
  /** They were done at `end`, ms since 1970. */
  readonly onDone: (end: number) => void;
}

/** Asks about steps begun long ago whether they still go on, and takes when they were done. "Yes" is believed for an hour. */
export function StillAtIt({ startedAt, planned, onDone }: Props) {
  const { clock } = useTimes();
  const [askedFrom, setAskedFrom] = useState(startedAt + LONG);
  const [when, setWhen] = useState<number>();
  return (
    <TickingClock>
      {(now) =>
        now < Math.max(askedFrom, planned + OVERDUE) ? null : (
          <Callout tone="caution" title={`Still at it? Started at ${clock(startedAt)}.`}>
            <div className="mt-2 grid gap-2">
              <Button onClick={() => setAskedFrom(now + LONG)}>Yes, still at it</Button>
              <Button onClick={() => onDone(planned)}>No, done as planned at {clock(planned)}</Button>
              <WhenField value={when} onChange={setWhen} />
              {when !== undefined && (
                <Button onClick={() => onDone(Math.max(when, startedAt + 1000))}>
                  No, done at {clock(Math.max(when, startedAt))}
                </Button>
              )}
            </div>
          </Callout>
        )
      }
    </TickingClock>
  );
}
