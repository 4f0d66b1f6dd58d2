import type { Photo, PhotoId } from "@scutch/contract";
import { useMemo } from "react";
import { selectHeld } from "../state/pendingSlice.ts";
import { useAppSelector } from "../state/store.ts";
import { device, type PhotoRow } from "./db.ts";
import { isShown, useDeviceQuery } from "./deviceQuery.ts";

/** A picture as it is shown: the server's, or the one still waiting here. */
export interface LocalPhoto extends Omit<Photo, "width" | "height" | "id" | "jobId"> {
  readonly id: PhotoId;
  readonly url: string;
}

/** Addresses of pictures waiting on this device, made once each: they live as long as the page. */
const waiting = new Map<string, string>();
function addressOf(id: string, picture: Blob): string {
  const known = waiting.get(id) ?? URL.createObjectURL(picture);
  waiting.set(id, known);
  return known;
}

const photoOf = ({ id, facts, picture }: Pick<PhotoRow, "id" | "facts" | "picture">): LocalPhoto => ({
  ...facts,
  id: id as PhotoId,
  url: picture ? addressOf(id, picture) : `/api/photos/${id}?crew=${device().crewId}`,
});

/** A job's pictures in the order taken: those the server has, those still to be sent, without those taken away. */
export function useLocalPhotos(jobId: string): readonly LocalPhoto[] {
  const rows = useDeviceQuery(async (db) => db.photos.where("jobId").equals(jobId).toArray(), [jobId]);
  const held = useAppSelector(selectHeld);
  return useMemo(() => {
    const photos = new Map((rows ?? []).filter(({ gone }) => !gone).map((row) => [row.id, photoOf(row)]));
    for (const item of held) {
      if (item.kind === "photo" && item.photo.jobId === jobId && isShown(item))
        photos.set(item.photo.id, photoOf(item.photo));
      if (item.kind === "photo-gone") photos.delete(item.photoId);
    }
    return [...photos.values()].sort((a, b) => Date.parse(a.takenAt) - Date.parse(b.takenAt));
  }, [rows, held, jobId]);
}
