import type { Room, Zones } from "@scutch/contract";
import { parseQuantity } from "@scutch/core/quantity";
import type { FieldResult, ShowLimit } from "../../format/readers.ts";
import { mapReading, quantityReader } from "../../format/readers.ts";
import { percent } from "../../format/units.ts";
import { useUnits } from "../../state/useUnits.ts";
import { QuantityField } from "../../ui/QuantityField.tsx";

type Zone = NonNullable<Zones["lane"]>;

interface Props {
  readonly room: Room;
  readonly set: (change: Partial<Room>, showLimit?: ShowLimit) => string | undefined;
}

/** A zone as a share of the room, "20 %", or as a strip so wide, "80 cm". */
export function ZoneFields({ room, set }: Props) {
  const units = useUnits();
  const show = (zone: Zone) => (zone.kind === "share" ? percent(zone.share) : units.length(zone.width));
  const read = (text: string): FieldResult<Zone> => {
    const share = /%\s*$/.test(text) ? parseQuantity(text, "share", "percent") : undefined;
    if (share?.ok)
      return share.value <= 1
        ? { value: { kind: "share", share: share.value } }
        : { error: "At most 100%: the whole room." };
    return mapReading(quantityReader("length", units.bare.length)(text), (width) => ({
      value: { kind: "strip", width },
    }));
  };
  const field = (zone: keyof Zones, label: string, hint: string) => (
    <QuantityField<Zone>
      label={label}
      value={room.zones?.[zone]}
      assumed={{ kind: "share", share: 0 }}
      show={show}
      read={read}
      hint={hint}
      onChange={(value) => set({ zones: withZone(room.zones, zone, value) }, units.length)}
    />
  );
  return (
    <div className="grid grid-cols-2 gap-3">
      {field("lane", "Traffic lanes", "A share or a width. Gets more pre-spray.")}
      {field("edge", "Edges", "A share or a width. Gets less pre-spray.")}
    </div>
  );
}

function withZone(zones: Zones | undefined, zone: keyof Zones, value: Zone | undefined): Zones | undefined {
  const { [zone]: _, ...rest } = zones ?? {};
  const next: Zones = value ? { ...rest, [zone]: value } : rest;
  return Object.keys(next).length > 0 ? next : undefined;
}
