import type { Room } from "@scutch/contract";
import type { Covering } from "@scutch/core/care";
import { DEFAULT_PILE } from "@scutch/core/plan";
import { meterReader, nameReader, numberReader, quantityReader } from "../../format/readers.ts";
import { percent } from "../../format/units.ts";
import { BACKING_NAMES, IDENTIFIED_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { useUnits } from "../../state/useUnits.ts";
import { ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import type { SetRoom } from "./setRoom.ts";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly covering: Covering;
  readonly set: SetRoom;
}

/** What a carpet is like beside its fibre: name, backing, pile, age, and what a meter shows where it is dry. */
export function CarpetFields({ desk, room, covering, set }: Props) {
  const units = useUnits();
  const log = useLogging(desk);
  const short = units.system === "metric" ? "mm" : "in";
  const dryStandard = desk.log.findLast(
    (entry) => entry.kind === "reading" && entry.roomId === room.id && entry.place === "dry-standard",
  );
  return (
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
        read={meterReader}
        onChange={(moisture) => {
          if (moisture !== undefined)
            log({ kind: "reading", roomId: room.id, place: "dry-standard", moisture });
          return undefined;
        }}
      />
    </>
  );
}
