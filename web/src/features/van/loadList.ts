import type { Gear, Job, Product, Shelf } from "@scutch/contract";
import { protectionOf } from "@scutch/core/care";
import { METHOD_FIGURES } from "@scutch/core/clean";
import { boundingBox } from "@scutch/core/floor";
import type { WorkPlan } from "@scutch/core/plan";
import { GEAR_NAMES } from "../../format/careWords.ts";
import { doseOf, formatAmount, type UnitFormatter } from "../../format/units.ts";
import { METHOD_NAMES } from "../../format/words.ts";
import { floorOf } from "../../planning/floorPlan.ts";
import { nameById } from "../../planning/nameById.ts";
import { guideOf, productsFor } from "../../shared/spots/spotGuide.ts";
import { needsOfPlans, plansOf } from "./needs.ts";

/** One thing to put in the van, by a name that stays the same while the plan does. */
export interface LoadItem {
  readonly key: string;
  readonly what: string;
  readonly how?: string;
}

/** What a hose lies further than the straight line through the house, and from the door to the van, m (common practice). */
const WINDING = 1.3;
const TO_THE_VAN = 8;
/** At or below this outdoors what holds water is drained or charged, °C. */
const FROST = 0;

/** m of hose from the van to the furthest corner of a job: by its plan, for what is drawn on it. */
export function hoseReach(job: Job): number | undefined {
  const { rooms, doors } = floorOf(job);
  const exit = doors.find((door) => door.exit);
  if (!exit || rooms.length === 0) return undefined;
  const far = rooms.map(({ outline, level }) => {
    const { left, top, width, height } = boundingBox(outline);
    const dx = Math.max(Math.abs(left - exit.at.x), Math.abs(left + width - exit.at.x));
    const dy = Math.max(Math.abs(top - exit.at.y), Math.abs(top + height - exit.at.y));
    // A flight up or down is about four metres along the stairs.
    return Math.hypot(dx, dy) + 4 * Math.abs(level - exit.level);
  });
  return WINDING * Math.max(...far) + TO_THE_VAN;
}

/** Products the spots on the plan will be worked with next. */
function spottersFor(job: Job, shelf: Shelf): Product[] {
  const desk = { job, shelf, log: [] };
  return (job.spots ?? []).flatMap((spot) => {
    const step = guideOf(desk, spot).steps.find(({ state }) => state === "next");
    return step ? productsFor(desk, spot, step.agent).slice(0, 1) : [];
  });
}

const gearOf = (shelf: Shelf, id: string | undefined): Gear | undefined =>
  shelf.gear.find((each) => each.id === id);

function machinesFor(job: Job, work: WorkPlan, shelf: Shelf, units: UnitFormatter): LoadItem[] {
  const methods = [...new Set(work.rooms.filter(({ passage }) => !passage).map(({ method }) => method))];
  const rinsed = methods.some((method) => METHOD_FIGURES[method].wetStrokes > 0);
  const named = [job.rig?.wandId, job.rig?.blowerId].flatMap((id) => gearOf(shelf, id) ?? []);
  const reach = hoseReach(job);
  const hose = gearOf(shelf, job.rig?.hoseId);
  const short = reach !== undefined && hose?.kind === "hose" && hose.length < reach;
  return [
    ...methods.map((method) => ({
      key: `method ${method}`,
      what: `Machine: ${METHOD_NAMES[method].toLowerCase()}`,
    })),
    ...named.map(({ id, name }) => ({ key: id, what: name })),
    ...(rinsed && (hose || reach !== undefined)
      ? [
          {
            key: "hose",
            what: hose?.name ?? "Hose",
            ...(reach === undefined
              ? {}
              : {
                  how: `about ${units.length(Math.ceil(reach))} to the furthest corner${short ? ": longer than this one, bring another" : ""}`,
                }),
          },
        ]
      : []),
  ];
}

const many = (count: number, one: string, more: string) => `${count === 1 ? `1 ${one}` : `${count} ${more}`}`;

/** Everything some jobs need in the van, each thing once: from their plans, their spots and what was told of them. */
export function loadList(jobs: readonly Job[], shelf: Shelf, units: UnitFormatter): LoadItem[] {
  if (jobs.length === 0) return [];
  const works = plansOf(jobs, shelf);
  const { amounts, vesselIds, airMovers } = needsOfPlans(works);
  const productOf = (id: string) => shelf.products.find((each) => each.id === id);
  const spotters = works.flatMap(({ job }) => spottersFor(job, shelf));
  const sum = (value: (work: WorkPlan) => number) =>
    works.reduce((total, { work }) => total + value(work), 0);
  const defoamer = sum((work) => work.defoamer);
  const pads = sum((work) => work.pads.bothSides.most);
  const dryers = Math.max(
    0,
    ...jobs.map(({ rooms }) => rooms.filter((room) => (room.dehumidifierLitresPerDay ?? 0) > 0).length),
  );
  const products = [...amounts.keys()].flatMap((id) => productOf(id) ?? []);
  const wear = [...new Set(protectionOf([...products, ...spotters]).map(({ gear }) => gear))];
  const urine = jobs.some(
    ({ interview, spots }) => interview?.urine || spots?.some(({ origin }) => origin === "urine"),
  );
  const cold = Math.min(...jobs.map(({ outdoor }) => outdoor?.temperature ?? Number.POSITIVE_INFINITY));
  const items: LoadItem[] = [
    ...[...amounts].map(([id, value]) => {
      const product = productOf(id);
      return {
        key: id,
        what: product?.name ?? "A removed product",
        how: doseOf(value, product?.scoop !== undefined, units),
      };
    }),
    ...spotters.map(({ id, name }) => ({ key: id, what: name, how: "spotter" })),
    ...(defoamer > 0
      ? [{ key: "defoamer", what: "Defoamer", how: formatAmount(units.amount(defoamer)) }]
      : []),
    ...vesselIds.map((id) => ({
      key: id,
      what: nameById(shelf.vessels, id, "A sprayer"),
    })),
    ...works.flatMap(({ job, work }) => machinesFor(job, work, shelf, units)),
    ...(pads > 0 ? [{ key: "pads", what: many(pads, "pad", "pads") }] : []),
    ...(airMovers > 0 ? [{ key: "fans", what: many(airMovers, "air mover", "air movers") }] : []),
    ...(dryers > 0 ? [{ key: "dryers", what: many(dryers, "dehumidifier", "dehumidifiers") }] : []),
    ...wear
      .filter((gear) => gear !== "ventilation" && gear !== "no-flame")
      .map((gear) => ({ key: `wear ${gear}`, what: GEAR_NAMES[gear] })),
    { key: "cloths", what: "White cloths", how: "dye tests and spots" },
    { key: "meter", what: "Moisture meter and thermo-hygrometer" },
    ...(urine ? [{ key: "lamp", what: "UV lamp", how: "for urine accidents" }] : []),
    { key: "signs", what: "Signs for wet floors", how: "one per entrance" },
    ...(cold <= FROST
      ? [
          {
            key: "frost",
            what: "Antifreeze for machine and hoses",
            how: `${units.temperature(cold)} outside: drain or charge them`,
          },
        ]
      : []),
  ];
  return items.filter(({ key }, i) => items.findIndex((each) => each.key === key) === i);
}
