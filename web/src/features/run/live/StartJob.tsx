import { roomFinishTimes } from "@scutch/core/log";
import { formatDuration } from "@scutch/core/quantity";
import { useState } from "react";
import { Link } from "react-router";
import { longDay } from "../../../format/time.ts";
import { useMay } from "../../../state/useMay.ts";
import { useTimes } from "../../../state/useTimes.ts";
import { Button } from "../../../ui/Button.tsx";
import { Dialog } from "../../../ui/Dialog.tsx";
import { useClock } from "../../../ui/useClock.ts";
import type { LiveProps } from "./liveProps.ts";
import { tapGuard } from "./tapGuard.ts";
import { useRunLog } from "./useRunLog.ts";

/** The tap that begins a job; planned for another day, it is asked whether it moves. */
export function StartJob({ desk, run, practice = false }: LiveProps) {
  const mayLog = useMay("log");
  const log = useRunLog(desk, run, {});
  const { now } = useClock();
  const { clock24, dayOf } = useTimes();
  const begin = () => tapGuard.isAgain() || log.begin();
  const [asking, setAsking] = useState(false);
  const close = () => setAsking(false);
  // A room finished already says on which day the work began.
  const isOtherDay = !practice && dayOf(now()) !== desk.job.day && roomFinishTimes(desk.log).size === 0;
  const beginToday = () => {
    const [day, startsAt] = [dayOf(now()), clock24(now())];
    close();
    if (desk.edit((job) => ({ ...job, day, startsAt })) === undefined) begin();
  };
  if (!practice && !mayLog)
    return (
      <section aria-label="The job" className="border-accent border-t-4 bg-paper p-4 sm:p-5 print:hidden">
        <h2 className="font-semibold text-lg">Practise it first</h2>
        <p className="mt-1 text-soft">Step by step, with a clock you can run fast. Nothing is logged.</p>
        <Link
          to="../practice"
          relative="path"
          className="mt-3 flex min-h-14 w-full items-center justify-center rounded-md bg-accent px-6 font-bold text-lg text-on-accent"
        >
          Practise this job
        </Link>
      </section>
    );
  return (
    <section aria-label="The job" className="border-accent border-t-4 bg-paper p-4 sm:p-5 print:hidden">
      <h2 className="font-semibold text-lg">Ready to start?</h2>
      {desk.late > 0 && (
        <p className="mt-1 font-semibold text-caution-ink">
          Not started: {formatDuration(desk.late / 1000)} late. Times below count from now.
        </p>
      )}
      <p className="mt-1 text-soft">
        One step at a time, with a timer and what’s dwelling. Every tap is logged with its time.
      </p>
      <Button weight="main" className="mt-3 w-full" onClick={() => (isOtherDay ? setAsking(true) : begin())}>
        Start job
      </Button>
      {asking && (
        <Dialog
          open
          title={`This job is planned for ${longDay(desk.job.day)} ${desk.job.startsAt}.`}
          onClose={close}
        >
          <p className="mt-2">Its times, breaks and promises will move to today.</p>
          <div className="mt-4 flex flex-wrap gap-2">
            <Button weight="main" onClick={beginToday}>
              Move to now and start
            </Button>
            <Button onClick={close}>Not now</Button>
          </div>
        </Dialog>
      )}
    </section>
  );
}
