import type { Room } from "@scutch/contract";
import { isHardFloor } from "@scutch/core/care";
import { METHODS } from "@scutch/core/clean";
import { DEFAULTS, defaultMethod, type RoomPlan } from "@scutch/core/plan";
import { Link } from "react-router";
import type { ShowLimit } from "../../format/readers.ts";
import { rateReader } from "../../format/readers.ts";
import { COVERING_NAMES, FIBRE_NAMES, METHOD_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { withRoom } from "../../planning/withRoom.ts";
import { useUnits } from "../../state/useUnits.ts";
import { CheckBox, ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { AirFields } from "./AirFields.tsx";
import { CarpetFields } from "./CarpetFields.tsx";
import { ProcedureSteps } from "./ProcedureSteps.tsx";
import { SoilFields } from "./SoilFields.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly plan: RoomPlan;
}

/** What lies there, how dirty it is and how it is to be cleaned. */
export function RoomFloor({ desk, room, plan }: Props) {
  const units = useUnits();
  const { job, edit, shelf } = desk;
  const set = (change: Partial<Room>, showLimit?: ShowLimit) =>
    edit((before) => withRoom(before, room.id, change), showLimit);
  const covering = room.covering ?? DEFAULTS.covering;
  const hard = isHardFloor(covering);
  const methods = METHODS.filter((method) => (method === "spinner") === hard || method === "self-contained");
  return (
    <div className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        <ChoiceField
          label="Floor type"
          value={room.covering}
          assumed={DEFAULTS.covering}
          options={optionsOf(COVERING_NAMES)}
          onChange={(value) =>
            // What was said of the one covering doesn’t hold for another kind.
            void set(
              isHardFloor(value) === hard
                ? { covering: value }
                : { covering: value, method: undefined, fibre: undefined, pileHeight: undefined },
            )
          }
        />
        {!hard && (
          <ChoiceField
            label="Fibre"
            value={room.fibre}
            assumed={DEFAULTS.fibre}
            options={optionsOf(FIBRE_NAMES)}
            onChange={(value) => void set({ fibre: value })}
          />
        )}
        {!hard && <CarpetFields {...{ desk, room, set }} covering={covering} />}
      </div>
      {!hard && (
        <Link to="/reference?page=fibres" className="text-accent text-sm underline">
          Not sure? Burn and float test, step by step
        </Link>
      )}
      <SoilFields {...{ room, plan, set }} hard={hard} />
      <div className="grid grid-cols-2 gap-3">
        <ChoiceField
          label="Method"
          value={room.method}
          assumed={defaultMethod(covering)}
          options={methods.map((method) => ({ value: method, name: METHOD_NAMES[method] }))}
          onChange={(method) => void set({ method })}
        />
        {job.batches.length > 1 && (
          <ChoiceField
            label="Mix"
            value={job.batches.find(({ id }) => id === plan.batchId)?.id}
            options={job.batches.map((batch) => ({
              value: batch.id,
              name: nameById(shelf.products, batch.productId, "Unknown product"),
            }))}
            onChange={(batchId) => void set({ batchId, unsprayed: undefined })}
          />
        )}
      </div>
      <QuantityField
        label="Pre-spray rate"
        value={room.rate}
        assumed={plan.water.applicationRate / plan.zoneFactor}
        show={units.applicationRate}
        read={rateReader(units)}
        onChange={(rate) => set({ rate }, units.applicationRate)}
        hint="For open areas. Traffic lanes get more, edges less."
      />
      {!hard && (
        <CheckBox
          label="Absorbent pad after cleaning"
          checked={room.padAfter ?? false}
          onChange={(padAfter) => void set({ padAfter })}
        />
      )}
      <ProcedureSteps desk={desk} room={room} />
      <AirFields
        title="Air in this room, if different"
        air={room.air}
        assumed={job.indoor ?? DEFAULTS.indoor}
        onChange={(air) => set({ air })}
      />
    </div>
  );
}
