import type { LogEntryOf, Product } from "@scutch/contract";
import { explainMass, type Fill } from "@scutch/core/mix";
import type { RoomPlan } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import type { ReactNode } from "react";
import type { Times } from "../../format/time.ts";
import { formatAmount, type UnitFormatter } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { useClock } from "../../ui/useClock.ts";
import { ExplainedFigure } from "../explain/ExplainedFigure.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly product: Product;
  readonly fill: Fill;
  readonly madeBy: LogEntryOf<"fill-made"> | undefined;
  readonly nameOf: (roomId: string) => string;
}

/** What a fill is for: its rooms, when it is made and until when it works, what it weighs. */
export function FillDetails({ desk, product, fill, madeBy, nameOf }: Props) {
  const units = useUnits();
  const { clock } = useTimes();
  const { now } = useClock();
  const rateOf = (roomId: string) =>
    desk.work.rooms.find((room) => room.id === roomId)?.water.applicationRate ?? 1;
  const first = fill.rooms[0]?.roomId;
  return (
    <dl>
      {fill.rooms.map(({ roomId, volume }) => (
        <Row
          key={roomId}
          name={nameOf(roomId)}
          value={units.area(volume / rateOf(roomId))}
          note={areaNote(
            desk.work.rooms.find((room) => room.id === roomId),
            units,
          )}
        />
      ))}
      {fill.pouredAway !== undefined && (
        <Row
          name="Empty first"
          value={formatAmount(units.amount(fill.pouredAway))}
          note="leftover mix will be past its use-by"
        />
      )}
      {first && (
        <Row
          name="Mix it"
          value={`${product.potLife === undefined ? "" : "only "}before ${nameOf(first)}`}
          note={
            product.potLife === undefined || fill.madeAt === undefined
              ? undefined
              : `about ${clock(desk.startMs + fill.madeAt * 1000)}; use within ${formatDuration(product.potLife)}`
          }
        />
      )}
      <Row name="Use by" value={useBy(product, madeBy, clock, now())} />
      <Row
        name="Weight"
        value={
          <ExplainedFigure label="Weight" working={() => explainMass(fill)}>
            {units.mass(fill.mass)}
          </ExplainedFigure>
        }
      />
    </dl>
  );
}

/** Until when a mix works: by the clock once it is made, and as if it were made now before. */
function useBy(
  product: Product,
  madeBy: LogEntryOf<"fill-made"> | undefined,
  clock: Times["clock"],
  now: number,
): string {
  if (product.potLife === undefined) return "today";
  const from = madeBy ? Date.parse(madeBy.at) : now;
  const by = clock(from + product.potLife * 1000);
  return madeBy ? by : `${by} if mixed now`;
}

/** Notes on a room's area: that its size is assumed, and how its zones take the mix, lanes heavier and edges a mist. */
function areaNote(room: RoomPlan | undefined, units: UnitFormatter): string | undefined {
  if (!room) return undefined;
  const { lane, edge } = room.zones;
  const notes = [
    ...(room.assumed.includes("size") ? ["size assumed: measure it first"] : []),
    ...(lane > 0 ? [`traffic lanes ${units.area(lane)} more`] : []),
    ...(edge > 0 ? [`edges ${units.area(edge)} less`] : []),
  ];
  return notes.length > 0 ? notes.join(", ") : undefined;
}

function Row({
  name,
  value,
  note,
}: {
  readonly name: string;
  readonly value: ReactNode;
  readonly note?: string | undefined;
}) {
  return (
    <div className="flex justify-between gap-4 border-rule border-t py-2">
      <dt>
        {name}
        {note && <span className="block text-sm text-soft">{note}</span>}
      </dt>
      <dd className="text-right font-mono">{value}</dd>
    </div>
  );
}
