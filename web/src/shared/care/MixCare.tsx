import type { BatchChoice, Product, Room } from "@scutch/contract";
import { HAZARDOUS_PAIRS, type Judgement } from "@scutch/core/care";
import type { RoomCare } from "@scutch/core/plan";
import { Link } from "react-router";
import { REACTANT_NAMES } from "../../format/careWords.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { Callout } from "../../ui/Callout.tsx";
import { Cautions, Stops } from "./CareStrip.tsx";
import { careFor } from "./careFor.ts";
import { GateNote } from "./GateNote.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly product: Product;
}

/** Rooms of a mix on which the rules, or a dye test that is missing, put a stop. */
export function stoppedRooms(desk: JobDesk, batch: BatchChoice): readonly string[] {
  return careFor(desk.input)
    .rooms.filter(({ batchId, verdict }) => batchId === batch.id && verdict === "stop")
    .map(({ roomId }) => roomId);
}

/** What the care rules say of a mix: once for each kind of floor it goes on, and of what shares its sprayer. */
export function MixCare({ desk, batch, product }: Props) {
  const care = careFor(desk.input);
  const own = care.rooms.filter(({ batchId }) => batchId === batch.id);
  const roomOf = (id: string) => desk.job.rooms.find((room) => room.id === id) as Room;
  // Rooms of which the same is said are told together.
  const groups = new Map<string, RoomCare[]>();
  for (const each of own) {
    const key = JSON.stringify([each.product, each.method, each.gate]);
    groups.set(key, [...(groups.get(key) ?? []), each]);
  }
  const shared = care.vessels.filter(({ batchIds }) => batchIds.includes(batch.id));
  return (
    <div className="mb-3 grid gap-2 empty:hidden">
      {shared.map(({ batchIds, pairs }) =>
        pairs.map(({ pair: [a, b], gives }) => (
          <Callout
            key={`${batchIds.join()} ${a} ${b}`}
            tone="stop"
            title={`Stop: two mixes in one sprayer, ${REACTANT_NAMES[a]} and ${REACTANT_NAMES[b]}.`}
          >
            {gives} Take another sprayer for one of them.
          </Callout>
        )),
      )}
      {[...groups.values()].map((group) => {
        const [first] = group as [RoomCare];
        const names = group.map(({ roomId }) => roomOf(roomId).name).join(", ");
        const judgements: { about: string; judgement: Judgement }[] = [
          { about: names, judgement: first.method },
          ...(first.product ? [{ about: names, judgement: first.product }] : []),
        ];
        return (
          <div key={first.roomId} className="grid gap-2">
            {judgements.map(({ about, judgement }, i) => (
              <Stops key={i === 0 ? "method" : "product"} about={about} judgement={judgement}>
                <p className="mt-2">
                  <Link
                    to={`../survey?room=${first.roomId}&part=floor`}
                    relative="path"
                    className="font-semibold text-accent underline"
                  >
                    {judgement.judgedAs ? "Say the fibre" : "Open the room"}
                  </Link>
                </p>
              </Stops>
            ))}
            {first.gate !== "passed" && first.product?.verdict !== "stop" && (
              <GateNote desk={desk} room={roomOf(first.roomId)} product={product} gate={first.gate} />
            )}
            <Cautions judgements={judgements} />
          </div>
        );
      })}
    </div>
  );
}

/** Never-mix pairs a product is part of, for its mixing place. */
export const pairsWith = (reactants: readonly string[]) =>
  HAZARDOUS_PAIRS.filter(({ pair }) => pair.some((each) => reactants.includes(each)));
