import { useState } from "react";
import { outcomeOf } from "../device/account.ts";
import { pathOf } from "../device/api.ts";
import { pullCrew } from "../device/pull.ts";
import { session } from "../device/session.ts";
import { dayText } from "../format/time.ts";
import { faultText } from "../shared/account/faultText.ts";
import { selectCrew } from "../state/crewSlice.ts";
import { useAppSelector } from "../state/store.ts";
import { useMay } from "../state/useMay.ts";
import { useTimes } from "../state/useTimes.ts";
import { Button } from "../ui/Button.tsx";

/** Says to everyone that the crew is going to be deleted, and lets an owner keep it. */
export function ClosingStrip() {
  const { closesAt } = useAppSelector(selectCrew);
  const { dayOf } = useTimes();
  const manages = useMay("manage-crew");
  const [fault, setFault] = useState<string>();
  if (!closesAt) return null;
  const keep = async () => {
    const { db, send } = session();
    const outcome = await outcomeOf(send("DELETE", pathOf("keepCrew")));
    setFault("fault" in outcome ? faultText(outcome.fault) : undefined);
    if ("value" in outcome) await pullCrew(db, send);
  };
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-x-4 border-stop border-b-4 bg-stop-wash px-4 py-1 print:hidden"
    >
      <p>
        <strong>This crew will be deleted on {dayText(dayOf(Date.parse(closesAt)))}</strong>, with all its
        jobs, logs and photos. {manages ? "" : "An owner can still keep it."} {fault}
      </p>
      {manages && <Button onClick={() => void keep()}>Keep the crew</Button>}
    </div>
  );
}
