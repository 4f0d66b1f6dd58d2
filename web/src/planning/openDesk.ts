import { useOutletContext } from "react-router";
import type { JobDesk } from "./desk.ts";

/** The desk of the job a phase stands in; see {@link JobDesk}. */
export const useDesk = () => useOutletContext<JobDesk>();
