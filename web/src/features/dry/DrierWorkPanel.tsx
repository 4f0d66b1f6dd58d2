import type { Job, Room } from "@scutch/contract";
import { hasBegun } from "@scutch/core/log";
import { type DrierWork, isExtracted } from "@scutch/core/plan";
import { hoursAndMinutes } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { readyOfJob } from "../../planning/ready.ts";
import { useAsked } from "../../planning/useAsked.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { askDrierWork } from "../../planning/workerClient.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { gainText } from "./moveText.ts";

interface Props {
  readonly desk: JobDesk;
  readonly dried: DryingForecast;
  readonly now: number;
}

const HOUR = 3_600_000;
/** Less isn’t worth the work, h. */
const WORTH = 0.25;

/** Before the job: what taking more water out would be worth, in hours and in work. */
export function DrierWorkPanel({ desk, dried, now }: Props) {
  const isBegun = hasBegun(desk.log);
  const { input, work, isProvisional } = desk;
  const found = useAsked(isBegun || isProvisional ? undefined : input, askDrierWork);
  const before = readyOfJob(dried, desk.startMs, "touchDry").likely;
  const lines = (found ?? []).filter(({ sooner }) => sooner === undefined || sooner >= WORTH);
  if (isBegun || lines.length === 0) return null;
  return (
    <section aria-label="Take more water out" className="mt-5">
      <h3 className="font-semibold">Take more water out</h3>
      <ul className="mt-1">
        {lines.map((line) => (
          <li key={line.kind} className="flex flex-wrap items-center gap-x-3 border-rule border-t py-2">
            <span className="flex-1 basis-52">
              <strong className="font-semibold">{whatOf(line)}</strong>{" "}
              <Outcome {...line} before={before} now={now} />
            </span>
            <Button onClick={() => void desk.edit((job) => withMore(job, line, work.rooms))}>Plan it</Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

const whatOf = ({ kind, dryStrokes }: DrierWork) =>
  kind === "pads" ? "A pad over the extracted carpet:" : `${dryStrokes} dry strokes a pass:`;

function Outcome({
  sooner,
  longer,
  before,
  now,
}: Pick<DrierWork, "sooner" | "longer"> & { readonly before: number | null; readonly now: number }) {
  const { about } = useTimes();
  const work =
    longer !== undefined && longer > 60 ? `, ${hoursAndMinutes(Math.round(longer / 60) / 60)} more work` : "";
  if (sooner === undefined || before === null) return <>all rooms get touch-dry{work}.</>;
  return (
    <>
      all rooms touch-dry about{" "}
      <span className="whitespace-nowrap font-mono">{about(before - sooner * HOUR, now)}</span>,{" "}
      {gainText(sooner)} sooner{work}.
    </>
  );
}

/** The job planned with more taken out. */
function withMore(job: Job, { kind, dryStrokes }: DrierWork, planned: JobDesk["work"]["rooms"]): Job {
  if (kind === "dry-strokes" && dryStrokes !== undefined) return { ...job, rig: { ...job.rig, dryStrokes } };
  const extracted = new Set(planned.filter(isExtracted).map(({ id }) => id));
  return {
    ...job,
    rooms: job.rooms.map((room): Room => (extracted.has(room.id) ? { ...room, padAfter: true } : room)),
  };
}
