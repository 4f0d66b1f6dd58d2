import { judgeProduct, severity } from "../care/index.ts";
import { numberAt } from "../itemAt.ts";
import { careOfRooms, type JudgedJob } from "./care.ts";
import type { ProductLabel, SurveyedRoom } from "./input.ts";
import { careFloor, isSprayed, SPRAYED, sprayKindFor } from "./roomMix.ts";

/**
 * Products of a shelf that some rooms could be sprayed with, the one that suits them best first: of the kind they are
 * cleaned with, nothing said against it, one that keeps before one to be used up in hours, the milder; then as they stand.
 */
export function productsThatSuit<P extends ProductLabel & { readonly id: string }>(
  onto: readonly SurveyedRoom[],
  shelf: readonly P[],
): P[] {
  const sprayed = onto.filter(isSprayed);
  const ranked = shelf
    .filter(({ kind }) => SPRAYED.includes(kind))
    .map((product) => {
      const rooms = sprayed.map(({ batchId: _, ...room }) => room);
      const danger = Math.max(
        0,
        ...careOfRooms({ rooms, batches: [{ id: product.id, product }] }).map((room) =>
          severity(room.danger),
        ),
      );
      // Before any room is known it is carpet, and sprayed before it is cleaned.
      const others =
        sprayed.length > 0
          ? sprayed.filter((room) => sprayKindFor(room) !== product.kind).length
          : Number(product.kind !== "pre-spray");
      const rank = [others, danger, product.potLife === undefined ? 0 : 1, reasonsOn(product, sprayed)];
      return { product, rank };
    });
  return ranked.toSorted((a, b) => firstDifference(a.rank, b.rank)).map(({ product }) => product);
}

/**
 * The product of a shelf that suits some rooms best and that neither the care rules nor a test made on their floors forbid in any of
 * them; undefined where there is none.
 */
export function allowedProductFor<P extends ProductLabel & { readonly id: string }>(
  onto: readonly SurveyedRoom[],
  shelf: readonly P[],
  job: Omit<JudgedJob, "rooms" | "batches">,
): P | undefined {
  const rooms = onto.map(({ batchId: _, ...room }) => room);
  return productsThatSuit(rooms, shelf).find(
    (product) =>
      rooms.every((room) => product.kind === sprayKindFor(room)) &&
      careOfRooms({ ...job, rooms, batches: [{ id: product.id, product }] }).every(
        ({ gate, product: judgement }) => gate !== "failed" && judgement?.verdict !== "stop",
      ),
  );
}

/** How much the rules have to say against a product on some floors. */
const reasonsOn = (product: ProductLabel, rooms: readonly SurveyedRoom[]) =>
  rooms.reduce(
    (sum, room) =>
      sum +
      judgeProduct(product, careFloor(room)).reasons.filter(({ verdict }) => verdict !== "allowed").length,
    0,
  );

const firstDifference = (a: readonly number[], b: readonly number[]) =>
  a.map((each, i) => each - numberAt(b, i)).find((difference) => difference !== 0) ?? 0;
