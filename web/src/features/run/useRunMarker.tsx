import type { RoomPlan } from "@scutch/core/plan";
import type { RunLane } from "@scutch/core/run";
import { useCallback, useState } from "react";
import { timeAt } from "../../format/time.ts";
import { useNow } from "../../ui/useNow.ts";
import { Marker } from "./Marker.tsx";
import type { Axis } from "./useAxis.ts";

/** The hour looked at: now while the job runs, unless the marker was put elsewhere. Times in ms since 1970. */
export function useRunMarker(startMs: number, begun: boolean, lanes: readonly RunLane<RoomPlan>[]) {
  const now = useNow();
  const [looked, setLooked] = useState<number>();
  const last = Math.max(
    ...lanes.map(({ dryAtSeconds, finished }) => timeAt(startMs, (dryAtSeconds ?? finished) / 3600)),
    startMs,
  );
  // What nobody has begun stands at its start: nothing is painted wet that isn’t.
  const within = begun && now > startMs && now < last;
  const time = Math.min(last, Math.max(startMs, looked ?? (within ? now : startMs)));
  const isNow = looked === undefined && within;
  const second = (time - startMs) / 1000;
  const overlay = useCallback(
    (axis: Axis, height: number) => (
      <Marker
        axis={axis}
        height={height}
        time={time}
        first={startMs}
        last={last}
        isNow={isNow}
        onMove={(to) => setLooked(to)}
      />
    ),
    [time, startMs, last, isNow],
  );
  return {
    time,
    second,
    overlay,
    /** Another hour is looked at while the job runs. */
    isBack: looked !== undefined && within,
    backToNow: () => setLooked(undefined),
  };
}
