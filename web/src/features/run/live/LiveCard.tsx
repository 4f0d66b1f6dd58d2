import { loggedRun } from "@scutch/contract";
import { finishedRooms, isUnderWay, packedUpAt, runLogged } from "@scutch/core/log";
import { useContext, useMemo, useState } from "react";
import { clock24, dayOf, longDay } from "../../../format/time.ts";
import type { JobDesk } from "../../../planning/desk.ts";
import { LogNowContext } from "../../../planning/logNow.ts";
import { Button } from "../../../ui/Button.tsx";
import { Dialog } from "../../../ui/Dialog.tsx";
import { useClock } from "../../../ui/useClock.ts";
import type { LiveProps } from "./liveProps.ts";
import { useOneTap } from "./oneTap.ts";
import { Review } from "./Review.tsx";
import { UnderWay } from "./UnderWay.tsx";
import { useRunLog } from "./useRunLog.ts";

/** The desk with the log of this moment laid over it: its run is the one before, to go on with until the new one is planned. */
function useDeskNow(desk: JobDesk): JobDesk {
  const logNow = useContext(LogNowContext) ?? desk.log;
  const clock = useClock();
  return useMemo(() => {
    if (logNow === desk.log) return desk;
    const { logged } = loggedRun(desk.job, logNow, { startsAt: desk.start, now: clock.now() });
    return { ...desk, log: logNow, input: { ...desk.input, ...(logged ? { logged } : {}) }, rough: true };
  }, [desk, logNow, clock]);
}

/** The job under way: the one next step, its clock, what dwells meanwhile, and what comes after. */
export function LiveCard({ desk: planned, ...props }: LiveProps) {
  const desk = useDeskNow(planned);
  const logged = runLogged(desk.log);
  const log = useRunLog(desk, props.run, {});
  const { now } = useClock();
  const oneTap = useOneTap();
  const begin = () => oneTap.isAgain() || log.begin();
  const [asking, setAsking] = useState(false);
  const close = () => setAsking(false);
  // A room finished already says on which day the work began.
  const isOtherDay = !props.practice && dayOf(now()) !== desk.job.day && finishedRooms(desk.log).size === 0;
  const beginToday = () => {
    const [day, startsAt] = [dayOf(now()), clock24(now())];
    close();
    if (desk.edit((job) => ({ ...job, day, startsAt })) === undefined) begin();
  };
  if (isUnderWay(logged)) return <UnderWay desk={desk} {...props} />;
  if (packedUpAt(logged) !== undefined) return <Review desk={planned} {...props} />;
  return (
    <section aria-label="The job" className="border-accent border-t-4 bg-paper p-4 sm:p-5 print:hidden">
      <h2 className="font-semibold text-lg">When you begin, begin here.</h2>
      <p className="mt-1 text-soft">
        One step at a time, with its clock and what dwells meanwhile. Each tap goes into the log with its
        time.
      </p>
      <Button weight="main" className="mt-3 w-full" onClick={() => (isOtherDay ? setAsking(true) : begin())}>
        Start the job
      </Button>
      {asking && (
        <Dialog
          open
          title={`It is planned for ${longDay(desk.job.day)} ${desk.job.startsAt}.`}
          onClose={close}
        >
          <p className="mt-2">Its hours, breaks and promises go by the day it is on.</p>
          <div className="mt-4 flex flex-wrap gap-2">
            <Button weight="main" onClick={beginToday}>
              Move it to now and begin
            </Button>
            <Button onClick={close}>Not now</Button>
          </div>
        </Dialog>
      )}
    </section>
  );
}
