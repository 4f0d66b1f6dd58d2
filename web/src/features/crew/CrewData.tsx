import { NEARLY_FULL } from "@scutch/contract";
import { Download, Upload } from "lucide-react";
import { useState } from "react";
import { type Answer, download, pathOf } from "../../device/api.ts";
import { session } from "../../device/session.ts";
import { share, size } from "../../format/size.ts";
import { today } from "../../format/time.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { saveFile } from "../../ui/saveFile.ts";
import { DeleteCrew } from "./DeleteCrew.tsx";
import type { ImportEnd, Imported } from "./importArchive.ts";
import { Section } from "./Section.tsx";
import { useAnswer } from "./useAnswer.ts";

/** What the crew keeps here as a whole: how much that is, taken along, brought in, deleted. */
export function CrewData({ isDemo }: { readonly isDemo: boolean }) {
  const { value, fault, load } = useAnswer("readCrewUsage");
  return (
    <Section title="Crew data" fault={fault}>
      {value && <Usage usage={value} />}
      <div className="mt-3 grid gap-4">
        <ExportAll />
        <ImportAll onDone={load} />
        {!isDemo && <DeleteCrew />}
      </div>
    </Section>
  );
}

function Usage({
  usage: { jobs, members, photos, photoBytes },
}: {
  readonly usage: Answer<"readCrewUsage">;
}) {
  const nearly = [
    { ...photoBytes, what: "Photos", show: size, next: "Delete old jobs for good to free space." },
    { ...jobs, what: "Jobs", show: String, next: "Export the data, then delete old jobs for good." },
    { ...members, what: "People", show: String, next: "Remove people who have left." },
  ].filter(({ used, most }) => used >= NEARLY_FULL * most);
  return (
    <>
      <p className="mt-1">
        {count(jobs.used, "job")}, {count(photos, "photo")}.{" "}
        {photos > 0
          ? `Photos take ${size(photoBytes.used)} of ${size(photoBytes.most)}.`
          : `There’s space for ${size(photoBytes.most)} of photos.`}
      </p>
      {nearly.map(({ what, used, most, show, next }) => (
        <div key={what} className="mt-2">
          <Callout
            tone="caution"
            title={`${what}: ${share(used, most)} of the space is used, ${show(used)} of ${show(most)}.`}
          >
            {next}
          </Callout>
        </div>
      ))}
    </>
  );
}

const count = (n: number, what: string) => `${n} ${what}${n === 1 ? "" : "s"}`;

const NO_FILE = {
  offline: "The data comes from the server. Go online and try again.",
  busy: "Other exports are under way. Try again in a minute.",
} as const;

function ExportAll() {
  const [bytes, setBytes] = useState<number>();
  const [fault, setFault] = useState<keyof typeof NO_FILE>();
  const save = async () => {
    setFault(undefined);
    setBytes(0);
    const file = await download(pathOf("readCrewArchive"), session().db, setBytes);
    setBytes(undefined);
    if (typeof file === "string") setFault(file);
    else saveFile(`scutch-crew-${today()}.zip`, file);
  };
  return (
    <div>
      <Button onClick={() => void save()} disabled={bytes !== undefined}>
        <Download aria-hidden size={18} />
        {bytes === undefined ? "Export all crew data" : `Exporting… ${size(bytes)}`}
      </Button>
      <p className="mt-1 text-sm text-soft">
        Jobs, logs, photos, customers, shelf, van, stock and settings, in one zip. Codes of key safes stay
        here.
      </p>
      <FieldError sentence={fault && NO_FILE[fault]} />
    </div>
  );
}

const ENDS: Readonly<Record<ImportEnd, string>> = {
  done: "All imported.",
  offline: "The server can’t be reached any more. Import the same file again to go on from here.",
  "no-room": "There’s no space left for photos. Free some, then import the same file again.",
  "not-allowed": "You are signed out, or no owner any more. Sign in, then import the same file again.",
  damaged: "The rest of the file is damaged. Export it again.",
};
const NOT_A_ZIP =
  "This isn’t a Scutch crew zip, or it’s damaged. Choose a file saved with “Export all crew data”.";

function ImportAll({ onDone }: { readonly onDone: () => void }) {
  const [soFar, setSoFar] = useState<Imported>();
  const [end, setEnd] = useState<string>();
  const isRunning = soFar !== undefined && end === undefined;
  const take = async (file: File) => {
    const [{ openArchive }, { importArchive }] = await Promise.all([
      import("../../shared/files/crewArchive.ts"),
      import("./importArchive.ts"),
    ]);
    setSoFar(undefined);
    setEnd(undefined);
    const archive = await openArchive(file);
    if (!archive) return setEnd(NOT_A_ZIP);
    setEnd(ENDS[await importArchive(archive, session().send, setSoFar)]);
    onDone();
  };
  return (
    <div>
      {isRunning ? (
        <p className="font-semibold">Importing… Keep this page open.</p>
      ) : (
        <FileButton accept="application/zip,.zip" onFile={(file) => void take(file)}>
          <Upload aria-hidden size={18} /> Import crew data
        </FileButton>
      )}
      <p className="mt-1 text-sm text-soft">
        Adds what this crew doesn’t have yet from such a zip. Changes nothing that is here.
      </p>
      {(soFar || end) && (
        <p role="status" className="mt-1">
          {end} {soFar && importedText(soFar)}
        </p>
      )}
    </div>
  );
}

function importedText({ jobs, jobsThere, entries, photos, left }: Imported): string {
  const added = `Added: ${count(jobs, "job")}, ${entries} log ${entries === 1 ? "entry" : "entries"}, ${count(photos, "photo")}.`;
  const there = jobsThere > 0 ? ` Here already: ${count(jobsThere, "job")}.` : "";
  return `${added}${there}${left > 0 ? ` Not imported, unreadable or refused: ${left}.` : ""}`;
}
