import type { RoomId } from "@scutch/contract";
import { namesById } from "@scutch/core";
import { DRYING_LIMITS } from "@scutch/core/drying";
import { foldRunState, roomFinishTimes, tankReadings } from "@scutch/core/log";
import { useState } from "react";
import { volumeReader } from "../../format/readers.ts";
import { formatAmount } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { MultiSelect } from "../../ui/MultiSelect.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { useLogging } from "./useLogging.ts";

/** kg/m² that `water` m³ is over rooms. */
function keptBy({ work }: JobDesk, ids: readonly string[], water: number): number {
  const area = work.rooms.filter(({ id }) => ids.includes(id)).reduce((sum, room) => sum + room.area, 0);
  return (1000 * water) / area;
}

/** Rooms that are rinsed from the machine's tanks. */
export const rinsedRooms = ({ job, work }: JobDesk) =>
  job.rooms.filter((room) => work.rooms.some(({ id, rinse }) => id === room.id && rinse > 0));

/** Rooms that were cleaned since the tanks were last read, from their far corner to their door: half of one isn't its area. */
function cleanedSince({ log, work: { run } }: JobDesk): ReadonlySet<string> {
  const read = new Set<string>(tankReadings(log).flatMap(({ roomIds }) => roomIds));
  const { steps } = foldRunState(log);
  const sections = run.outcome === "planned" ? run.sections : [];
  const open = new Set(
    sections.flatMap(({ roomId, cleanId }) => (steps.get(cleanId)?.doneAt === undefined ? [roomId] : [])),
  );
  const cleaned = sections.map(({ roomId }) => roomId).filter((id) => !open.has(id));
  return new Set([...cleaned, ...roomFinishTimes(log).keys()].filter((id) => !read.has(id)));
}

/** What the tanks really showed over some rooms, those cleaned since the last time first. */
export function TanksForm({ desk, onLogged }: { readonly desk: JobDesk; readonly onLogged: () => void }) {
  const units = useUnits();
  const log = useLogging(desk);
  const rooms = rinsedRooms(desk);
  const [roomIds, setRooms] = useState<RoomId[]>(() => {
    const cleaned = cleanedSince(desk);
    return rooms.flatMap(({ id }) => (cleaned.has(id) ? [id] : []));
  });
  const [solution, setSolution] = useState<number>();
  const [recovered, setRecovered] = useState<number>();
  const [error, setError] = useState<string>();
  const sprayed = desk.work.rooms
    .filter(({ id }) => roomIds.some((each) => each === id))
    .reduce((sum, { preSpray }) => sum + preSpray, 0);
  const volume = (label: string, value: number | undefined, set: (value: number | undefined) => void) => (
    <QuantityField
      label={label}
      value={value}
      show={(each) => formatAmount(units.volume(each))}
      read={volumeReader(units, "volume")}
      onChange={(each) => {
        set(each);
        setError(undefined);
        return undefined;
      }}
    />
  );
  const save = () => {
    if (roomIds.length === 0) return setError("Tap the rooms you used it in.");
    if (solution === undefined || recovered === undefined) return setError("Enter both: used and recovered.");
    if (recovered > solution + sprayed)
      return setError("You recovered more than you used. Check the tanks, or tap every room you used it in.");
    const kept = keptBy(desk, roomIds, sprayed + solution - recovered);
    if (kept > DRYING_LIMITS.residual[1])
      return setError(
        `That would leave ${units.massPerArea(kept)}. Carpet holds at most ${units.massPerArea(DRYING_LIMITS.residual[1])}. Check the tanks, or tap every room you used it in.`,
      );
    log({ kind: "water-measured", roomIds, solution, recovered });
    onLogged();
  };
  return (
    <div className="grid gap-3">
      <MultiSelect
        label="Rooms you used it in"
        names={namesById(rooms)}
        chosen={roomIds}
        onChange={setRooms}
      />
      <div className="grid grid-cols-2 gap-3">
        {volume("Solution used", solution, setSolution)}
        {volume("Recovered", recovered, setRecovered)}
      </div>
      <FieldError sentence={error} />
      <Button weight="main" onClick={save}>
        Log readings
      </Button>
    </div>
  );
}
