import { MAX_LOGGED, type RoomId } from "@scutch/contract";
import type { LoggerColumns } from "@scutch/core/logger";
import { useMemo, useState } from "react";
import { hoursAndMinutes } from "../../format/time.ts";
import { percent } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { placeOf } from "../../planning/place.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { inputLook } from "../../ui/FieldFrame.tsx";
import { Loading } from "../../ui/States.tsx";
import { roomOptions } from "../logging/EntryFrame.tsx";
import { useLogging } from "../logging/useLogging.ts";
import type { LoggerLook } from "./logger.worker.ts";
import { aheadOf, type LoggerReading, type LoggerSummary } from "./loggerReader.ts";
import { useLoggerFile } from "./useLoggerFile.ts";

interface Props {
  readonly desk: JobDesk;
  readonly file: File;
  readonly onClose: () => void;
}

const HOUR = 3_600_000;
/** The job’s hours, as far as a logger’s readings count: before its start for the air it began with, and until it is dry at the latest. */
const [BEFORE, AFTER] = [2 * HOUR, 100 * HOUR];
const UTC = "UTC";
const HERE = "here";

/** A data logger’s file for one room: columns guessed and mapped by hand, its clock asked, and what of it counts. */
export function LoggerDialog({ desk, file, onClose }: Props) {
  const { job, shelf, startMs } = desk;
  const log = useLogging(desk);
  const rooms = roomOptions(desk);
  const [roomId, setRoom] = useState(() => rooms[0]?.value as RoomId | undefined);
  const [mapped, setMapped] = useState<LoggerColumns>();
  const [clock, setClock] = useState<typeof HERE | typeof UTC>(HERE);
  const [ahead, setAhead] = useState("0");
  const [openedAt] = useState(Date.now);
  const { zone } = placeOf(job, shelf);
  const [guess, setGuess] = useState<LoggerColumns>();
  const columns = mapped ?? guess;
  const shift = aheadOf(ahead);
  const how = useMemo(
    (): LoggerReading | undefined =>
      columns && shift !== undefined
        ? {
            columns,
            zone: clock === UTC ? UTC : zone,
            ahead: shift,
            from: startMs - BEFORE,
            to: Math.min(openedAt, startMs + AFTER),
            most: MAX_LOGGED,
          }
        : undefined,
    [columns, shift, clock, zone, startMs, openedAt],
  );
  const state = useLoggerFile(file, how);
  const look = "look" in state ? state.look : undefined;
  if (look?.guess && guess !== look.guess) setGuess(look.guess);
  const save = (summary: LoggerSummary) => {
    if (roomId === undefined) return;
    log({
      kind: "air-logged",
      roomId,
      logger: file.name.trim().slice(0, 120) || "Logger",
      readings: summary.readings.map(({ time, temperature, relativeHumidity }) => ({
        at: new Date(time).toISOString(),
        temperature: Math.round(temperature * 100) / 100,
        relativeHumidity: Math.round(relativeHumidity * 1000) / 1000,
      })),
    });
    onClose();
  };
  return (
    <Dialog open title={`Logger: ${file.name}`} onClose={onClose}>
      {state.state === "failed" && (
        <Callout tone="stop" title="This file can’t be read.">
          Save it as CSV from the logger’s own program and try again.
        </Callout>
      )}
      {state.state === "looking" && <Loading what="the file" />}
      {look && (
        <div className="mt-2 grid gap-3">
          {rooms.length > 0 && (
            <ChoiceField
              label="Room it stood in"
              value={roomId ?? ""}
              options={rooms}
              onChange={(next) => setRoom(next as RoomId)}
            />
          )}
          <ColumnFields look={look} columns={columns} onChange={setMapped} />
          <div className="grid grid-cols-2 gap-3">
            <ChoiceField
              label="Logger clock"
              value={clock}
              options={[
                { value: HERE, name: "local time here" },
                { value: UTC, name: "UTC" },
              ]}
              onChange={setClock}
            />
            <label className="text-sm text-soft">
              Minutes ahead
              <input
                className={`${inputLook(shift === undefined)} font-mono`}
                value={ahead}
                inputMode="text"
                onChange={({ target }) => setAhead(target.value)}
              />
            </label>
          </div>
          {shift === undefined && (
            <p className="text-sm text-stop">Enter minutes, like 60 or −15, or hours as 1:30.</p>
          )}
          {!columns && (
            <Callout tone="caution" title="The columns weren’t recognized.">
              Choose which column has the time, the temperature and the humidity.
            </Callout>
          )}
          {state.state === "reading" && (
            <p role="status">Reading… {state.rows.toLocaleString("en-GB")} rows</p>
          )}
          {state.state === "read" && (
            <>
              <Summary summary={state.summary} />
              {state.summary.inside === 0 && state.summary.last !== undefined && (
                <Button onClick={() => setAhead(aheadToEnd(state.summary, shift ?? 0, openedAt))}>
                  Set its last reading to now
                </Button>
              )}
              <Button
                weight="main"
                disabled={state.summary.readings.length === 0}
                onClick={() => save(state.summary)}
              >
                Log{" "}
                {state.summary.readings.length === 1
                  ? "1 reading"
                  : `${state.summary.readings.length} readings`}
              </Button>
            </>
          )}
        </div>
      )}
    </Dialog>
  );
}

/** What to type so that the file’s last reading is now. */
const aheadToEnd = ({ last = 0 }: LoggerSummary, ahead: number, now: number): string =>
  String(Math.round((last + ahead - now) / 60_000));

/** Chosen from where no column was recognized. */
const FIRST_COLUMNS: LoggerColumns = {
  time: 0,
  temperature: 1,
  humidity: 2,
  dayOrder: "dmy",
  degrees: "c",
  humidityIn: "percent",
};

/** Which column is what; as guessed until it is changed. */
function ColumnFields({
  look,
  columns,
  onChange,
}: {
  readonly look: LoggerLook;
  readonly columns: LoggerColumns | undefined;
  readonly onChange: (columns: LoggerColumns) => void;
}) {
  const NONE = -1;
  const options = look.columns.map((name, value) => ({ value, name }));
  const shown = columns ?? FIRST_COLUMNS;
  const { clock: _, ...together } = shown;
  const set = (change: Partial<LoggerColumns>) => onChange({ ...shown, ...change });
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <ChoiceField label="Time" value={shown.time} options={options} onChange={(time) => set({ time })} />
        <ChoiceField
          label="Hour, if apart"
          value={shown.clock ?? NONE}
          options={[{ value: NONE, name: "same column" }, ...options]}
          onChange={(clock) => (clock === NONE ? onChange(together) : set({ clock }))}
        />
        <ChoiceField
          label="Temperature"
          value={shown.temperature}
          options={options}
          onChange={(temperature) => set({ temperature })}
        />
        <ChoiceField
          label="Humidity"
          value={shown.humidity}
          options={options}
          onChange={(humidity) => set({ humidity })}
        />
      </div>
      <div className="grid grid-cols-3 gap-3">
        <ChoiceField
          label="Days as"
          value={shown.dayOrder}
          options={[
            { value: "dmy", name: "day first" },
            { value: "mdy", name: "month first" },
          ]}
          onChange={(dayOrder) => set({ dayOrder })}
        />
        <ChoiceField
          label="Degrees"
          value={shown.degrees}
          options={[
            { value: "c", name: "°C" },
            { value: "f", name: "°F" },
          ]}
          onChange={(degrees) => set({ degrees })}
        />
        <ChoiceField
          label="Humidity in"
          value={shown.humidityIn}
          options={[
            { value: "percent", name: "%" },
            { value: "fraction", name: "0 to 1" },
          ]}
          onChange={(humidityIn) => set({ humidityIn })}
        />
      </div>
    </>
  );
}

const LONG_GAP = HOUR;

/** What of a file counts, and what in it doesn’t. */
function Summary({ summary }: { readonly summary: LoggerSummary }) {
  const { about } = useTimes();
  const units = useUnits();
  const { rows, inside, before, after, faults, readings, longestGap, first, last } = summary;
  const [from, to] = [readings[0], readings.at(-1)];
  const count = (value: number) => value.toLocaleString("en-GB");
  const unreadable = faults["no-time"] + faults["no-figures"] + faults.impossible;
  const air = ({ temperature, relativeHumidity }: (typeof readings)[number]) =>
    `${units.temperature(temperature)} ${percent(relativeHumidity)}`;
  return (
    <div className="border-rule border-t pt-3">
      {from && to ? (
        <p>
          {count(inside)} of {count(rows)} rows are from this job’s hours:{" "}
          <span className="font-mono">{about(from.time, to.time)}</span> {air(from)} to{" "}
          <span className="font-mono">{about(to.time, to.time)}</span> {air(to)}.
        </p>
      ) : (
        <Callout tone="caution" title="No reading is from this job’s hours.">
          {first !== undefined && last !== undefined
            ? `They run from ${new Date(first).toISOString().slice(0, 16).replace("T", " ")} to ${new Date(last).toISOString().slice(0, 16).replace("T", " ")} UTC. Check the order of day and month, and the logger’s clock.`
            : "No row has a time and both figures. Check the columns."}
        </Callout>
      )}
      <p className="mt-1 text-sm text-soft">
        {[
          before > 0 ? `${count(before)} are from before.` : "",
          after > 0 ? `${count(after)} are from later or from the future.` : "",
          unreadable > 0 ? `${count(unreadable)} rows can’t be read and are left out.` : "",
          longestGap > LONG_GAP
            ? `The longest gap is ${hoursAndMinutes(Math.round(longestGap / 300_000) / 12)}.`
            : "",
        ]
          .filter(Boolean)
          .join(" ")}
      </p>
    </div>
  );
}
