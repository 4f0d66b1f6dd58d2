import { formatDuration } from "@scutch/core/quantity";
import type { Step } from "@scutch/core/run";
import { useId, useState } from "react";
import { timeAt } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { stepName } from "../../shared/run/stepWords.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { FieldError, inputLook } from "../../ui/FieldFrame.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly step: Step;
  readonly roomName: string | undefined;
  readonly onClose: () => void;
}

const MINUTE = 60_000;

/** One step of the run: hold it at an hour, put it off, or let it move again. The rest is planned round it. */
export function StepDialog({ desk: { job, edit, startMs }, step, roomName, onClose }: Props) {
  const { clock, clock24 } = useTimes();
  const id = useId();
  const begins = timeAt(startMs, step.start / 3600);
  const pin = job.pins?.find((each) => each.id === step.id);
  const [hour, setHour] = useState(pin?.at ?? clock24(begins));
  const [fault, setFault] = useState<string>();
  const keepAt = (time: string | undefined) => {
    const refused = edit((before) => {
      const others = (before.pins ?? []).filter((each) => each.id !== step.id);
      return { ...before, pins: time === undefined ? others : [...others, { id: step.id, at: time }] };
    });
    setFault(refused);
    if (!refused) onClose();
  };
  const later = (minutes: number) => keepAt(clock24(begins + minutes * MINUTE));
  return (
    <Dialog open title={[stepName(step), roomName].filter(Boolean).join(", ")} onClose={onClose}>
      <p className="mt-1 text-soft">
        {clock(begins)} to {clock(timeAt(startMs, step.end / 3600))}, {formatDuration(step.end - step.start)}
        {pin ? ". Locked." : ""}
      </p>
      {step.kind === "break" ? (
        <p className="mt-3">Breaks stay put. Change them under Breaks.</p>
      ) : (
        <div className="mt-4 grid gap-4">
          <div className="grid grid-cols-2 gap-2">
            {[10, 20, 30, 60].map((minutes) => (
              <Button key={minutes} onClick={() => later(minutes)}>
                {minutes === 60 ? "1 h" : `${minutes} min`} later
              </Button>
            ))}
          </div>
          <div className="grid grid-cols-[1fr_auto] items-end gap-2">
            <label htmlFor={id} className="text-sm text-soft">
              Starts at
              <input
                id={id}
                type="time"
                className={inputLook(fault !== undefined)}
                value={hour}
                onChange={({ target }) => setHour(target.value)}
              />
            </label>
            <Button weight="main" disabled={hour === ""} onClick={() => keepAt(hour)}>
              Lock start time
            </Button>
          </div>
          <FieldError sentence={fault} />
          {pin && (
            <Button weight="quiet" className="justify-self-start" onClick={() => keepAt(undefined)}>
              Unlock
            </Button>
          )}
        </div>
      )}
    </Dialog>
  );
}
