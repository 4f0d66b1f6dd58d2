import { LoggerReading } from "@scutch/contract";
import { useEffect, useState } from "react";
import { pathOf } from "../../device/api.ts";

/** Readings kept while a logger is followed: the newest; older ones are hours back. */
const KEPT = 5000;

export interface LoggerStream {
  readonly readings: readonly LoggerReading[];
  /** false: nothing comes in now; it tries again by itself. */
  readonly isHeard: boolean;
}

/** Follows the van’s logger while `begin` is given: the air it begins with. */
export function useLoggerStream(
  begin: { readonly temperature: number; readonly relativeHumidity: number } | undefined,
): LoggerStream {
  const [readings, setReadings] = useState<readonly LoggerReading[]>([]);
  const [isHeard, setHeard] = useState(false);
  useEffect(() => {
    if (!begin) return;
    setReadings([]);
    const query = {
      temperature: String(Math.round(begin.temperature * 10) / 10),
      relativeHumidity: String(Math.round(begin.relativeHumidity * 100) / 100),
    };
    const source = new EventSource(`/api${pathOf("followLogger", {}, query)}`);
    source.addEventListener("open", () => setHeard(true));
    source.addEventListener("error", () => setHeard(false));
    source.addEventListener("reading", ({ data }: MessageEvent<string>) => {
      const read = LoggerReading.safeParse(JSON.parse(data));
      if (read.success) setReadings((before) => [...before.slice(1 - KEPT), read.data]);
    });
    return () => {
      source.close();
      setHeard(false);
    };
  }, [begin]);
  return { readings, isHeard };
}
