import { type JobFile, momentAt } from "@scutch/contract";
import { severity } from "@scutch/core/care";
import { workStartTime } from "@scutch/core/log";
import { careOf, planJob, toJobInput } from "@scutch/core/plan";
import { scheduleJob, THOROUGH } from "@scutch/core/run";
import { scheduleReport } from "./schedule.ts";

/** A job file's plan, by as many people as it says or as asked: SI, hours after the job's start; drying hours count from when the room is finished. */
export function planReport({ job, site, products, vessels, gear, log }: JobFile, people?: number) {
  const asked = people === undefined ? job : { ...job, run: { ...job.run, people } };
  const clockTime = (day: string, clock: string) => momentAt(day, clock, site?.zone);
  const input = toJobInput(asked, {
    products,
    vessels,
    ...(gear ? { gear } : {}),
    ...(site ? { site } : {}),
    ...(log ? { log } : {}),
    clockTime,
    startsAtMs: workStartTime(clockTime(job.day, job.startsAt), log ?? []),
  });
  const plan = planJob(input, (run) => scheduleJob(run, THOROUGH));
  const care = careOf(input);
  return {
    job: { id: job.id, title: job.title, day: job.day, startsAt: job.startsAt },
    area: plan.area,
    touchDryAt: plan.touchDryAt,
    dryAt: plan.dryAt,
    ...(plan.walkOut ? { walkOut: { ...plan.walkOut.best, conflicts: plan.walkOut.conflicts } } : {}),
    effects: plan.effects,
    questions: plan.questions,
    defoamer: plan.defoamer,
    pads: plan.pads,
    ...(plan.tanks ? { tanks: plan.tanks } : {}),
    balanceError: plan.balanceError,
    heatBalanceError: plan.heatBalanceError,
    care: {
      rooms: care.rooms.map(({ roomId, verdict, danger, toDo, gate, method, rinse, product, added }) => ({
        roomId,
        verdict,
        danger,
        toDo,
        dyeTest: gate,
        reasons: [
          method,
          ...(rinse ? [rinse] : []),
          ...(product ? [product] : []),
          ...added.map(({ judgement }) => judgement),
        ]
          .flatMap(({ reasons }) => reasons)
          .filter((reason) => reason.verdict !== "allowed")
          .toSorted((a, b) => severity(b.verdict) - severity(a.verdict)),
      })),
      vessels: care.vessels.map(({ batchIds, products, hazard }) => ({
        batchIds,
        productIds: products.flatMap((product) => product?.id ?? []),
        pairs: [hazard],
      })),
    },
    schedule: scheduleReport(plan.run),
    batches: plan.batches.map(({ id, strength, roomIds, batch }) => ({ id, strength, roomIds, ...batch })),
    rooms: plan.rooms.map((room, i) => ({
      id: room.id,
      name: room.name,
      order: i + 1,
      area: room.area,
      assumed: room.assumed,
      applicationRate: room.water.applicationRate,
      preSpray: room.preSpray,
      rinse: room.rinse,
      residual: room.residual,
      residualMeasured: room.residualMeasured,
      steps: room.steps.map(({ kind, start, end }) => ({
        kind,
        startHours: start / 3600,
        endHours: end / 3600,
      })),
      finishedAt: room.finishedAtHours,
      finishLogged: room.finishLogged,
      ...(room.airMoversFromHours === undefined ? {} : { airMoversFrom: room.airMoversFromHours }),
      airSpeed: plan.drying[i]?.airSpeed ?? null,
      initialFlux: plan.drying[i]?.initialFlux ?? null,
      touchDryHours: plan.drying[i]?.touchDryHours ?? null,
      dryHours: plan.drying[i]?.dryHours ?? null,
      outcome: plan.drying[i]?.outcome ?? null,
      lowestTemperature: plan.drying[i]?.lowestTemperature ?? null,
      peakRelativeHumidity: plan.drying[i]?.peakRelativeHumidity ?? null,
    })),
  };
}
