import type { DryingLimiter, Unmeasured } from "@scutch/core/drying";
import { spreadOf } from "@scutch/core/plan";
import { useMemo } from "react";
import { Link } from "react-router";
import { hoursAndMinutes } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { readyOfRoom } from "../../planning/ready.ts";
import { useAsked } from "../../planning/useAsked.ts";
import type { DryingForecast } from "../../planning/useDried.ts";
import { askLimits } from "../../planning/workerClient.ts";
import { Callout } from "../../ui/Callout.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly dried: DryingForecast;
  readonly place: number;
  readonly now: number;
}

const LIMITER_TEXTS: Readonly<Record<DryingLimiter, string>> = {
  "air-speed": "Little air moves over the carpet.",
  exchange: "The moist air stays in the room.",
  draught: "Too much outdoor air comes in.",
  "outdoor-humidity": "The outdoor air is damp.",
  cold: "The room is cold.",
  residual: "Much water is left in the pile.",
  fibre: "The fibre holds on to its water.",
};
/** A second cause is told if it weighs at least so much of the first. */
const ALSO = 0.6;
/** A cause that costs less isn’t told, h. */
const CLEAR = 5 / 60;
/** A measurement that moves the time by less isn’t asked for, h. */
const WORTH_MEASURING = 0.5;
const LONGEST_TOLD = 24;

/** What holds a room up, and what to measure because it moves the time. */
export function WhatLimits({ desk, dried, place, now }: Props) {
  const { work, building = work.building } = dried;
  const { input, job } = desk;
  const question = useMemo(
    () => ({
      building,
      room: place,
      isAirAssumed: work.rooms.map(({ assumed }) => assumed.includes("air")),
      outdoor: spreadOf(input, work.rooms).outdoor,
    }),
    [building, work.rooms, place, input],
  );
  const found = useAsked(question, askLimits);
  const [first, second] = found?.limiters ?? [];
  const { likely } = readyOfRoom(dried, place, desk.startMs, "touchDry");
  if (likely !== null && likely <= now) return null;
  if (!found || !first || first.gain < CLEAR) return null;
  const causes = [first, ...(second && second.gain > ALSO * first.gain ? [second] : [])];
  const measure = found.unmeasured.filter(({ hours, decides }) => decides || hours >= WORTH_MEASURING);
  return (
    <>
      <p className="mt-3">
        <span className="text-soft">What holds it up: </span>
        {causes.map(({ limiter }) => LIMITER_TEXTS[limiter]).join(" ")}
      </p>
      {measure.map((each) => (
        <div key={each.what} className="mt-3">
          <Measure {...each} jobId={job.id} isForecast={job.weather !== undefined} />
        </div>
      ))}
    </>
  );
}

interface MeasureProps extends Unmeasured {
  readonly jobId: string;
  readonly isForecast: boolean;
}

function Measure({ what, hours, decides, jobId, isForecast }: MeasureProps) {
  const moves = decides
    ? "It decides whether the room dries."
    : `It moves the time by up to ${hours > LONGEST_TOLD ? "a day" : hoursAndMinutes(Math.round(hours * 12) / 12)}.`;
  return what === "indoor-humidity" ? (
    <Callout tone="advice" title="Measure the humidity in the room.">
      {moves}{" "}
      <Link to={`/jobs/${jobId}/log`} className="font-semibold text-accent print:hidden">
        Log it as room air
      </Link>
    </Callout>
  ) : (
    <Callout
      tone="advice"
      title={isForecast ? "The outdoor air is a forecast." : "The outdoor air isn’t measured."}
    >
      {moves} {isForecast ? "Get it again later." : "Get the forecast or type it, below."}
    </Callout>
  );
}
