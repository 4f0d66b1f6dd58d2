import { type CrewRoom, type CrewUsage, MAX_JOBS, MAX_MEMBERS, NEARLY_FULL, ROOMS } from "@scutch/contract";
import type { Db } from "../../db/connect.ts";
import { countMembers } from "../account/service.ts";
import { countJobs } from "../job/service.ts";
import { photosKept } from "../photo/service.ts";

/** What of a crew's room is nearly used up. */
export function nearlyFull({ members, jobs, photoBytes }: CrewUsage): CrewRoom[] {
  const shares = { members, jobs, photos: photoBytes };
  return ROOMS.filter((room) => shares[room].used >= NEARLY_FULL * shares[room].most);
}

/** How much of what a crew may keep is used; `photoQuota` in bytes. */
export async function crewUsage(db: Db, crewId: string, photoQuota: number): Promise<CrewUsage> {
  const [members, jobs, photos] = await Promise.all([
    countMembers(db, crewId),
    countJobs(db, crewId),
    photosKept(db, crewId),
  ]);
  return {
    members: { used: members, most: MAX_MEMBERS },
    jobs: { used: jobs, most: MAX_JOBS },
    photos: photos.count,
    photoBytes: { used: photos.bytes, most: photoQuota },
  };
}
