import type { Shelf } from "@scutch/contract";
import { useState } from "react";
import { pathOf } from "../../device/api.ts";
import { session } from "../../device/session.ts";
import { longDay } from "../../format/time.ts";
import type { JobListItem } from "../../shared/jobs/useJobList.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { fileName, saveFile } from "../../ui/saveFile.ts";

/** A job whose plan the server can't read and this device hasn't: when and where it is, and its data as they are stored. */
export function UnreadableRow({ listed, shelf }: { readonly listed: JobListItem; readonly shelf: Shelf }) {
  const [fault, setFault] = useState<string>();
  const save = async () => {
    setFault(undefined);
    const reply = await session().send("GET", pathOf("readRawJob", { jobId: listed.id }));
    if (reply.outcome !== "done") return setFault("The file comes from the server. Go online and try again.");
    saveFile(`${fileName("job", listed.title, listed.day)}.json`, JSON.stringify(reply.body, null, 1));
  };
  return (
    <li className="border-caution border-t-4 bg-paper px-4 py-4">
      <h3 className="font-bold text-lg leading-tight">
        {shelf.sites.find(({ id }) => id === listed.siteId)?.name ?? "Unknown place"}
      </h3>
      <p className="text-soft">{listed.title}</p>
      <p className="mt-1 text-sm text-soft">
        {longDay(listed.day)} {listed.startsAt}
      </p>
      <p className="mt-2 font-semibold">The plan of this job is damaged on the server. Its log is safe.</p>
      <p className="mb-2">Save the raw file and send it to the person who runs your server.</p>
      <Button onClick={() => void save()}>Save raw file</Button>
      <FieldError sentence={fault} />
    </li>
  );
}
