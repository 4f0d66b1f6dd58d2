import { Forecast, type Weather } from "@scutch/contract";
import { CloudDownload, Plus, Trash2, Upload } from "lucide-react";
import { useState } from "react";
import { pathOf } from "../../device/api.ts";
import { deviceZone } from "../../device/deviceZone.ts";
import { session } from "../../device/session.ts";
import { humidityReader, quantityReader } from "../../format/readers.ts";
import { percent } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { placeOf } from "../../planning/place.ts";
import { readyOfJob } from "../../planning/ready.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { MomentField } from "../../ui/MomentField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { momentsInOrder, warmedTo, weatherFromFile } from "./weatherOf.ts";

type Desk = Pick<JobDesk, "job" | "shelf" | "startMs" | "edit" | "work" | "dried">;

/** Air outdoors in the hours to come: from a forecast, a weather file, or typed. */
export function WeatherToCome({ desk }: { readonly desk: Desk }) {
  const { job, shelf, startMs, edit } = desk;
  const [fault, setFault] = useState<string>();
  const [elsewhere, setElsewhere] = useState<string>();
  const [asking, setAsking] = useState(false);
  const set = (weather: Weather | undefined, note?: string) => {
    const refused = edit(({ weather: _, ...before }) => (weather ? { ...before, weather } : before));
    if (!refused) setElsewhere(note);
    return refused;
  };
  const ask = async () => {
    setAsking(true);
    const from = new Date(startMs).toISOString();
    const reply = await session().send("GET", pathOf("readForecast", { siteId: job.siteId }, { from }));
    setAsking(false);
    const { data } = Forecast.safeParse(reply.outcome === "done" ? reply.body : undefined);
    if (!data) return setFault("The forecast can’t be reached now. Type the weather, or try again later.");
    if (data.points.length === 0)
      return setFault("No forecast reaches this day. Type the weather, or open a weather file.");
    setFault(set({ source: "forecast", ...data }));
  };
  const open = async (file: File) => {
    const read = weatherFromFile(await file.text(), startMs, placeOf(job, shelf).zone ?? deviceZone());
    if ("fault" in read) return setFault(read.fault);
    setFault(set(read.weather, read.elsewhere));
  };
  const { weather } = job;
  const isTyped = weather?.source === "typed";
  return (
    <div className="grid gap-2">
      <h3 className="font-semibold">Weather to come</h3>
      {weather ? (
        <Told weather={weather} />
      ) : (
        <p className="text-soft">None yet: the outdoor air counts as steady.</p>
      )}
      {weather && <EndsEarly weather={weather} desk={desk} />}
      {elsewhere && (
        <Callout tone="caution" title={elsewhere}>
          Remove it, unless you mean it.
        </Callout>
      )}
      {isTyped && (
        <TypedHours
          desk={desk}
          points={weather.points}
          onChange={(points) => set(points.length > 0 ? { ...weather, points } : undefined)}
        />
      )}
      <div className="flex flex-wrap gap-2 print:hidden">
        <Button onClick={() => void ask()} disabled={asking}>
          <CloudDownload aria-hidden size={18} /> {asking ? "Asking…" : "Get forecast"}
        </Button>
        {!isTyped && (
          <Button onClick={() => setFault(set(firstTyped(desk)))}>
            <Plus aria-hidden size={18} /> Type it
          </Button>
        )}
        <FileButton accept=".epw,text/plain" onFile={(file) => void open(file)}>
          <Upload aria-hidden size={18} /> Weather file
        </FileButton>
        {weather && (
          <Button weight="quiet" onClick={() => setFault(set(undefined))}>
            Remove
          </Button>
        )}
      </div>
      {fault && <Callout tone="stop" title={fault} />}
    </div>
  );
}

const HOUR = 3_600_000;
/** The first hour typed is so long after the start, h: after the outdoor air measured then. */
const FIRST_TYPED = 6;
/** Used where nothing was said of the air outdoors. */
const USUAL = { temperature: 15, relativeHumidity: 0.6 };

const firstTyped = ({ job, startMs }: Desk): Weather => ({
  source: "typed",
  points: [
    { at: new Date(Math.ceil(startMs / HOUR + FIRST_TYPED) * HOUR).toISOString(), ...(job.outdoor ?? USUAL) },
  ],
});

/** That the weather known ends before the last room is dry. */
function EndsEarly({
  weather: { points },
  desk: { dried, startMs },
}: {
  readonly weather: Weather;
  readonly desk: Desk;
}) {
  const { about } = useTimes();
  const end = Math.max(...points.map(({ at }) => Date.parse(at)));
  const dry = dried && readyOfJob(dried, startMs, "dry").likely;
  if (dry === undefined || (dry !== null && dry <= end)) return null;
  return (
    <Callout tone="caution" title={`The weather is known until ${about(end, startMs)}.`}>
      {dry === null ? "Some room is still wet then." : "The last room is dry later than that."} Its last hour
      counts from then on.
    </Callout>
  );
}

/** Where the weather is from, how far it reaches, and its coldest hour. */
function Told({ weather: { source, name, points } }: { readonly weather: Weather }) {
  const { about } = useTimes();
  const units = useUnits();
  const sorted = points.toSorted((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (!first || !last || source === "typed") return null;
  const today = Date.parse(first.at);
  const lowest = sorted.reduce((low, each) => (each.temperature < low.temperature ? each : low));
  const highest = sorted.reduce((high, each) => (each.temperature > high.temperature ? each : high));
  return (
    <p>
      {name}, until <span className="font-mono">{about(Date.parse(last.at), today)}</span>:{" "}
      {units.temperature(lowest.temperature)} to {units.temperature(highest.temperature)}, coldest{" "}
      <span className="font-mono">{about(Date.parse(lowest.at), today)}</span>.
    </p>
  );
}

interface TypedProps {
  readonly desk: Desk;
  readonly points: Weather["points"];
  readonly onChange: (points: Weather["points"]) => string | undefined;
}

function TypedHours({ desk: { startMs }, points, onChange }: TypedProps) {
  const times = useTimes();
  const units = useUnits();
  const put = (next: readonly (Weather["points"][number] & { readonly clock: string })[]) => {
    const moments = momentsInOrder(
      next.map(({ clock }) => clock),
      startMs,
      times,
    );
    return onChange(
      next.map(({ clock: _, ...point }, i) => ({
        ...point,
        at: new Date(moments[i] ?? startMs).toISOString(),
      })),
    );
  };
  const rows = points.map((point) => ({ ...point, clock: times.clock24(Date.parse(point.at)) }));
  const change = (i: number, to: Partial<(typeof rows)[number]>) =>
    put(rows.map((row, k) => (k === i ? { ...row, ...to } : row)));
  const last = rows.at(-1);
  return (
    <>
      {rows.map((row, i) => (
        <div key={row.at} className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-2">
          <MomentField
            label="At"
            type="time"
            value={row.clock}
            onChange={(clock) => void change(i, { clock })}
          />
          <QuantityField
            label="Temperature"
            value={row.temperature}
            show={units.temperature}
            read={quantityReader("temperature", units.bare.temperature)}
            onChange={(next) => (next === undefined ? undefined : change(i, warmedTo(row, next)))}
          />
          <QuantityField
            label="Humidity"
            value={row.relativeHumidity}
            show={percent}
            read={humidityReader}
            onChange={(relativeHumidity) =>
              relativeHumidity === undefined ? undefined : change(i, { relativeHumidity })
            }
          />
          <button
            type="button"
            aria-label={`Remove the weather at ${row.clock}`}
            className="grid size-12 place-items-center text-stop"
            onClick={() => put(rows.filter((_, k) => k !== i))}
          >
            <Trash2 aria-hidden size={20} />
          </button>
        </div>
      ))}
      <p className="text-soft text-sm">
        A new temperature adjusts the humidity, as for the same air. Type the humidity if you know it.
      </p>
      {last && (
        <Button
          weight="quiet"
          className="justify-self-start"
          onClick={() =>
            put([...rows, { ...last, clock: times.clock24(Date.parse(last.at) + FIRST_TYPED * HOUR) }])
          }
        >
          Add an hour
        </Button>
      )}
    </>
  );
}
