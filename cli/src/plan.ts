import { type JobFile, jobInput } from "@scutch/contract";
import { planJob } from "@scutch/core/plan";

/** A job file's plan: SI, hours after the job's start; drying hours count from when the room is finished. */
export function planReport({ job, site, products, vessels, log }: JobFile) {
  const plan = planJob(
    jobInput(job, {
      products,
      vessels,
      ...(site ? { site } : {}),
      ...(log ? { log } : {}),
      startsAt: Date.parse(`${job.day}T${job.startsAt}`),
    }),
  );
  return {
    job: { id: job.id, title: job.title, day: job.day, startsAt: job.startsAt },
    area: plan.area,
    touchDryAt: plan.touchDryAt,
    dryAt: plan.dryAt,
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
      residual: room.water.residual,
      steps: room.steps.map(({ kind, start, end }) => ({
        kind,
        startHours: start / 3600,
        endHours: end / 3600,
      })),
      finishedAt: room.finishedAt,
      finishLogged: room.finishLogged,
      airSpeed: plan.drying[i]?.airSpeed ?? null,
      initialFlux: plan.drying[i]?.initialFlux ?? null,
      touchDryHours: plan.drying[i]?.touchDryHours ?? null,
      dryHours: plan.drying[i]?.dryHours ?? null,
      peakRelativeHumidity: plan.drying[i]?.peakRelativeHumidity ?? null,
    })),
  };
}
