import type { Fault } from "@scutch/contract";
import { useState } from "react";
import {
  asFile,
  type DeadLetter,
  discardDeadLetter,
  readDeadLetters,
  requeue,
} from "../device/deadLetters.ts";
import { useDeviceQuery } from "../device/deviceQuery.ts";
import { session } from "../device/session.ts";
import { contractFault } from "../format/words.ts";
import { heldForgotten } from "../state/pendingSlice.ts";
import { Button } from "../ui/Button.tsx";
import { Callout } from "../ui/Callout.tsx";
import { saveFile } from "../ui/saveFile.ts";

const THINGS = {
  product: "The product",
  vessel: "The sprayer or tank",
  gear: "Van item:",
  site: "The place",
  customer: "The customer",
  lot: "The lot",
  settings: "Crew settings",
} as const;

/** What was set aside, by its name. */
function nameOf(aside: DeadLetter): string {
  const ofJob = aside.jobTitle ? ` of “${aside.jobTitle}”` : "";
  switch (aside.what) {
    case "job":
      return `The plan of “${aside.jobTitle}”`;
    case "entry": {
      const { entry } = aside.row;
      return entry.kind === "note" ? `The note “${entry.text}”${ofJob}` : `A log entry${ofJob}`;
    }
    case "photo":
      return aside.row.gone ? `Removing a photo${ofJob}` : `A photo${ofJob}`;
    case "thing": {
      const value = aside.row.value as { name?: string; lot?: string };
      return [THINGS[aside.row.kind], value.name ?? value.lot].filter(Boolean).join(" ");
    }
  }
}

/** Why it couldn't be sent, in words. */
function whyOf({ trouble: { aside } }: DeadLetter): string {
  if (aside?.why === "silent") return "It got no answer three times, while other changes went through.";
  if (aside?.why === "fault") return "The server failed on it three times, while other changes went through.";
  if (aside?.code === "entry-differs") return "The server has a different item with this ID.";
  if (aside?.code === "not-found") return "The server doesn’t have this job.";
  if (aside?.code === "job-deleted")
    return "This job was deleted for good on another device. Try again creates it without its log.";
  if (aside?.code === "unreadable")
    return "The plan of this job is damaged on the server. Save yours as a file before you undo it.";
  if (aside?.code === "storage-full")
    return "There’s no space left for photos. Ask an owner to free some, then try again.";
  if (aside?.code === "not-allowed")
    return "Your role doesn’t allow this any more. Ask the owner, or save it to a file.";
  const [fault] = (aside?.faults ?? []) as readonly Fault[];
  return fault ? `The server refused it: ${contractFault(fault)}` : "The server refused it.";
}

function save(aside: DeadLetter): void {
  const { name, content } = asFile(aside);
  saveFile(name, content);
}

/** Takes it back here for good: out of the database, and out of what this page still holds of it. */
async function giveUp(aside: DeadLetter): Promise<void> {
  const { db, store } = session();
  if (!(await discardDeadLetter(db, aside))) return;
  if (aside.what !== "job" || !aside.row.known) store.dispatch(heldForgotten(aside.key));
}

/** What couldn't be sent and was set aside while the rest went on: each with its reason and the three ways out. */
export function DeadLetterPanel() {
  const asides = useDeviceQuery(readDeadLetters, []) ?? [];
  if (asides.length === 0) return null;
  return (
    <Callout tone="caution" title="Not sent. It stays on this device until you decide.">
      <ul>
        {asides.map((aside) => (
          <AsideLine key={aside.key} aside={aside} />
        ))}
      </ul>
    </Callout>
  );
}

function AsideLine({ aside }: { readonly aside: DeadLetter }) {
  const [sure, setSure] = useState(false);
  const { db, lanes } = session();
  return (
    <li className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 border-rule border-t pt-2">
      <div className="min-w-52 flex-1">
        <strong className="block">{nameOf(aside)}</strong>
        <span className="text-sm">{whyOf(aside)}</span>
      </div>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => void requeue(db, aside).then(lanes.sendNow)}>Try again</Button>
        {sure ? (
          <Button className="text-stop" onClick={() => void giveUp(aside)}>
            Delete for good
          </Button>
        ) : (
          <Button onClick={() => setSure(true)}>Undo this change</Button>
        )}
        <Button onClick={() => save(aside)}>Save as a file</Button>
      </div>
    </li>
  );
}
