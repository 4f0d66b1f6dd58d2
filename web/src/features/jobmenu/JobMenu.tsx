import { type Job, type Site, SiteId } from "@scutch/contract";
import { CalendarDays, Clock, Copy, FileJson, FileSpreadsheet, MapPin, Trash2, User } from "lucide-react";
import { type ReactNode, useId, useState } from "react";
import { useNavigate } from "react-router";
import { addJob, saveRecord } from "../../device/changes.ts";
import { deviceZone } from "../../device/deviceZone.ts";
import { newId } from "../../device/newId.ts";
import { dayAfter, startText, today } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { copyOf } from "../../planning/jobCopy.ts";
import { DayAndStart } from "../../shared/DayAndStart.tsx";
import { jobFileOf, logCsv } from "../../shared/files/jobFiles.ts";
import { useZoneName } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { FieldError, inputLook } from "../../ui/FieldFrame.tsx";
import { MomentField } from "../../ui/MomentField.tsx";
import { fileName, saveFile } from "../../ui/saveFile.ts";
import { ZoneField } from "./ZoneField.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly onClose: () => void;
}

/** What can be done with a job as a whole: done again, moved, taken somewhere else, saved as files, taken out. */
export function JobMenu({ desk, onClose }: Props) {
  const { job, shelf, log, edit, startMs } = desk;
  const units = useUnits();
  const zone = useZoneName(startMs);
  const navigate = useNavigate();
  const [open, setOpen] = useState<"copy" | "place" | "zone">();
  const site = shelf.sites.find(({ id }) => id === job.siteId);
  const name = fileName(site?.name ?? "", job.title, job.day);
  const takeOut = () => {
    edit((before) => ({ ...before, removed: true }));
    onClose();
    void navigate("/", { replace: true, state: { takenOut: job.id } });
  };
  return (
    <Dialog open title={site?.name ?? job.title} onClose={onClose}>
      <p className="text-soft">
        {job.title}, {startText(job, zone)}
      </p>
      <ul className="mt-3 border-rule border-b">
        <Item icon={<Copy aria-hidden size={20} />} name="Repeat this job" onPress={() => setOpen("copy")}>
          {open === "copy" && <CopyForm job={job} onClose={onClose} />}
        </Item>
        <Item
          icon={<CalendarDays aria-hidden size={20} />}
          name="Change day"
          below={
            <div className="grid grid-cols-2 gap-2 pb-2">
              <DayAndStart {...desk} />
            </div>
          }
        />
        <Item icon={<MapPin aria-hidden size={20} />} name="Change place" onPress={() => setOpen("place")}>
          {open === "place" && <PlaceForm desk={desk} onClose={() => setOpen(undefined)} />}
        </Item>
        {site && (
          <Item
            icon={<User aria-hidden size={20} />}
            name="Customer and place"
            onPress={() => {
              onClose();
              // In place of the dialog’s own step.
              void navigate(`/places/${site.id}`, { replace: true });
            }}
          />
        )}
        {site && (
          <Item
            icon={<Clock aria-hidden size={20} />}
            name="Change time zone"
            onPress={() => setOpen("zone")}
          >
            {open === "zone" && <ZoneField site={site} />}
          </Item>
        )}
        <Item
          icon={<FileJson aria-hidden size={20} />}
          name="Export job: plan, products and log"
          onPress={() => saveFile(`${name}.json`, JSON.stringify(jobFileOf(job, shelf, log), null, 1))}
        />
        <Item
          icon={<FileSpreadsheet aria-hidden size={20} />}
          name="Export log as a table (CSV)"
          onPress={() => saveFile(`${name}-log.csv`, logCsv(job, shelf, log, units), "text/csv")}
        />
        <Item
          icon={<FileJson aria-hidden size={20} />}
          name="Export log as JSON"
          onPress={() => saveFile(`${name}-log.json`, JSON.stringify(log, null, 1))}
        />
        <Item
          icon={<Trash2 aria-hidden size={20} />}
          name="Remove this job"
          tone="text-stop"
          onPress={takeOut}
        />
      </ul>
      <p className="mt-2 text-sm text-soft">
        You can restore it from Today. The log stays until the job is deleted for good.
      </p>
    </Dialog>
  );
}

function Item({
  icon,
  name,
  tone = "text-accent",
  onPress,
  below,
  children,
}: {
  readonly icon: ReactNode;
  readonly name: string;
  readonly tone?: string;
  readonly onPress?: () => void;
  readonly below?: ReactNode;
  readonly children?: ReactNode;
}) {
  const line = "flex min-h-12 w-full items-center gap-3 text-left font-semibold";
  return (
    <li className="border-rule border-t py-1">
      {onPress ? (
        <button type="button" className={`${line} ${tone}`} onClick={onPress}>
          {icon}
          {name}
        </button>
      ) : (
        <p className={line}>
          {icon}
          {name}
        </p>
      )}
      {below}
      {children}
    </li>
  );
}

/** The same rooms, doors and mixes on another day; what is found and logged on the day starts anew. */
function CopyForm({ job, onClose }: { readonly job: Job; readonly onClose: () => void }) {
  const navigate = useNavigate();
  const [day, setDay] = useState(dayAfter(today()));
  const make = () => {
    const twin = copyOf(job, { day });
    addJob(twin, undefined);
    onClose();
    void navigate(`/jobs/${twin.id}/survey`, { replace: true });
  };
  return (
    <div className="grid grid-cols-[1fr_auto] items-end gap-2 pb-2">
      <MomentField label="On" type="date" value={day} onChange={setDay} />
      <Button weight="main" onClick={make}>
        Create job
      </Button>
    </div>
  );
}

/** Another place for the job: one that is known, or a new one by its name. */
function PlaceForm({
  desk: { shelf, edit },
  onClose,
}: {
  readonly desk: JobDesk;
  readonly onClose: () => void;
}) {
  const id = useId();
  const [place, setPlace] = useState("");
  const [error, setError] = useState<string>();
  const take = () => {
    const name = place.trim();
    if (name === "") return setError("Enter a place or customer name.");
    const known = shelf.sites.find((each) => each.name.toLowerCase() === name.toLowerCase());
    const site: Site = known ?? { id: newId(SiteId), name, zone: deviceZone() };
    if (!known) saveRecord("site", site);
    edit((before) => ({ ...before, siteId: site.id }));
    onClose();
  };
  return (
    <div className="grid grid-cols-[1fr_auto] items-end gap-2 pb-2">
      <label htmlFor={id} className="text-sm text-soft">
        Place
        <input
          id={id}
          className={inputLook(error !== undefined)}
          maxLength={120}
          list={`${id}sites`}
          autoComplete="off"
          value={place}
          onChange={(event) => {
            setPlace(event.target.value);
            setError(undefined);
          }}
        />
      </label>
      <datalist id={`${id}sites`}>
        {shelf.sites.map((site) => (
          <option key={site.id} value={site.name} />
        ))}
      </datalist>
      <Button weight="main" onClick={take}>
        Change place
      </Button>
      <FieldError sentence={error} />
    </div>
  );
}
