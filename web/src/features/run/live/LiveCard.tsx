import { loggedRun } from "@scutch/contract";
import { isUnderWay, runLogged } from "@scutch/core/log";
import { useContext, useMemo } from "react";
import type { JobDesk } from "../../../planning/desk.ts";
import { LogNowContext } from "../../../planning/logNow.ts";
import { Button } from "../../../ui/Button.tsx";
import { useClock } from "../../../ui/useClock.ts";
import type { LiveProps } from "./liveProps.ts";
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
  if (isUnderWay(logged)) return <UnderWay desk={desk} {...props} />;
  if (logged.steps.get("pack-up")?.doneAt !== undefined) return <Review desk={planned} {...props} />;
  return (
    <section aria-label="The job" className="border-accent border-t-4 bg-paper p-4 sm:p-5 print:hidden">
      <h2 className="font-semibold text-lg">When you begin, begin here.</h2>
      <p className="mt-1 text-soft">
        One step at a time, with its clock and what dwells meanwhile. Each tap goes into the log with its
        time.
      </p>
      <Button weight="main" className="mt-3 w-full" onClick={() => log.begin()}>
        Start the job
      </Button>
    </section>
  );
}
