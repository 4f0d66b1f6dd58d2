import type { BatchChoice, Product, Room } from "@scutch/contract";
import { itemAt, valueAt } from "@scutch/core";
import { HAZARDOUS_PAIRS, type Judgement } from "@scutch/core/care";
import { barredInVessel, type RoomCare, type VesselCare } from "@scutch/core/plan";
import { Link } from "react-router";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { Button } from "../../ui/Button.tsx";
import { Cautions, Stops } from "./CareStrip.tsx";
import { careFor } from "./careFor.ts";
import { FibreQuestion } from "./FibreQuestion.tsx";
import { FloorTestNote } from "./FloorTestNote.tsx";
import { VesselReaction } from "./VesselMeeting.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly product: Product;
}

/** Rooms of a mix on which the rules, or a dye test that is missing, put a stop. */
export function stoppedRooms(desk: JobDesk, batch: BatchChoice): readonly RoomCare[] {
  return careFor(desk.input).rooms.filter(
    ({ batchId, verdict }) => batchId === batch.id && verdict === "stop",
  );
}

/** What bars a mix from being made, whatever the rooms: what it would meet in its vessel. */
export const barredMix = (desk: JobDesk, batch: BatchChoice): readonly VesselCare[] =>
  barredInVessel(careFor(desk.input), batch.id);

const nameOf = (desk: JobDesk, id: string | undefined) => nameById(desk.shelf.products, id, "A product");

/** What the care rules say of a mix: once for each kind of floor it goes on, and of what shares its sprayer. */
export function MixCare({ desk, batch, product }: Props) {
  const care = careFor(desk.input);
  const own = care.rooms.filter(({ batchId }) => batchId === batch.id);
  const rooms = new Map<string, Room>(desk.job.rooms.map((room) => [room.id, room]));
  const roomOf = (id: string) => valueAt(rooms, id);
  const coveringOf = (id: string) => roomOf(id).covering;
  // Rooms of which the same is said are told together.
  const groups = new Map<string, RoomCare[]>();
  for (const each of own) {
    const key = JSON.stringify([
      each.product,
      each.added,
      each.method,
      each.rinse,
      each.gate,
      each.toDo,
      each.toDo.includes("fibre") && coveringOf(each.roomId),
    ]);
    groups.set(key, [...(groups.get(key) ?? []), each]);
  }
  const shared = care.vessels.filter(({ batchIds }) => batchIds.includes(batch.id));
  return (
    <div className="mb-3 grid gap-2 empty:hidden">
      {shared.map(({ batchIds, products: [one, other], hazard }) => (
        <VesselReaction
          key={`${batchIds.join()} ${one.id} ${other?.id} ${hazard.pair.join()}`}
          hazard={hazard}
          names={other ? [nameOf(desk, one.id), nameOf(desk, other.id)] : [nameOf(desk, one.id)]}
        />
      ))}
      {[...groups.values()].map((group) => {
        const first = itemAt(group, 0);
        const asks = first.toDo.includes("fibre");
        const names = group.map(({ roomId }) => roomOf(roomId).name).join(", ");
        const judgements: { about: string; judgement: Judgement }[] = [
          { about: names, judgement: first.method },
          ...(first.rinse ? [{ about: `${names}, rinse water`, judgement: first.rinse }] : []),
          ...(first.product ? [{ about: names, judgement: first.product }] : []),
          ...first.added.map((each) => ({
            about: `${names}, ${nameOf(desk, each.productId)} in it`,
            judgement: each.judgement,
          })),
        ];
        return (
          <div key={first.roomId} className="grid gap-2">
            {asks && <FibreQuestion desk={desk} rooms={group.map(({ roomId }) => roomOf(roomId))} waits />}
            {!asks &&
              judgements.map(({ about, judgement }, i) => (
                <Stops key={`${i} ${about}`} about={about} judgement={judgement}>
                  <p className="mt-2">
                    <Link
                      to={`../survey?room=${first.roomId}&part=floor`}
                      relative="path"
                      className="font-semibold text-accent underline"
                    >
                      Open room
                    </Link>
                  </p>
                </Stops>
              ))}
            {!asks && first.gate !== "passed" && first.product?.verdict !== "stop" && (
              <>
                <FloorTestNote desk={desk} room={roomOf(first.roomId)} product={product} gate={first.gate} />
                {first.gate === "not-tested" && (
                  <OneCarpet desk={desk} rooms={group.map(({ roomId }) => roomOf(roomId))} />
                )}
              </>
            )}
            {!asks && <Cautions judgements={judgements} />}
          </div>
        );
      })}
    </div>
  );
}

/** Rooms of one kind of floor that nobody has called one carpet: where they are, one test passes them all. */
function OneCarpet({ desk, rooms }: { readonly desk: JobDesk; readonly rooms: readonly Room[] }) {
  const first = itemAt(rooms, 0);
  const alike = rooms.every(({ covering, fibre }) => covering === first.covering && fibre === first.fibre);
  const named = rooms.every(({ carpet }) => carpet !== undefined && carpet === first.carpet);
  if (rooms.length < 2 || !alike || named || first.fibre === undefined || first.fibre === "unknown")
    return null;
  const names = rooms.map(({ name }) => name);
  const carpet = first.carpet ?? `Carpet of ${first.name}`.slice(0, 120);
  const ids: readonly string[] = rooms.map(({ id }) => id);
  return (
    <p className="print:hidden">
      One dye test covers one carpet.{" "}
      <Button
        weight="quiet"
        onClick={() =>
          void desk.edit((job) => ({
            ...job,
            rooms: job.rooms.map((room) => (ids.includes(room.id) ? { ...room, carpet } : room)),
          }))
        }
      >
        Same carpet in {names.join(", ")}
      </Button>
    </p>
  );
}

/** Never-mix pairs a product is part of, for its mixing place. */
export const pairsWith = (reactants: readonly string[]) =>
  HAZARDOUS_PAIRS.filter(
    ({ pair, inVessel }) => inVessel === "never" && pair.some((each) => reactants.includes(each)),
  );
