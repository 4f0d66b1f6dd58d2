import type { CrewId } from "@scutch/contract";

const LAST_CREW = "scutch-crew";

/** The crew this device worked for last: with no signal, the one it works for. */
export function rememberedCrew(): CrewId | undefined {
  try {
    return (localStorage.getItem(LAST_CREW) as CrewId | null) ?? undefined;
  } catch {
    return undefined;
  }
}

export function rememberCrew(crewId: CrewId): void {
  try {
    localStorage.setItem(LAST_CREW, crewId);
  } catch {
    // Without it the server is asked at each start.
  }
}
