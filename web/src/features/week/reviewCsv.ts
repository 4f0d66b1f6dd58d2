import { fromMinor, type MinorDigits } from "@scutch/core/quote";
import { crewHours, perHour } from "@scutch/core/review";
import Papa from "papaparse";
import { csvCell } from "../../format/csvCell.ts";
import { SECOND_LOOK_NAMES } from "../../format/words.ts";
import type { NamedReview } from "./useReview.ts";

const two = (value: number | undefined) => (value === undefined ? "" : value.toFixed(2));

/** Jobs as a CSV file (RFC 4180), one a line: hours, money in the crew’s currency, litres. */
export function reviewCsv(jobs: readonly NamedReview[], digits: MinorDigits): string {
  const money = (minor: number | undefined) =>
    minor === undefined ? "" : fromMinor(minor, digits).toFixed(digits);
  const hours = (seconds: number | undefined, people: number) =>
    two(seconds === undefined ? undefined : (seconds * people) / 3600);
  return Papa.unparse({
    fields: [
      "Day",
      "Place",
      "Job",
      "Done",
      "Hours planned, all people",
      "Hours taken, all people",
      "Total",
      "Left after costs",
      "Left per hour",
      "Water, L",
      "Came back",
    ],
    data: jobs.map((job) => [
      job.day,
      csvCell(job.place),
      csvCell(job.title),
      job.isDone ? "yes" : "no",
      hours(job.plannedSeconds, job.people),
      hours(job.takenSeconds, job.people),
      money(job.money?.total),
      money(job.money?.left),
      crewHours(job) === undefined ? "" : money(perHour(job)),
      (1000 * job.water).toFixed(1),
      [...new Set(job.rooms.flatMap(({ callbacks }) => callbacks))]
        .map((each) => SECOND_LOOK_NAMES[each])
        .join(", "),
    ]),
  });
}
