import { Undo2 } from "lucide-react";
import { useEffect, useState } from "react";
import type { JobDesk } from "../../planning/desk.ts";
import { selectJustLogged, TAKE_BACK_WITHIN, takenBack } from "../../state/loggedSlice.ts";
import { useAppDispatch, useAppSelector } from "../../state/store.ts";
import { useUnits } from "../../state/useUnits.ts";
import { entryText } from "./entryText.ts";
import { useLogging } from "./useLogging.ts";

/** What was just logged, with one tap to take it back while it is fresh: a slip of the finger needs no reason. */
export function TakeBack({ desk }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const log = useLogging(desk);
  const dispatch = useAppDispatch();
  const logged = useAppSelector(selectJustLogged);
  const [now, setNow] = useState(Date.now);
  const left = logged ? logged.at + TAKE_BACK_WITHIN - now : 0;
  useEffect(() => {
    setNow(Date.now());
    if (!logged) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    const end = setTimeout(() => clearInterval(timer), TAKE_BACK_WITHIN + 1000);
    return () => {
      clearInterval(timer);
      clearTimeout(end);
    };
  }, [logged]);
  if (!logged || logged.jobId !== desk.job.id || left <= 0 || logged.entry.kind === "correction") return null;
  const { what } = entryText(logged.entry, desk, units);
  const takeBack = () => {
    for (const entry of [...logged.follows, logged.entry])
      log({
        kind: "correction",
        corrects: entry.id,
        text: entryText(entry, desk, units).what,
        takenBack: true,
      });
    dispatch(takenBack());
  };
  return (
    <div
      role="status"
      className="mt-3 flex items-center justify-between gap-3 bg-ink px-4 text-ground print:hidden"
    >
      <span className="min-w-0 truncate">Logged: {what.toLowerCase()}</span>
      <button
        type="button"
        onClick={takeBack}
        className="flex min-h-12 shrink-0 items-center gap-2 font-semibold underline"
      >
        <Undo2 aria-hidden size={18} /> Take back
      </button>
    </div>
  );
}
