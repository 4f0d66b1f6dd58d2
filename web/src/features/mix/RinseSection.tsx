import type { GearKind, RigChoice } from "@scutch/contract";
import { explainPads, METHOD_FIGURES, type PadCount, STROKE_LIMITS } from "@scutch/core/clean";
import { usableVolume } from "@scutch/core/mix";
import { onlyVessel } from "@scutch/core/plan";
import { quantityReader } from "../../format/readers.ts";
import { hoursAndMinutes } from "../../format/time.ts";
import { formatAmount, percent } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { ExplainedFigure } from "../../shared/explain/ExplainedFigure.tsx";
import { useUnits } from "../../state/useUnits.ts";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Stepper } from "../../ui/Stepper.tsx";
import { TankGauges } from "./TankGauges.tsx";
import { TanksRead } from "./TanksRead.tsx";

/** What the job is rinsed and extracted with, and what comes of it: litres, minutes, what stays, stops at tap and drain, pads. */
export function RinseSection({ desk }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const { job, shelf, work, edit } = desk;
  const rig = job.rig ?? {};
  const rinsed = work.rooms.filter((room) => room.rinse > 0);
  if (rinsed.length === 0 && work.pads.sides === 0) return null;
  const set = (change: Partial<RigChoice>) =>
    void edit((before) => ({ ...before, rig: { ...before.rig, ...change } }));
  const gear = (kind: GearKind) =>
    shelf.gear
      .filter((item) => item.kind === kind && item.count > 0)
      .map(({ id, name }) => ({ value: id, name }));
  const tanks = (kind: "solution-tank" | "recovery-tank") =>
    shelf.vessels.filter((vessel) => vessel.kind === kind).map(({ id, name }) => ({ value: id, name }));
  const extracted = rinsed.filter(({ method }) => method === "extraction");
  const litres = rinsed.reduce((sum, { rinse }) => sum + rinse, 0);
  const seconds = rinsed.reduce((sum, { area, water }) => sum + area * water.cleaningTimePerArea, 0);
  const residual =
    rinsed.reduce((sum, room) => sum + room.area * room.residual, 0) /
    Math.max(
      1e-9,
      rinsed.reduce((sum, { area }) => sum + area, 0),
    );
  const airflow = extracted[0]?.figures.relativeAirflow;
  const ofKind = (id: string | undefined, kind: "solution-tank" | "recovery-tank") =>
    shelf.vessels.find((vessel) => vessel.id === id) ?? onlyVessel(shelf.vessels, kind);
  const solution = ofKind(rig.solutionId, "solution-tank");
  const recovery = ofKind(rig.recoveryId, "recovery-tank");
  return (
    <section aria-label="Rinse and recovery" className="mb-8 border-ink border-t-2 pt-3 print:hidden">
      <h2 className="font-bold text-xl">Rinse and recovery</h2>
      <div className="mt-3 grid gap-x-8 gap-y-5 lg:grid-cols-[20rem_1fr]">
        <div className="grid content-start gap-3">
          <ChoiceField
            label="Wand"
            value={rig.wandId}
            options={gear("wand")}
            onChange={(wandId) => set({ wandId })}
          />
          <ChoiceField
            label="Blower"
            value={rig.blowerId}
            options={gear("blower")}
            onChange={(blowerId) => set({ blowerId })}
          />
          <ChoiceField
            label="Hose"
            value={rig.hoseId}
            options={gear("hose")}
            onChange={(hoseId) => set({ hoseId })}
          />
          <Stepper
            label="Tight bends in the hose"
            value={rig.bends ?? 0}
            most={20}
            onChange={(bends) => set({ bends })}
          />
          <div className="grid grid-cols-2 gap-3">
            <Stepper
              label="Wet strokes"
              value={rig.wetStrokes ?? METHOD_FIGURES.extraction.wetStrokes}
              most={STROKE_LIMITS.wetStrokes[1]}
              onChange={(wetStrokes) => set({ wetStrokes: Math.max(1, wetStrokes) })}
            />
            <Stepper
              label="Dry strokes"
              value={rig.dryStrokes ?? METHOD_FIGURES.extraction.dryStrokes}
              most={STROKE_LIMITS.dryStrokes[1]}
              onChange={(dryStrokes) => set({ dryStrokes })}
            />
          </div>
          <QuantityField
            label="Stroke speed"
            value={rig.strokeSpeed}
            assumed={METHOD_FIGURES.extraction.strokeSpeed}
            show={units.speed}
            read={quantityReader("speed", units.system === "metric" ? "mps" : "fpm")}
            onChange={(strokeSpeed) =>
              edit((before) => ({ ...before, rig: { ...before.rig, strokeSpeed } }), units.speed)
            }
          />
          <QuantityField
            label="Rinse water at the head"
            value={rig.rinseTemperature}
            show={units.temperature}
            placeholder="not set"
            hint="Checked against each fibre."
            read={quantityReader("temperature", units.bare.temperature)}
            onChange={(rinseTemperature) =>
              edit((before) => ({ ...before, rig: { ...before.rig, rinseTemperature } }), units.temperature)
            }
          />
          <ChoiceField
            label="Solution tank"
            value={rig.solutionId}
            assumed={solution?.id}
            options={tanks("solution-tank")}
            onChange={(solutionId) => set({ solutionId })}
          />
          <ChoiceField
            label="Recovery tank"
            value={rig.recoveryId}
            assumed={recovery?.id}
            options={tanks("recovery-tank")}
            onChange={(recoveryId) => set({ recoveryId })}
          />
        </div>
        <div className="min-w-0">
          <dl className="grid grid-cols-2 gap-x-6 sm:grid-cols-4">
            <Figure name="Rinse water" value={formatAmount(units.volume(litres))} />
            <Figure name="Per pass of the wand" value={hoursAndMinutes(seconds / 3600)} />
            <Figure name="Left in the carpet" value={units.massPerArea(residual)} />
            {airflow !== undefined && rig.blowerId && rig.hoseId && (
              <Figure name="Suction at the head" value={`${percent(airflow)} of typical`} />
            )}
          </dl>
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
              nameOf={(id) => job.rooms.find((room) => room.id === id)?.name ?? "a removed room"}
            />
          )}
          {!work.tanks && rinsed.length > 0 && (
            <p className="mt-3 text-soft">Choose both tanks to see refill stops.</p>
          )}
          {work.defoamer > 0 && (
            <p className="mt-3">
              <strong>{formatAmount(units.amount(work.defoamer))} of defoamer</strong> for the recovery tank:
              old detergent will foam.
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
          <TanksRead desk={desk} />
          <p className="mt-3 max-w-prose text-sm text-soft">
            Empty waste water to the sewer (foul drain), never a storm drain. Release pressure before you
            uncouple a hose.
          </p>
        </div>
      </div>
    </section>
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
