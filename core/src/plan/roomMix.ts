import { type CareFloor, isHardFloor, judgeProduct, type ProductKind } from "../care/index.ts";
import { METHOD_FIGURES } from "../clean/index.ts";
import { DEFAULTS, defaultMethod } from "./defaults.ts";
import type { PlannedBatch, ProductLabel, SurveyedRoom } from "./input.ts";

/** A room as far as its floor goes. */
export type FloorOf = Pick<SurveyedRoom, "covering" | "fibre" | "backing">;

/** A room's floor as the care rules see it. A fibre nobody has said is unknown to them, whatever drying assumes. */
export function careFloor(room: FloorOf): CareFloor {
  return { covering: room.covering ?? DEFAULTS.covering, fibre: room.fibre, backing: room.backing };
}

/** Kinds of product a floor is sprayed with before it is cleaned. */
export const SPRAYED: readonly (ProductKind | undefined)[] = ["pre-spray", "encapsulant", "hard-floor"];

/** The kind a room is sprayed with, by its covering and how it is cleaned. */
export function sprayKindFor(room: Pick<SurveyedRoom, "covering" | "method">): ProductKind {
  const covering = room.covering ?? DEFAULTS.covering;
  if (isHardFloor(covering)) return "hard-floor";
  const { wetting } = METHOD_FIGURES[room.method ?? defaultMethod(covering)];
  return wetting === "damp" ? "encapsulant" : "pre-spray";
}

/** Whether a room is sprayed before it is cleaned, by how it is cleaned and what was said of it. */
export const isSprayed = (
  room: Pick<SurveyedRoom, "covering" | "method" | "passage" | "unsprayed">,
): boolean =>
  !room.passage &&
  !room.unsprayed &&
  METHOD_FIGURES[room.method ?? defaultMethod(room.covering ?? DEFAULTS.covering)].wetting !== "dry";

/** Whether a product is of the kind a room is sprayed with; one nobody has said the kind of may be. */
export const suitsFloor = ({ kind }: Pick<ProductLabel, "kind">, room: SurveyedRoom): boolean =>
  kind === undefined || kind === sprayKindFor(room);

/**
 * The mix of a job a room is sprayed with: the one chosen for it, else the first of the kind its floor and method want, one the
 * care rules don't stop before one they do. Undefined where there is none: it never takes just any mix.
 */
export function mixFor<B extends Pick<PlannedBatch, "id" | "product">>(
  room: SurveyedRoom,
  batches: readonly B[],
): B | undefined {
  if (room.batchId !== undefined) return batches.find(({ id }) => id === room.batchId);
  const fitting = batches.filter(({ product }) => suitsFloor(product, room));
  return (
    fitting.find(({ product }) => judgeProduct(product, careFloor(room)).verdict !== "stop") ?? fitting[0]
  );
}
