import type { PhotoFacts, RoomId, SpotId } from "@scutch/contract";
import { Camera, Trash2 } from "lucide-react";
import { useState } from "react";
import { addPhoto, removePhoto } from "../../device/changes.ts";
import { usePull } from "../../device/deviceQuery.ts";
import { type LocalPhoto, useLocalPhotos } from "../../device/localPhotos.ts";
import { pullPhotos } from "../../device/pull.ts";
import { contractFault } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { selectMe } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { smallPicture } from "./smallPicture.ts";

interface Props {
  readonly desk: JobDesk;
  readonly roomId: RoomId;
  readonly spotId?: SpotId;
}

const MOMENTS = [
  { moment: "before", name: "Before" },
  { moment: "after", name: "After" },
] as const;

/** Pictures of a room or spot, before beside after. */
export function PhotoStrip({ desk, roomId, spotId }: Props) {
  const { id } = desk.job;
  const { clock } = useTimes();
  usePull(`photos ${id}`, ({ db, send }) => pullPhotos(db, send, id));
  const photos = useLocalPhotos(id);
  const [opened, setOpened] = useState<LocalPhoto>();
  const own = photos.filter(
    (photo) => photo.roomId === roomId && (spotId === undefined || photo.spotId === spotId),
  );
  return (
    <div>
      <div className="grid grid-cols-2 gap-3">
        {MOMENTS.map(({ moment, name }) => (
          <section key={moment} aria-label={name} className="min-w-0">
            <h3 className="font-semibold text-sm text-soft">{name}</h3>
            <div className="mt-1 grid gap-2">
              {own
                .filter((photo) => photo.moment === moment)
                .map((photo) => (
                  <button key={photo.id} type="button" onClick={() => setOpened(photo)} className="block">
                    <img
                      src={photo.url}
                      alt={`${name}, taken at ${clock(Date.parse(photo.takenAt))}`}
                      className="aspect-4/3 w-full object-cover"
                      loading="lazy"
                    />
                  </button>
                ))}
              <TakePhoto desk={desk} facts={{ roomId, ...(spotId ? { spotId } : {}), moment }} name={name} />
            </div>
          </section>
        ))}
      </div>
      {opened && <PhotoDialog photo={opened} onClose={() => setOpened(undefined)} />}
    </div>
  );
}

function TakePhoto({
  desk,
  facts,
  name,
}: {
  readonly desk: JobDesk;
  readonly facts: Pick<PhotoFacts, "roomId" | "spotId" | "moment">;
  readonly name: string;
}) {
  const by = useAppSelector(selectMe)?.person.name;
  const [error, setError] = useState<string>();
  const take = async (file: File | undefined) => {
    setError(undefined);
    if (!file) return;
    const picture = await smallPicture(file);
    if (!picture) return setError(contractFault({ path: [], code: "not-a-picture" }));
    const takenAt = new Date().toISOString();
    addPhoto(desk.job.id, { ...facts, takenAt, ...(by ? { by } : {}) }, picture);
  };
  return (
    <div>
      <label className="flex min-h-14 cursor-pointer items-center justify-center gap-2 rounded-md border border-rule bg-ground font-semibold focus-within:outline-3 focus-within:outline-accent hover:border-accent">
        <Camera aria-hidden size={20} /> {name}
        <input
          type="file"
          accept="image/*"
          capture="environment"
          aria-label={`Photo, ${name.toLowerCase()}`}
          className="sr-only"
          onChange={(event) => {
            void take(event.target.files?.[0]);
            event.target.value = "";
          }}
        />
      </label>
      <FieldError sentence={error} />
    </div>
  );
}

function PhotoDialog({ photo, onClose }: { readonly photo: LocalPhoto; readonly onClose: () => void }) {
  const [sure, setSure] = useState(false);
  const { clock } = useTimes();
  const remove = () => {
    removePhoto(photo.id);
    onClose();
  };
  const title = `${photo.moment === "before" ? "Before" : "After"}, ${clock(Date.parse(photo.takenAt))}${photo.by ? `, ${photo.by}` : ""}`;
  return (
    <Dialog open title={title} onClose={onClose}>
      <img src={photo.url} alt={title} className="mt-3 max-h-[60dvh] w-full object-contain" />
      {sure ? (
        <div className="mt-3">
          <p className="mb-2">This deletes the photo. You can’t undo it.</p>
          <Button className="text-stop" onClick={remove}>
            <Trash2 aria-hidden size={18} /> Delete photo
          </Button>
        </div>
      ) : (
        <Button weight="quiet" className="mt-3 text-stop" onClick={() => setSure(true)}>
          <Trash2 aria-hidden size={18} /> Remove photo
        </Button>
      )}
    </Dialog>
  );
}
