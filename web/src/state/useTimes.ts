import { createContext, use } from "react";
import { type Times, timesIn, zoneToName } from "../format/time.ts";
import { useAppSelector } from "./store.ts";

/** The zone of the place in sight, where its clock isn't this device's. */
export const ZoneContext = createContext<string | undefined>(undefined);

/** Hours as the crew tells them, by the clock of the place in sight. */
export function useTimes(): Times {
  const zone = use(ZoneContext);
  return timesIn(useAppSelector((state) => state.crew.settings?.clock) ?? "24", zone);
}

/** The zone of the place in sight, to be named beside an hour, where this device's clock shows another at that moment. */
export const useZoneName = (at: number): string | undefined => zoneToName(use(ZoneContext), at);
