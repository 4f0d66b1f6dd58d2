import type { Job, Room } from "@scutch/contract";
import { type ShowLimit, sizeLimit, sizeReader, sizeText } from "../../format/readers.ts";
import { useUnits } from "../../state/useUnits.ts";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { oddSize } from "./oddSize.ts";
import { oddSizeHint } from "./oddSizeText.ts";

interface Props {
  readonly room: Room;
  readonly job: Pick<Job, "rooms">;
  readonly label: string;
  readonly set: (change: Partial<Room>, showLimit?: ShowLimit) => string | undefined;
}

/** A room's size, in any spelling. A usual size is shown as assumed until it is entered, and an unlikely one is asked about. */
export function SizeField({ room, job, label, set }: Props) {
  const units = useUnits();
  const odd = oddSize(
    room.shape,
    job.rooms.filter(({ id }) => id !== room.id),
  );
  return (
    <QuantityField<Room["shape"]>
      label={label}
      value={room.sizeAssumed ? undefined : room.shape}
      assumed={room.shape}
      show={(shape) => sizeText(shape, units)}
      read={sizeReader(units)}
      onChange={(shape) => shape && set({ shape }, sizeLimit(units))}
      hint={odd && oddSizeHint(odd, units)}
    />
  );
}
