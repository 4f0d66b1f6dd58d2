import type { RoomId } from "@scutch/contract";
import { DRYING_LIMITS } from "@scutch/core/drying";
import type { WaterQuestion } from "@scutch/core/plan";
import { useState } from "react";
import { readsVolume } from "../../format/readers.ts";
import { joined } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Several } from "../../ui/Several.tsx";

const QUESTION: Record<WaterQuestion["code"], string> = {
  "tank-reading": "can the tanks’ reading be right?",
  "too-wet": "is the wand worked as said?",
};
const WAY_OUT: Record<WaterQuestion["code"], string> = {
  "tank-reading": "Read the tanks again and log it; until then the estimate stands.",
  "too-wet": "Check head, jets, pressure and stroke speed.",
};

const namesOf = ({ job }: JobDesk, ids: readonly string[]) =>
  job.rooms
    .filter(({ id }) => ids.includes(id))
    .map(({ name }) => name)
    .join(", ");

/** kg/m² that `water` m³ is over rooms. */
function keptBy({ work }: JobDesk, ids: readonly string[], water: number): number {
  const area = work.rooms.filter(({ id }) => ids.includes(id)).reduce((sum, room) => sum + room.area, 0);
  return (1000 * water) / area;
}

/** What the tanks really showed over some rooms. It takes the place of the estimate, and drying follows it. */
export function TanksRead({ desk }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const log = useLogging(desk);
  const [open, setOpen] = useState(false);
  const [roomIds, setRooms] = useState<RoomId[]>([]);
  const [solution, setSolution] = useState<number>();
  const [recovered, setRecovered] = useState<number>();
  const [error, setError] = useState<string>();
  const rooms = desk.job.rooms.filter((room) =>
    desk.work.rooms.some(({ id, rinse }) => id === room.id && rinse > 0),
  );
  const measured = desk.work.rooms.filter((room) => room.residualMeasured);
  const sprayed = desk.work.rooms
    .filter(({ id }) => roomIds.includes(id as RoomId))
    .reduce((sum, { preSpray }) => sum + preSpray, 0);
  const volume = (label: string, value: number | undefined, set: (value: number | undefined) => void) => (
    <QuantityField
      label={label}
      value={value}
      show={(each) => joined(units.volume(each))}
      read={readsVolume(units, "volume")}
      onChange={(each) => {
        set(each);
        setError(undefined);
        return undefined;
      }}
    />
  );
  const save = () => {
    if (roomIds.length === 0) return setError("Press the rooms it was used in.");
    if (solution === undefined || recovered === undefined)
      return setError("Type both: what was used and what came back.");
    if (recovered > solution + sprayed)
      return setError(
        "More came back than went on. Read the tanks again, or press every room it was used in.",
      );
    const kept = keptBy(desk, roomIds, sprayed + solution - recovered);
    if (kept > DRYING_LIMITS.residual[1])
      return setError(
        `That would leave ${units.massPerArea(kept)}: carpet keeps at most ${units.massPerArea(DRYING_LIMITS.residual[1])}. Read the tanks again, or press every room it was used in.`,
      );
    log({ kind: "water-measured", roomIds, solution, recovered });
    setOpen(false);
    setRooms([]);
  };
  return (
    <div className="mt-3">
      {desk.work.questions.map(({ code, roomIds: asked, residual }) => (
        <Callout
          key={code + asked.join()}
          tone="caution"
          title={`${namesOf(desk, asked)}: ${QUESTION[code]}`}
        >
          It would leave {units.massPerArea(residual)}; carpet keeps at most{" "}
          {units.massPerArea(DRYING_LIMITS.residual[1])}. {WAY_OUT[code]}
        </Callout>
      ))}
      {measured.length > 0 && (
        <p>
          Measured:{" "}
          {measured.map(({ name, residual }) => `${name} keeps ${units.massPerArea(residual)}`).join(", ")}.
        </p>
      )}
      {open ? (
        <div className="mt-2 grid gap-3 bg-paper p-3">
          <Several
            label="Rooms it was used in"
            names={Object.fromEntries(rooms.map(({ id, name }) => [id, name])) as Record<RoomId, string>}
            chosen={roomIds}
            onChange={setRooms}
          />
          <div className="grid grid-cols-2 gap-3">
            {volume("Solution used", solution, setSolution)}
            {volume("Taken up", recovered, setRecovered)}
          </div>
          <FieldError sentence={error} />
          <Button weight="main" onClick={save}>
            Log it
          </Button>
        </div>
      ) : (
        rooms.length > 0 && (
          <Button weight="quiet" onClick={() => setOpen(true)}>
            Read the tanks: what was used, what came back
          </Button>
        )
      )}
    </div>
  );
}
