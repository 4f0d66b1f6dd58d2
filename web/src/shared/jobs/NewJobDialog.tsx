import { BatchId, type Job, JobId, type Shelf, type Site, SiteId } from "@scutch/contract";
import { mixesWithoutTip } from "@scutch/core/mix";
import { productsThatSuit } from "@scutch/core/plan";
import { type FormEvent, useId, useState } from "react";
import { useNavigate } from "react-router";
import * as z from "zod";
import { addJob } from "../../device/changes.ts";
import { deviceZone } from "../../device/deviceZone.ts";
import { newId } from "../../device/newId.ts";
import { zoneToName } from "../../format/time.ts";
import { zoneOf } from "../../planning/place.ts";
import { useAppSelector } from "../../state/store.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { FieldFrame, inputLook } from "../../ui/FieldFrame.tsx";
import { MEASURES } from "../products/measures.ts";

const Form = z.object({
  place: z.string().trim().min(1, "Enter a place or customer name.").max(120, "120 characters at most."),
  title: z.string().trim().max(120, "120 characters at most."),
  day: z.iso.date("Choose a day."),
  startsAt: z.string().regex(/^\d\d:\d\d$/, "Choose a time."),
});
type Form = z.infer<typeof Form>;
const FIELDS = ["place", "title", "day", "startsAt"] as const;

interface Props {
  readonly shelf: Shelf;
  readonly day: string;
  /** Name of the place it is at, where that is known. */
  readonly place?: string;
  readonly onClose: () => void;
}

/** A place, a day and a time; everything else has a default until somebody says it. */
export function NewJobDialog({ shelf, day, place: known = "", onClose }: Props) {
  const navigate = useNavigate();
  const units = useUnits();
  const ids = useId();
  const dayStart = useAppSelector((state) => state.crew.settings?.dayStart) ?? "09:00";
  const [values, setValues] = useState<Form>({ place: known, title: "", day, startsAt: dayStart });
  const [errors, setErrors] = useState<Partial<Record<keyof Form, string>>>({});

  const submit = (event: FormEvent) => {
    event.preventDefault();
    const { data, error } = Form.safeParse(values);
    if (data) return create(data);
    const found = z.flattenError(error).fieldErrors;
    setErrors(Object.fromEntries(FIELDS.map((name) => [name, found[name]?.[0]])));
    document.getElementById(`${ids}${FIELDS.find((name) => found[name])}`)?.focus();
  };

  const siteNamed = (name: string) =>
    shelf.sites.find((site) => !site.forgotten && site.name.toLowerCase() === name.trim().toLowerCase());
  const zone = zoneToName(zoneOf(siteNamed(values.place)), Date.parse(values.day) || Date.now());

  const create = ({ place, title, day: on, startsAt }: Form) => {
    const there = siteNamed(place);
    const site: Site = there ?? { id: newId(SiteId), name: place, zone: deviceZone() };
    // A first guess to change in Mix, before any room is known.
    const [product] = productsThatSuit([], shelf.products);
    const vessel = shelf.vessels.find(mixesWithoutTip);
    const job: Job = {
      id: newId(JobId),
      siteId: site.id,
      title: title || "Carpets",
      day: on,
      startsAt,
      ...(site.circuits ? { run: { circuits: site.circuits } } : {}),
      rooms: [],
      batches:
        product && vessel
          ? [
              {
                id: newId(BatchId),
                productId: product.id,
                vesselId: vessel.id,
                measure: MEASURES[units.system][1].value,
              },
            ]
          : [],
    };
    addJob(job, there ? undefined : site);
    onClose();
    // In place of the dialog’s own step: Back leads to Today at once.
    void navigate(`/jobs/${job.id}/survey`, { replace: true, state: { created: true } });
  };

  const field = (name: keyof Form, label: string, type: string, extra: object = {}) => (
    <FieldFrame id={`${ids}${name}`} label={label} error={errors[name]}>
      <input
        id={`${ids}${name}`}
        type={type}
        className={inputLook(errors[name] !== undefined)}
        aria-invalid={errors[name] !== undefined}
        aria-describedby={errors[name] ? `${ids}${name}-error` : undefined}
        autoComplete="off"
        value={values[name]}
        onChange={({ target }) => {
          setValues({ ...values, [name]: target.value });
          setErrors({ ...errors, [name]: undefined });
        }}
        {...extra}
      />
    </FieldFrame>
  );
  return (
    <Dialog open title="New job" onClose={onClose}>
      <form onSubmit={submit} noValidate className="mt-4 grid gap-4">
        {field("place", "Place", "text", { list: `${ids}sites`, placeholder: "Flat 3, Mill House" })}
        <datalist id={`${ids}sites`}>
          {shelf.sites
            .filter(({ forgotten }) => !forgotten)
            .map((site) => (
              <option key={site.id} value={site.name} />
            ))}
        </datalist>
        {field("title", "Job", "text", { placeholder: "Carpets" })}
        <div className="grid grid-cols-2 gap-3">
          {field("day", "Day", "date")}
          {field("startsAt", zone ? `Start, ${zone}` : "Start", "time")}
        </div>
        <Button weight="main" type="submit">
          Create job
        </Button>
      </form>
    </Dialog>
  );
}
