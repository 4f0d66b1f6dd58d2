import { foldRunState, isRunActive, roomFinishTimes, runEndedAt } from "@scutch/core/log";
import { runProgress } from "@scutch/core/plan";
import { useContext, useMemo } from "react";
import type { JobDesk } from "../../../planning/desk.ts";
import { LogNowContext } from "../../../planning/logNow.ts";
import { ActiveRun } from "./ActiveRun.tsx";
import type { LiveProps } from "./liveProps.ts";
import { Review } from "./Review.tsx";
import { StartJob } from "./StartJob.tsx";

/** The desk with the log of this moment laid over it: its run is the one before, to go on with until the new one is planned. */
function useDeskNow(desk: JobDesk): JobDesk {
  const logNow = useContext(LogNowContext) ?? desk.log;
  return useMemo(() => {
    if (logNow === desk.log) return desk;
    const { logged } = runProgress(desk.job, logNow, {
      startsAtMs: desk.startMs,
      now: desk.input.now === undefined ? undefined : desk.startMs + desk.input.now * 1000,
    });
    return {
      ...desk,
      log: logNow,
      input: { ...desk.input, ...(logged ? { logged } : {}) },
      isProvisional: true,
    };
  }, [desk, logNow]);
}

/** The job under way: the one next step, its clock, what dwells meanwhile, and what comes after. */
export function LiveCard({ desk: planned, ...props }: LiveProps) {
  const desk = useDeskNow(planned);
  const logged = foldRunState(desk.log);
  if (isRunActive(logged)) return <ActiveRun desk={desk} {...props} />;
  if (runEndedAt(logged) !== undefined) return <Review desk={planned} {...props} />;
  // Rooms finished by hand, without the card: there is nothing left to start.
  const finished = roomFinishTimes(desk.log);
  if (!props.practice && desk.work.rooms.every(({ id, passage }) => passage || finished.has(id))) return null;
  return <StartJob desk={desk} {...props} />;
}
