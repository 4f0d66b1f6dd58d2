import { MAX_LOGGED, type RoomId } from "@scutch/contract";
import { thinReadings } from "@scutch/core/logger";
import { Radio, Upload } from "lucide-react";
import { useState } from "react";
import { counted } from "../../format/counted.ts";
import { percent } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { roomOptions } from "../logging/EntryFrame.tsx";
import { useLogging } from "../logging/useLogging.ts";
import { LoggerDialog } from "./LoggerDialog.tsx";
import { useLoggerStream } from "./useLoggerStream.ts";

/** Data loggers: a file of one, or the van’s own as it is heard. */
export function Loggers({ desk }: { readonly desk: JobDesk }) {
  const [file, setFile] = useState<File>();
  const [isFollowing, setFollowing] = useState(false);
  return (
    <section aria-label="Data loggers" className="grid gap-3 border-rule border-t pt-3 print:hidden">
      <h2 className="font-semibold">Data loggers</h2>
      <div className="flex flex-wrap gap-2">
        <FileButton accept=".csv,.txt,text/csv,text/plain" onFile={setFile}>
          <Upload aria-hidden size={18} /> Open a logger’s file
        </FileButton>
        {!isFollowing && (
          <Button onClick={() => setFollowing(true)}>
            <Radio aria-hidden size={18} /> Follow the simulated logger
          </Button>
        )}
      </div>
      {isFollowing && <Followed desk={desk} onEnd={() => setFollowing(false)} />}
      {file && (
        <LoggerDialog
          key={`${file.name} ${file.lastModified}`}
          desk={desk}
          file={file}
          onClose={() => setFile(undefined)}
        />
      )}
    </section>
  );
}

/** The van’s logger in a room, with what it shows now and what of it can be logged. */
function Followed({ desk, onEnd }: { readonly desk: JobDesk; readonly onEnd: () => void }) {
  const units = useUnits();
  const log = useLogging(desk);
  const rooms = roomOptions(desk);
  const [roomId, setRoom] = useState(() => rooms[0]?.value as RoomId | undefined);
  // Where it begins is where the plan has the room’s air.
  const [begin] = useState(
    () => desk.work.rooms.find(({ id }) => id === roomId)?.air ?? desk.job.indoor ?? USUAL,
  );
  const { readings, isHeard } = useLoggerStream(begin);
  const last = readings.at(-1);
  const save = () => {
    if (roomId === undefined || readings.length === 0) return;
    const placed = readings.map(({ at, ...air }) => ({ time: Date.parse(at), ...air }));
    const { readings: kept } = thinReadings(placed, {
      from: 0,
      to: Number.POSITIVE_INFINITY,
      most: MAX_LOGGED,
    });
    log({
      kind: "air-logged",
      roomId,
      logger: "Simulated logger",
      readings: kept.map(({ time, ...air }) => ({ at: new Date(time).toISOString(), ...air })),
    });
    onEnd();
  };
  return (
    <div className="grid gap-3">
      <ChoiceField
        label="Room it stands in"
        value={roomId ?? ""}
        options={rooms}
        onChange={(next) => setRoom(next as RoomId)}
      />
      <p role="status">
        {last && isHeard ? (
          <span className="font-bold font-mono text-2xl">
            {units.temperature(last.temperature)} {percent(last.relativeHumidity)}
          </span>
        ) : (
          "Waiting for the logger…"
        )}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button onClick={save} disabled={readings.length === 0}>
          Log {counted(readings.length, "reading", "readings")}
        </Button>
        <Button weight="quiet" onClick={onEnd}>
          Stop
        </Button>
      </div>
    </div>
  );
}

const USUAL = { temperature: 20, relativeHumidity: 0.5 };
