import { TIMES, type Times } from "../format/time.ts";
import { useAppSelector } from "./store.ts";

/** Hours as the crew tells them. */
export function useTimes(): Times {
  return TIMES[useAppSelector((state) => state.crew.settings?.clock) ?? "24"];
}
