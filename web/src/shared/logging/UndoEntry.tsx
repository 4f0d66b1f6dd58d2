import { Undo2 } from "lucide-react";
import { useEffect, useState } from "react";
import type { JobDesk } from "../../planning/desk.ts";
import { selectJustLogged, takenBack, UNDO_WINDOW_MS } from "../../state/loggedSlice.ts";
import { useAppDispatch, useAppSelector } from "../../state/store.ts";
import { useUnits } from "../../state/useUnits.ts";
import { midSentence } from "../run/stepWords.ts";
import { entryText } from "./entryText.ts";
import { useLogging } from "./useLogging.ts";

/** What was just logged, with one tap to take it back while it is fresh: a slip of the finger needs no reason. */
export function UndoEntry({ desk }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const log = useLogging(desk);
  const dispatch = useAppDispatch();
  const logged = useAppSelector(selectJustLogged);
  const [now, setNow] = useState(Date.now);
  const left = logged ? logged.at + UNDO_WINDOW_MS - now : 0;
  useEffect(() => {
    setNow(Date.now());
    if (!logged) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    const end = setTimeout(() => clearInterval(timer), UNDO_WINDOW_MS + 1000);
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
      data-undo
      role="status"
      className="mt-3 flex items-center justify-between gap-3 bg-ink px-4 text-ground print:hidden"
    >
      <span className="min-w-0 truncate">Logged: {midSentence(what)}</span>
      <button
        type="button"
        onClick={takeBack}
        className="flex min-h-12 shrink-0 items-center gap-2 font-semibold underline"
      >
        <Undo2 aria-hidden size={18} /> Undo
      </button>
    </div>
  );
}
