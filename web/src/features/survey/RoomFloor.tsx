import type { Room } from "@scutch/contract";
import { isHardFloor, SOIL_ANCHORS, WEAR_TEST } from "@scutch/core/care";
import { METHODS } from "@scutch/core/clean";
import { DEFAULT_PILE, DEFAULTS, defaultMethod, type RoomPlan } from "@scutch/core/plan";
import { Link } from "react-router";
import type { ShowLimit } from "../../format/readers.ts";
import { nameReader, numberReader, quantityReader, rateReader } from "../../format/readers.ts";
import { percent } from "../../format/units.ts";
import {
  BACKING_NAMES,
  COVERING_NAMES,
  FIBRE_NAMES,
  IDENTIFIED_NAMES,
  METHOD_NAMES,
  SOIL_NAMES,
  SOIL_NATURE_NAMES,
  WEAR_NAMES,
} from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { withRoom } from "../../planning/withRoom.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { useUnits } from "../../state/useUnits.ts";
import { CheckBox, ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { AirFields } from "./AirFields.tsx";
import { ProcedureSteps } from "./ProcedureSteps.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly plan: RoomPlan;
}

const SOILS = [1, 2, 3, 4, 5] as const;

/** What lies there, how dirty it is and how it is to be cleaned. */
export function RoomFloor({ desk, room, plan }: Props) {
  const units = useUnits();
  const log = useLogging(desk);
  const { job, edit, shelf } = desk;
  const set = (change: Partial<Room>, showLimit?: ShowLimit) =>
    edit((before) => withRoom(before, room.id, change), showLimit);
  const covering = room.covering ?? DEFAULTS.covering;
  const hard = isHardFloor(covering);
  const short = units.system === "metric" ? "mm" : "in";
  const methods = METHODS.filter((method) => (method === "spinner") === hard || method === "self-contained");
  const dryStandard = desk.log.findLast(
    (entry) => entry.kind === "reading" && entry.roomId === room.id && entry.place === "dry-standard",
  );
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
        {!hard && (
          <>
            <QuantityField
              label="Carpet name"
              words
              value={room.carpet}
              show={String}
              read={nameReader}
              placeholder="only in this room"
              hint={
                room.fibre === undefined || room.fibre === "unknown"
                  ? "Name a carpet once you know its fibre."
                  : "Same name in two rooms: one dye test covers both."
              }
              onChange={(carpet) => set({ carpet })}
            />
            <ChoiceField
              label="Identified by"
              value={room.identifiedBy}
              options={optionsOf(IDENTIFIED_NAMES)}
              onChange={(identifiedBy) => void set({ identifiedBy })}
            />
            <ChoiceField
              label="Backing"
              value={room.backing}
              options={optionsOf(BACKING_NAMES)}
              onChange={(backing) => void set({ backing })}
            />
            <QuantityField
              label="Pile height"
              value={room.pileHeight}
              assumed={DEFAULT_PILE[covering].pileHeight}
              show={units.short}
              read={quantityReader("length", short)}
              onChange={(pileHeight) => set({ pileHeight }, units.short)}
            />
            <QuantityField
              label="Face weight"
              value={room.faceWeight}
              assumed={DEFAULT_PILE[covering].faceWeight}
              show={units.massPerArea}
              read={quantityReader("massPerArea", units.system === "metric" ? "kgPerM2" : "ozPerYd2")}
              onChange={(faceWeight) => set({ faceWeight }, units.massPerArea)}
            />
            <QuantityField
              label="Age, years"
              value={room.age}
              show={String}
              read={numberReader(0, 100, "Enter years, like 6.")}
              onChange={(age) => set({ age })}
            />
            <QuantityField
              label="Dry standard"
              value={dryStandard?.kind === "reading" ? dryStandard.moisture : undefined}
              show={percent}
              placeholder="dry, uncleaned spot"
              read={(text) => {
                const read = quantityReader("share", "percent")(text);
                if ("error" in read || (read.value >= 0 && read.value <= 1)) return read;
                return { error: "A meter reads 0 to 100%. Check the reading." };
              }}
              onChange={(moisture) => {
                if (moisture !== undefined)
                  log({ kind: "reading", roomId: room.id, place: "dry-standard", moisture });
                return undefined;
              }}
            />
          </>
        )}
      </div>
      {!hard && (
        <Link to="/reference?page=fibres" className="text-accent text-sm underline">
          Not sure? Burn and float test, step by step
        </Link>
      )}
      <div>
        <Segmented
          label={`Soil: ${SOIL_NAMES[plan.soil].toLowerCase()}`}
          value={plan.soil}
          assumed={room.soil === undefined}
          options={SOILS.map((soil) => ({ value: soil, name: String(soil) }))}
          onChange={(soil) => void set({ soil })}
        />
        <p className="mt-1 text-sm text-soft">{SOIL_ANCHORS[plan.soil]}</p>
      </div>
      <div className="grid grid-cols-2 gap-3">
        <ChoiceField
          label="Dry or greasy"
          value={room.soilNature}
          options={optionsOf(SOIL_NATURE_NAMES)}
          onChange={(soilNature) => void set({ soilNature })}
        />
        {!hard && (
          <ChoiceField
            label="Wear"
            value={room.wear}
            options={optionsOf(WEAR_NAMES)}
            onChange={(wear) => void set({ wear })}
          />
        )}
      </div>
      {room.soilNature === "greasy" && plan.soilForMix !== plan.soil && (
        <p className="text-sm text-soft">Greasy: uses the stronger mix {plan.soilForMix}.</p>
      )}
      {room.wear !== undefined && room.wear !== "none" && (
        <p className="text-sm text-soft">Wear won’t clean out: tell the customer first. {WEAR_TEST}</p>
      )}
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
              name: shelf.products.find(({ id }) => id === batch.productId)?.name ?? "Unknown product",
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
