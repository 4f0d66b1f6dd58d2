import type { Job } from "@scutch/contract";
import type { LocalPhoto } from "../../device/localPhotos.ts";
import { ORIGIN_SHORT } from "../../format/words.ts";
import { nameById } from "../../planning/nameById.ts";
import type { PhotoPair } from "../../shared/page/customerPage.ts";

/** Pairs on a page at most: two pages of paper. */
const MOST = 6;

/** The first photo before and the last one after of each room and spot that has any. */
export function photoPairs(photos: readonly LocalPhoto[], job: Pick<Job, "rooms" | "spots">): PhotoPair[] {
  const groups = new Map<string, LocalPhoto[]>();
  for (const photo of photos) {
    const key = photo.spotId ?? photo.roomId ?? "";
    groups.set(key, [...(groups.get(key) ?? []), photo]);
  }
  return [...groups.values()].slice(0, MOST).map((own): PhotoPair => {
    const before = own.find(({ moment }) => moment === "before");
    const after = own.findLast(({ moment }) => moment === "after");
    const { roomId, spotId } = own[0] ?? {};
    const spot = job.spots?.find(({ id }) => id === spotId);
    const room = roomId ? nameById(job.rooms, roomId, "") : "";
    return {
      caption: [room, spot && ORIGIN_SHORT[spot.origin]].filter(Boolean).join(", "),
      ...(before ? { before: before.url } : {}),
      ...(after ? { after: after.url } : {}),
    };
  });
}
