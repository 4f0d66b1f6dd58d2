import type { Room } from "@scutch/contract";
import { airSpeedFromMovers, explainAirSpeed } from "@scutch/core/drying";
import { DEFAULTS, roomsSetNow } from "@scutch/core/plan";
import { formatQuantity } from "@scutch/core/quantity";
import { Flag } from "lucide-react";
import { quantityReader } from "../../format/readers.ts";
import { hoursAt, timeAt } from "../../format/time.ts";
import { WINDOW_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { airMoverOf, MAX_AIR_MOVERS } from "../../planning/dryingGear.ts";
import { doorsOfRoom, withDoors } from "../../planning/roomDoors.ts";
import { withRoom } from "../../planning/withRoom.ts";
import { ExplainedFigure } from "../../shared/explain/ExplainedFigure.tsx";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { useMay } from "../../state/useMay.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { optionsOf } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { Stepper } from "../../ui/Stepper.tsx";
import type { RoomChange } from "./changesFor.ts";

interface Props {
  readonly desk: JobDesk;
  readonly place: number;
  readonly now: number;
}

/** What can be moved in a room, and the mark that it is finished. */
export function RoomLevers({ desk, place, now }: Props) {
  const units = useUnits();
  const { clock } = useTimes();
  const { job, work, edit, shelf } = desk;
  const log = useLogging(desk);
  const mayLog = useMay("log");
  const hours = hoursAt(desk.startMs, now);
  const planned = job.rooms[place];
  const known = work.rooms[place];
  if (!planned || !known) return null;
  const [room = planned] = roomsSetNow([planned], desk.input.airChanges, hours);
  // Once a room dries, what is switched counts from then on: the hours before stay as they were.
  const isDrying = known.finishLogged;
  const plan = (change: Partial<Room>, showLimit?: (limit: number) => string) =>
    edit((before) => withRoom(before, room.id, change), showLimit);
  const set = (change: Omit<RoomChange, "roomId" | "doors">, showLimit?: (limit: number) => string) => {
    if (!isDrying) return plan(change, showLimit);
    log({ kind: "air-changed", roomId: room.id, ...change });
    return undefined;
  };
  const turn = (door: NonNullable<RoomChange["doors"]>[number]) => {
    if (isDrying) log({ kind: "air-changed", roomId: room.id, doors: [door] });
    else void edit((before) => withDoors(before, [door]));
  };
  const heating = room.heating ?? known.heating;
  // A dehumidifier is rated in litres or in pints a day.
  const perDay = units.system === "metric" ? "l" : "pt";
  const movers = room.airMovers ?? [];
  const speed = room.airSpeed ?? airSpeedFromMovers(movers, known.area, known.height);
  const setMovers = (count: number) =>
    void set({ airMovers: Array.from({ length: count }, (_, i) => movers[i] ?? airMoverOf(shelf.gear)) });
  const finish = () =>
    log({
      kind: "room-finished",
      roomId: room.id,
    });
  return (
    <div className="mt-4 grid gap-4">
      <h3 className="border-ink border-t-2 pt-3 font-semibold">In this room</h3>
      {isDrying && <p className="-mt-3 text-soft">What you change counts from now on.</p>}
      <Segmented
        label="Windows"
        value={room.windows ?? DEFAULTS.windows}
        assumed={room.windows === undefined}
        options={optionsOf(WINDOW_NAMES)}
        onChange={(windows) => void set({ windows })}
      />
      <Segmented
        label="Heating while it dries"
        value={heating ? "on" : "off"}
        assumed={room.heating === undefined}
        options={[
          { value: "on", name: `On, ${units.temperature(known.air.temperature)}` },
          { value: "off", name: "Off" },
        ]}
        onChange={(heating) => void set({ heating: heating === "on" })}
      />
      {doorsOfRoom(desk.input, room.id).map(({ doorId, other, isShut }) => (
        <Segmented
          key={doorId}
          label={`Door to ${other}`}
          value={isShut ? "shut" : "open"}
          options={[
            { value: "open", name: "Open" },
            { value: "shut", name: "Closed" },
          ]}
          onChange={(next) => turn({ doorId, isShut: next === "shut" })}
        />
      ))}
      <div className="flex flex-wrap items-end justify-between gap-4">
        <Stepper label="Air movers" value={movers.length} most={MAX_AIR_MOVERS} onChange={setMovers} />
        <p className="text-right text-soft">
          air at the floor{" "}
          <ExplainedFigure
            label="Air speed"
            working={() => explainAirSpeed(known, movers)}
            className="block font-bold font-mono text-ink text-lg"
          >
            {units.speed(speed)}
          </ExplainedFigure>
        </p>
      </div>
      {known.airMoversFromHours !== undefined && (
        <p>
          Air movers run from {clock(timeAt(desk.startMs, known.airMoversFromHours))}: motors take every
          circuit until then.
        </p>
      )}
      <div className="grid grid-cols-2 gap-3">
        <QuantityField
          label="Measured air speed"
          value={room.airSpeed}
          show={units.speed}
          read={quantityReader("speed", units.system === "metric" ? "mps" : "fpm")}
          placeholder={units.speed(speed)}
          onChange={(airSpeed) => plan({ airSpeed }, units.speed)}
        />
        <QuantityField
          label="Dehumidifier, per day"
          value={
            room.dehumidifierLitresPerDay === undefined ? undefined : room.dehumidifierLitresPerDay / 1000
          }
          show={(value) => formatQuantity(value, perDay, 1)}
          read={quantityReader("volume", perDay)}
          placeholder="none"
          onChange={(value) =>
            set(
              isDrying || value !== undefined
                ? { dehumidifierLitresPerDay: (value ?? 0) * 1000 }
                : { dehumidifierLitresPerDay: undefined },
              (limit) => formatQuantity(limit / 1000, perDay, 0),
            )
          }
        />
      </div>
      {!known.finishLogged && mayLog && (
        <Button onClick={finish} className="min-h-14">
          <Flag aria-hidden size={20} /> Mark room finished
        </Button>
      )}
    </div>
  );
}
