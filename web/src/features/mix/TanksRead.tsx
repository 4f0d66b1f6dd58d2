import { DRYING_LIMITS } from "@scutch/core/drying";
import type { WaterQuestion } from "@scutch/core/plan";
import { useState } from "react";
import type { JobDesk } from "../../planning/desk.ts";
import { rinsedRooms, TanksForm } from "../../shared/logging/TanksForm.tsx";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";

const QUESTION: Record<WaterQuestion["code"], string> = {
  "tank-reading": "check the tank readings",
  "too-wet": "check the wand settings",
};
const WAY_OUT: Record<WaterQuestion["code"], string> = {
  "tank-reading": "Log new tank readings. Until then the plan uses its estimate.",
  "too-wet": "Check head, jets, pressure and wand speed.",
};

const namesOf = ({ job }: JobDesk, ids: readonly string[]) =>
  job.rooms
    .filter(({ id }) => ids.includes(id))
    .map(({ name }) => name)
    .join(", ");

/** What the tanks really showed over some rooms. It takes the place of the estimate, and drying follows it. */
export function TanksRead({ desk }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const measured = desk.work.rooms.filter((room) => room.residualMeasured);
  return (
    <div className="mt-3">
      {desk.work.questions.map(({ code, roomIds: asked, residual }) => (
        <Callout
          key={code + asked.join()}
          tone="caution"
          title={`${namesOf(desk, asked)}: ${QUESTION[code]}`}
        >
          They would leave {units.massPerArea(residual)}; carpet holds at most{" "}
          {units.massPerArea(DRYING_LIMITS.residual[1])}. {WAY_OUT[code]}
        </Callout>
      ))}
      {measured.length > 0 && (
        <p>
          Measured:{" "}
          {measured
            .map(({ name, residual }) => `${name} of residual moisture in ${units.massPerArea(residual)}`)
            .join(", ")}
          .
        </p>
      )}
      {open ? (
        <div className="mt-2 bg-paper p-3">
          <TanksForm desk={desk} onLogged={() => setOpen(false)} />
        </div>
      ) : (
        rinsedRooms(desk).length > 0 && (
          <Button weight="quiet" onClick={() => setOpen(true)}>
            Log tank readings
          </Button>
        )
      )}
    </div>
  );
}
