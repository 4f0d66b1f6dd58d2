import type { GearId, GearKind, RigChoice, Vessel } from "@scutch/contract";
import { METHOD_FIGURES, STROKE_LIMITS } from "@scutch/core/clean";
import { quantityReader, type ShowLimit } from "../../format/readers.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Stepper } from "../../ui/Stepper.tsx";

interface Props {
  readonly desk: Pick<JobDesk, "job" | "shelf" | "edit">;
  readonly solution: Vessel | undefined;
  readonly recovery: Vessel | undefined;
  /** Some room is extracted: with a wand, over a hose. */
  readonly extracts: boolean;
}

/** What the job is rinsed and extracted with. */
export function RigFields({ desk: { job, shelf, edit }, solution, recovery, extracts }: Props) {
  const units = useUnits();
  const rig = job.rig ?? {};
  const change = (part: Partial<RigChoice>, showLimit?: ShowLimit) =>
    edit((before) => ({ ...before, rig: { ...before.rig, ...part } }), showLimit);
  const set = (part: Partial<RigChoice>) => void change(part);
  const gear = (kind: GearKind) =>
    shelf.gear
      .filter((item) => item.kind === kind && item.count > 0)
      .map(({ id, name }) => ({ value: id, name }));
  const tanks = (kind: "solution-tank" | "recovery-tank") =>
    shelf.vessels.filter((vessel) => vessel.kind === kind).map(({ id, name }) => ({ value: id, name }));
  return (
    <div className="grid content-start gap-3">
      {extracts && <WandFields {...{ rig, gear, set, change }} />}
      <QuantityField
        label="Rinse water at the head"
        value={rig.rinseTemperature}
        show={units.temperature}
        placeholder="not set"
        hint="Checked against each fibre."
        read={quantityReader("temperature", units.bare.temperature)}
        onChange={(rinseTemperature) => change({ rinseTemperature }, units.temperature)}
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
  );
}

interface WandProps {
  readonly rig: RigChoice;
  readonly gear: (kind: GearKind) => { value: GearId; name: string }[];
  readonly set: (part: Partial<RigChoice>) => void;
  readonly change: (part: Partial<RigChoice>, showLimit?: ShowLimit) => string | undefined;
}

/** What a carpet is extracted with, and how it is drawn over it. */
function WandFields({ rig, gear, set, change }: WandProps) {
  const units = useUnits();
  return (
    <>
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
        onChange={(strokeSpeed) => change({ strokeSpeed }, units.speed)}
      />
    </>
  );
}
