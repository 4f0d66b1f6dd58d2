import { meterReadings } from "@scutch/core/log";
import { useState } from "react";
import { quantityReader } from "../../format/readers.ts";
import { percent } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { type EntryFormProps, EntryFrame, NO_ROOM, ownRoom, roomOptions } from "./EntryFrame.tsx";
import { useInstruments } from "./instruments.ts";

/** A run is under way, logged step by step, and no step of this room is begun. */
const notBegun = ({ input: { logged, finishedHours = {} } }: JobDesk, roomId: string): boolean =>
  logged !== undefined &&
  finishedHours[roomId] === undefined &&
  !Object.keys(logged).some((id) => id.includes(roomId));

/** What a moisture meter shows, typed, or taken from one that is connected. */
export function ReadingForm({ desk, add, room, onRoom, children }: EntryFormProps) {
  const { clock } = useTimes();
  const instruments = useInstruments();
  const [place, setPlace] = useState<"carpet" | "dry-standard">("carpet");
  const [moisture, setMoisture] = useState<number>();
  const [error, setError] = useState<string>();
  const roomId = ownRoom({ desk, room });
  if (roomId === undefined) return NO_ROOM;
  const submit = () =>
    moisture === undefined
      ? setError("Enter the meter reading, like 19%.")
      : add({ kind: "reading", roomId, place, moisture });
  const shown = instruments?.moistureMeter(roomId, place);
  const { carpet, dryStandard } = meterReadings(desk.log, roomId);
  const before = place === "carpet" ? carpet.at(-1) : dryStandard;
  return (
    <EntryFrame onAdd={submit}>
      {shown !== undefined && (
        <Button onClick={() => add({ kind: "reading", roomId, place, moisture: shown })}>
          Log the meter reading: {percent(shown)}
        </Button>
      )}
      <QuantityField
        label="Meter reading"
        value={moisture}
        digits
        show={percent}
        read={(text) => {
          const read = quantityReader("share", "percent")(text);
          if ("error" in read || (read.value >= 0 && read.value <= 1)) return read;
          return { error: "A meter reads 0 to 100%. Check the reading." };
        }}
        onChange={(value) => {
          setMoisture(value);
          setError(undefined);
        }}
        fault={error}
      />
      <ChoiceField label="Room" value={roomId} options={roomOptions(desk)} onChange={onRoom} />
      {place === "carpet" && notBegun(desk, roomId) && (
        <p className="text-caution-ink text-sm">This room isn’t started yet. Right room?</p>
      )}
      <Segmented
        label="Where"
        value={place}
        options={[
          { value: "carpet", name: "Cleaned carpet" },
          { value: "dry-standard", name: "Dry standard" },
        ]}
        onChange={setPlace}
      />
      {before && (
        <p className="text-sm text-soft">
          Last: {percent(before.moisture)} at {clock(Date.parse(before.at))}.
        </p>
      )}
      {children}
    </EntryFrame>
  );
}
