import type { Permission } from "@scutch/contract";
import { selectMay } from "./crewSlice.ts";
import { useAppSelector } from "./store.ts";

/** Whether the person here may do something. */
export const useMay = (permission: Permission): boolean =>
  useAppSelector((state) => selectMay(state, permission));
