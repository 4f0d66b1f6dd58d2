import { isUnderWay, runLogged } from "@scutch/core/log";
import { useMemo } from "react";
import { Button } from "../../../ui/Button.tsx";
import { type LiveProps, NOTHING } from "./liveProps.ts";
import { Review } from "./Review.tsx";
import { UnderWay } from "./UnderWay.tsx";
import { useRunLog } from "./useRunLog.ts";

/** The job under way: the one next step, its clock, what dwells meanwhile, and what comes after. */
export function LiveCard(props: LiveProps) {
  const { desk, run } = props;
  const logged = useMemo(() => runLogged(desk.log), [desk.log]);
  const log = useRunLog(desk, run, desk.input.logged ?? NOTHING, props.left);
  if (isUnderWay(logged)) return <UnderWay {...props} />;
  if (logged.steps.get("pack-up")?.doneAt !== undefined) return <Review {...props} />;
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
