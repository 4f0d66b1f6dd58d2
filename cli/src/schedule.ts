import type { RunPlan } from "@scutch/core/run";

/**
 * A job's schedule as other programs read it: seconds from the job's start; `problem` is the whole statement, so that any
 * solver of RCPSP/max can check or beat it. Printed keys keep their names: `finish` is the makespan, `least` and `most` are the
 * minimal and maximal time lag, start to start.
 */
export function scheduleReport(run: RunPlan) {
  if (run.outcome === "impossible") return { outcome: run.outcome, fault: run.fault };
  const { makespan, lowerBound, sections, steps, problem, violatedPins, overdueSections } = run;
  return {
    outcome: run.outcome,
    finish: makespan,
    lowerBound,
    sections: sections.map((section) => ({
      id: section.id,
      roomId: section.roomId,
      area: section.area,
      sprayStart: section.sprayStart,
      sprayEnd: section.sprayEnd,
      cleanStart: section.cleanStart,
      cleanEnd: section.cleanEnd,
      dwellLeast: section.dwell,
      openUntil: section.openUntil,
      overLabel: section.overLabel,
    })),
    steps: steps.map(({ id, kind, roomId, sectionId, who, tool, start, end, rinse }) => ({
      id,
      kind,
      ...(rinse ? { rinses: rinse.rinses, emptied: rinse.emptied } : {}),
      ...(roomId === undefined ? {} : { roomId }),
      ...(sectionId === undefined ? {} : { sectionId }),
      who: who === undefined ? null : who + 1,
      ...(tool === undefined ? {} : { tool }),
      start,
      end,
    })),
    unkept: violatedPins,
    late: overdueSections,
    problem: {
      ...problem,
      lags: problem.lags.map(({ from, to, minLag, maxLag }) => ({ from, to, least: minLag, most: maxLag })),
    },
  };
}
