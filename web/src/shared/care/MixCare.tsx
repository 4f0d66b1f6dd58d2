import type { BatchChoice, Product, Room } from "@scutch/contract";
import { itemAt, valueAt } from "@scutch/core";
import { HAZARDOUS_PAIRS } from "@scutch/core/care";
import { barredInVessel, type RoomCare, type VesselCare } from "@scutch/core/plan";
import { Link } from "react-router";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { Button } from "../../ui/Button.tsx";
import { type About, Stops } from "./CareStrip.tsx";
import { careFor } from "./careFor.ts";
import { FibreQuestion } from "./FibreQuestion.tsx";
import { FloorTestNote } from "./FloorTestNote.tsx";
import { VesselReaction } from "./VesselMeeting.tsx";
import { type CareGroup, OtherProduct, OtherSprayer, WithoutBooster } from "./WayOut.tsx";

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

/** Rooms of a mix of which the rules say the same, told together. */
function careGroups(desk: JobDesk, batch: BatchChoice): readonly CareGroup[] {
  const rooms = new Map<string, Room>(desk.job.rooms.map((room) => [room.id, room]));
  const groups = new Map<string, { rooms: Room[]; care: RoomCare }>();
  for (const care of careFor(desk.input).rooms) {
    if (care.batchId !== batch.id) continue;
    const room = valueAt(rooms, care.roomId);
    const { product, added, method, rinse, gate, toDo } = care;
    const key = JSON.stringify([
      product,
      added,
      method,
      rinse,
      gate,
      toDo,
      toDo.includes("fibre") && room.covering,
    ]);
    const group = groups.get(key);
    if (group) group.rooms.push(room);
    else groups.set(key, { rooms: [room], care });
  }
  return [...groups.values()];
}

const namesOf = ({ rooms }: CareGroup) => rooms.map(({ name }) => name).join(", ");
const asksFibre = ({ care }: CareGroup) => care.toDo.includes("fibre");

/** Cautions on a mix; where the fibre is still to be picked they wait for it. */
export const mixCautions = (desk: JobDesk, batch: BatchChoice): readonly About[] =>
  careGroups(desk, batch)
    .filter((group) => !asksFibre(group))
    .flatMap((group) => {
      const about = namesOf(group);
      const { method, rinse, product, added } = group.care;
      return [method, rinse, product, ...added.map(({ judgement }) => judgement)].flatMap((judgement) =>
        judgement ? [{ about, judgement }] : [],
      );
    });

/** What has to be answered or changed before a mix is made, each with its way out: once for each kind of floor, and for its sprayer. */
export function MixCare({ desk, batch, product }: Props) {
  const shared = careFor(desk.input).vessels.filter(({ batchIds }) => batchIds.includes(batch.id));
  return (
    <div className="mb-3 grid gap-2 empty:hidden">
      {shared.map((care) => {
        const [one, other] = care.products;
        return (
          <VesselReaction
            key={`${care.batchIds.join()} ${one.id} ${other?.id} ${care.hazard.pair.join()}`}
            hazard={care.hazard}
            names={other ? [nameOf(desk, one.id), nameOf(desk, other.id)] : [nameOf(desk, one.id)]}
          >
            <OtherSprayer desk={desk} batch={batch} care={care} />
          </VesselReaction>
        );
      })}
      {careGroups(desk, batch).map((group) =>
        asksFibre(group) ? (
          <FibreQuestion key={group.care.roomId} desk={desk} rooms={group.rooms} waits />
        ) : (
          <GroupCare key={group.care.roomId} desk={desk} batch={batch} product={product} group={group} />
        ),
      )}
    </div>
  );
}

/** What stops a mix on rooms of one kind, and the test its floor still wants. */
function GroupCare({ desk, batch, product, group }: Props & { readonly group: CareGroup }) {
  const { rooms, care } = group;
  const names = namesOf(group);
  const openRoom = (
    <Link
      to={`../survey?room=${care.roomId}&part=floor`}
      relative="path"
      className="inline-flex min-h-12 items-center font-semibold text-accent underline"
    >
      Open room
    </Link>
  );
  return (
    <div className="grid gap-2 empty:hidden">
      <Stops about={names} judgement={care.method}>
        {openRoom}
      </Stops>
      {care.rinse && (
        <Stops about={`${names}, rinse water`} judgement={care.rinse}>
          {openRoom}
        </Stops>
      )}
      {care.product && (
        <Stops about={names} judgement={care.product}>
          <div className="flex flex-wrap items-center gap-x-4">
            <OtherProduct desk={desk} group={group} />
            {openRoom}
          </div>
        </Stops>
      )}
      {care.added.map(({ productId, judgement }) => (
        <Stops key={productId} about={`${names}, ${nameOf(desk, productId)} in it`} judgement={judgement}>
          <WithoutBooster desk={desk} batch={batch} productId={productId} />
        </Stops>
      ))}
      {care.gate !== "passed" && care.product?.verdict !== "stop" && (
        <FloorTestNote desk={desk} room={itemAt(rooms, 0)} product={product} gate={care.gate}>
          <OtherProduct desk={desk} group={group} />
          {care.gate === "not-tested" && <OneCarpet desk={desk} rooms={rooms} />}
        </FloorTestNote>
      )}
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
