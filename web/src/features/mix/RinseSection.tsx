import type { Vessel } from "@scutch/contract";
import { explainPads, type PadCount } from "@scutch/core/clean";
import { usableVolume } from "@scutch/core/mix";
import { onlyVessel, type RoomPlan } from "@scutch/core/plan";
import { hoursAndMinutes } from "../../format/time.ts";
import { formatAmount, percent } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { ExplainedFigure } from "../../shared/explain/ExplainedFigure.tsx";
import { useUnits } from "../../state/useUnits.ts";
import { Folded } from "../../ui/Folded.tsx";
import { RigFields } from "./RigFields.tsx";
import { TankGauges } from "./TankGauges.tsx";
import { TanksRead } from "./TanksRead.tsx";

/** What the job is rinsed and extracted with, and what comes of it: litres, minutes, what stays, stops at tap and drain, pads. */
export function RinseSection({ desk }: { readonly desk: JobDesk }) {
  const { job, shelf, work } = desk;
  const rinsed = work.rooms.filter((room) => room.rinse > 0);
  if (rinsed.length === 0 && work.pads.sides === 0) return null;
  const ofKind = (id: string | undefined, kind: "solution-tank" | "recovery-tank") =>
    shelf.vessels.find((vessel) => vessel.id === id) ?? onlyVessel(shelf.vessels, kind);
  const solution = ofKind(job.rig?.solutionId, "solution-tank");
  const recovery = ofKind(job.rig?.recoveryId, "recovery-tank");
  return (
    <section aria-label="Rinse and recovery" className="mb-8 border-ink border-t-2 pt-3 print:hidden">
      <h2 className="font-bold text-xl">Rinse and recovery</h2>
      <div className="mt-3 grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[20rem_1fr]">
        <div className="max-lg:order-2">
          {rinsed.length > 0 && (
            <Folded label={rigText(desk, solution, recovery)}>
              <RigFields
                {...{ desk, solution, recovery }}
                extracts={rinsed.some(({ method }) => method === "extraction")}
              />
            </Folded>
          )}
        </div>
        <RinseFigures {...{ desk, rinsed, solution, recovery }} />
      </div>
    </section>
  );
}

/** What the job is rinsed with, in a line. */
const rigText = ({ job: { rig = {} }, shelf }: JobDesk, ...tanks: readonly (Vessel | undefined)[]) =>
  [rig.wandId, rig.blowerId, rig.hoseId]
    .map((id) => shelf.gear.find((item) => item.id === id)?.name)
    .concat(tanks.map((tank) => tank?.name))
    .filter(Boolean)
    .join(" · ") || "No machine chosen yet.";

/** Litres and minutes of some rooms, and the water left in their carpet, kg/m². */
function rinseTotals(rinsed: readonly RoomPlan[]) {
  const sum = (each: (room: RoomPlan) => number) => rinsed.reduce((all, room) => all + each(room), 0);
  const area = Math.max(
    1e-9,
    sum((room) => room.area),
  );
  return {
    litres: sum(({ rinse }) => rinse),
    seconds: sum((room) => room.area * room.water.cleaningTimePerArea),
    residual: sum((room) => room.area * room.residual) / area,
    airflow: rinsed.find(({ method }) => method === "extraction")?.figures.relativeAirflow,
  };
}

interface FiguresProps {
  readonly desk: JobDesk;
  readonly rinsed: readonly RoomPlan[];
  readonly solution: Vessel | undefined;
  readonly recovery: Vessel | undefined;
}

/** What comes of it. */
function RinseFigures({ desk, rinsed, solution, recovery }: FiguresProps) {
  const units = useUnits();
  const { job, work } = desk;
  const { rig = {} } = job;
  const { litres, seconds, residual, airflow } = rinseTotals(rinsed);
  return (
    <div className="min-w-0">
      {rinsed.length > 0 && (
        <dl className="grid grid-cols-2 gap-x-6 sm:grid-cols-4">
          <Figure name="Rinse water" value={formatAmount(units.volume(litres))} />
          <Figure name="Per pass of the wand" value={hoursAndMinutes(seconds / 3600)} />
          <Figure name="Left in the carpet" value={units.massPerArea(residual)} />
          {airflow !== undefined && rig.blowerId && rig.hoseId && (
            <Figure name="Suction at the head" value={`${percent(airflow)} of typical`} />
          )}
        </dl>
      )}
      {airflow !== undefined && airflow < 0.9 && (
        <p className="mt-2 max-w-prose">
          A shorter, wider or straighter hose leaves less water, so it dries sooner. Compare in Dry.
        </p>
      )}
      {work.tanks && solution && recovery && (
        <TankGauges
          runs={work.tanks}
          solution={usableVolume(solution)}
          recovery={usableVolume(recovery)}
          nameOf={(id) => nameById(job.rooms, id, "a removed room")}
        />
      )}
      {!work.tanks && rinsed.length > 0 && (
        <p className="mt-3 text-soft">Choose both tanks to see refill stops.</p>
      )}
      {work.defoamer > 0 && (
        <p className="mt-3">
          <strong>{formatAmount(units.amount(work.defoamer))} of defoamer</strong> for the recovery tank: old
          detergent will foam.
        </p>
      )}
      {work.pads.sides > 0 && (
        <p className="mt-3">
          <ExplainedFigure
            label="Pads"
            working={() =>
              explainPads(work.rooms.filter(({ figures, padAfter }) => figures.padPasses > 0 || padAfter))
            }
          >
            <strong>{counted(work.pads.bothSides)}</strong>
          </ExplainedFigure>{" "}
          using both sides, or {counted(work.pads.oneSide)} using one; turn or change about{" "}
          {work.pads.changes === 1 ? "once" : `${work.pads.changes} times`}. Launder them all afterwards.
        </p>
      )}
      {rinsed.length > 0 && <TanksRead desk={desk} />}
      <p className="mt-3 max-w-prose text-sm text-soft">
        Empty waste water to the sewer (foul drain), never a storm drain. Release pressure before you uncouple
        a hose.
      </p>
    </div>
  );
}

const counted = ({ fewest, most }: PadCount) =>
  fewest === most ? `${most} ${most === 1 ? "pad" : "pads"}` : `${fewest}–${most} pads`;

function Figure({ name, value }: { readonly name: string; readonly value: string }) {
  return (
    <div className="border-rule border-t py-2">
      <dt className="text-sm text-soft">{name}</dt>
      <dd className="font-bold font-mono text-lg">{value}</dd>
    </div>
  );
}
