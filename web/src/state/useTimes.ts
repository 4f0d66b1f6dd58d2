import { utcOffset } from "@scutch/contract";
import { createContext, use } from "react";
import { type Times, timesIn, zoneName } from "../format/time.ts";
import { useAppSelector } from "./store.ts";

/** The zone of the place in sight, where its clock isn't this device's. */
export const ZoneContext = createContext<string | undefined>(undefined);

/** Hours as the crew tells them, by the clock of the place in sight. */
export function useTimes(): Times {
  const zone = use(ZoneContext);
  return timesIn(useAppSelector((state) => state.crew.settings?.clock) ?? "24", zone);
}

/** The zone of the place in sight in words, where its clock shows another hour than this device's at a moment, ms since 1970. */
export function useZoneName(at: number): string | undefined {
  const zone = use(ZoneContext);
  const differs = zone !== undefined && utcOffset(zone, at) !== utcOffset(undefined, at);
  return differs ? zoneName(zone, at) : undefined;
}
