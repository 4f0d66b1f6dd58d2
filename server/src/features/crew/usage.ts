import { type CrewUsage, MAX_JOBS, MAX_MEMBERS } from "@scutch/contract";
import type { Db } from "../../db/connect.ts";
import { countMembers } from "../account/service.ts";
import { countJobs } from "../job/service.ts";
import { photosKept } from "../photo/service.ts";

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
