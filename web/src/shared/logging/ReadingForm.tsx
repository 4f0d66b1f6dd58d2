import { airReadings, meterReadings } from "@scutch/core/log";
import { useState } from "react";
import { humidityReader, meterReader, quantityReader } from "../../format/readers.ts";
import { percent } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { type EntryFormProps, EntryFrame, NO_ROOM, ownRoom, roomOptions } from "./EntryFrame.tsx";
import { useInstruments } from "./instruments.ts";

/** A run is under way, logged step by step, and no step of this room is begun. */
const notBegun = ({ input: { logged, finishedHours = {} } }: JobDesk, roomId: string): boolean =>
  logged !== undefined &&
  finishedHours[roomId] === undefined &&
  !Object.keys(logged).some((id) => id.includes(roomId));

type Where = "carpet" | "dry-standard" | "air";

/** What a moisture meter or a thermo-hygrometer shows, typed, or taken from one that is connected. */
export function ReadingForm({ desk, add, room, onRoom, children }: EntryFormProps) {
  const instruments = useInstruments();
  const [place, setPlace] = useState<Where>("carpet");
  const [temperature, setTemperature] = useState<number>();
  const [relativeHumidity, setHumidity] = useState<number>();
  const units = useUnits();
  const [moisture, setMoisture] = useState<number>();
  const [error, setError] = useState<string>();
  const roomId = ownRoom({ desk, room });
  if (roomId === undefined) return NO_ROOM;
  const submit = () => {
    if (place === "air")
      return temperature === undefined || relativeHumidity === undefined
        ? setError("Enter temperature and humidity of the room’s air.")
        : add({ kind: "air-reading", roomId, temperature, relativeHumidity });
    return moisture === undefined
      ? setError("Enter the meter reading, like 19%.")
      : add({ kind: "reading", roomId, place, moisture });
  };
  return (
    <EntryFrame onAdd={submit}>
      {place === "air" ? (
        <div className="grid grid-cols-2 gap-3">
          <QuantityField
            label="Temperature"
            value={temperature}
            digits
            show={units.temperature}
            read={quantityReader("temperature", units.bare.temperature)}
            onChange={(value) => {
              setTemperature(value);
              setError(undefined);
            }}
          />
          <QuantityField
            label="Humidity"
            value={relativeHumidity}
            digits
            show={percent}
            read={humidityReader}
            onChange={(value) => {
              setHumidity(value);
              setError(undefined);
            }}
          />
          <div className="col-span-2 empty:hidden">
            <FieldError sentence={error} />
          </div>
        </div>
      ) : (
        <>
          <TakeMeter
            shown={instruments?.moistureMeter(roomId, place)}
            onTake={(value) => add({ kind: "reading", roomId, place, moisture: value })}
          />
          <QuantityField
            label="Meter reading"
            value={moisture}
            digits
            show={percent}
            read={meterReader}
            hint="On another scale, type it with its end: 190/999."
            onChange={(value) => {
              setMoisture(value);
              setError(undefined);
            }}
            fault={error}
          />
        </>
      )}
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
          { value: "air", name: "Room air" },
        ]}
        onChange={(next) => {
          setPlace(next);
          setError(undefined);
        }}
      />
      <LastReading log={desk.log} roomId={roomId} place={place} />
      {children}
    </EntryFrame>
  );
}

function TakeMeter({
  shown,
  onTake,
}: {
  readonly shown: number | undefined;
  readonly onTake: (shown: number) => void;
}) {
  return shown === undefined ? null : (
    <Button onClick={() => onTake(shown)}>Log the meter reading: {percent(shown)}</Button>
  );
}

/** What was read here before. */
function LastReading({
  log,
  roomId,
  place,
}: Pick<JobDesk, "log"> & { readonly roomId: string; readonly place: Where }) {
  const { clock } = useTimes();
  const units = useUnits();
  const { carpet, dryStandard } = meterReadings(log, roomId);
  const meter = place === "carpet" ? carpet.at(-1) : dryStandard;
  const air = airReadings(log, roomId).at(-1);
  const said =
    place === "air"
      ? air && { at: air.at, text: `${units.temperature(air.temperature)}, ${percent(air.relativeHumidity)}` }
      : meter && { at: meter.at, text: percent(meter.moisture) };
  return said ? (
    <p className="text-sm text-soft">
      Last: {said.text} at {clock(Date.parse(said.at))}.
    </p>
  ) : null;
}
