import { useDesk } from "../../planning/openDesk.ts";
import { Loggers } from "../../shared/logger/Loggers.tsx";
import { useMay } from "../../state/useMay.ts";
import { useNow } from "../../ui/useNow.ts";
import { EntryForm } from "./EntryForm.tsx";
import { EntryList } from "./EntryList.tsx";

/** What happened, in order, and a short form for the next thing. */
export function LogScreen() {
  const desk = useDesk();
  const now = useNow();
  const mayLog = useMay("log");
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-6 px-4 pt-5 sm:px-7 lg:grid-cols-[1fr_23rem]">
      <section aria-label="What happened" className="max-lg:order-2">
        <EntryList desk={desk} now={now} />
      </section>
      {mayLog && (
        <div className="grid content-start gap-6 self-start">
          <EntryForm desk={desk} />
          <Loggers desk={desk} />
        </div>
      )}
    </div>
  );
}
