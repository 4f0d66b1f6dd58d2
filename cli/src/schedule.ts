import type { RunPlan } from "@scutch/core/run";

/**
 * A job's schedule as other programs read it: seconds from the job's start; `problem` is the whole statement, so that any
 * solver of RCPSP/max can check or beat it.
 */
export function scheduleReport(run: RunPlan) {
  if (run.outcome === "impossible") return { outcome: run.outcome, fault: run.fault };
  const { finish, lowerBound, sections, steps, problem, unkept, late } = run;
  return {
    outcome: run.outcome,
    finish,
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
    })),
    steps: steps.map(({ id, kind, roomId, sectionId, who, tool, start, end }) => ({
      id,
      kind,
      ...(roomId === undefined ? {} : { roomId }),
      ...(sectionId === undefined ? {} : { sectionId }),
      who: who === undefined ? null : who + 1,
      ...(tool === undefined ? {} : { tool }),
      start,
      end,
    })),
    unkept,
    late,
    problem,
  };
}
