import type { Room } from "@scutch/contract";
import type { Judgement } from "@scutch/core/care";
import type { ReactNode } from "react";
import { MATERIAL_NAMES, reasonTitle, sourceWords, VERDICT_NAMES } from "../../format/careWords.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { Callout, FoldedCaution } from "../../ui/Callout.tsx";
import { careFor } from "./careFor.ts";
import { FibreQuestion } from "./FibreQuestion.tsx";
import { FloorTestNote } from "./FloorTestNote.tsx";

/** What must not be done to one room, why, and what would lift it; cautions folded under it. */
export function CareStrip({ desk, room }: { readonly desk: JobDesk; readonly room: Room }) {
  const care = careFor(desk.input).rooms.find(({ roomId }) => roomId === room.id);
  if (!care) return null;
  const asks = care.toDo.includes("fibre");
  const batch = desk.job.batches.find(({ id }) => id === care.batchId);
  const product = desk.shelf.products.find(({ id }) => id === batch?.productId);
  const judgements = [
    { about: "The method", judgement: care.method },
    ...(care.rinse ? [{ about: "The rinse water", judgement: care.rinse }] : []),
    ...(care.product ? [{ about: product?.name ?? "The product", judgement: care.product }] : []),
    ...care.added.map(({ productId, judgement }) => ({
      about: nameById(desk.shelf.products, productId, "The booster"),
      judgement,
    })),
  ];
  return (
    <div className="mb-3 grid gap-2 empty:hidden">
      {(room.fibre === undefined || asks) && <FibreQuestion desk={desk} rooms={[room]} waits={asks} />}
      {!asks &&
        judgements.map(({ about, judgement }) => <Stops key={about} about={about} judgement={judgement} />)}
      {/* What the rules stop isn't tested first: another product is. */}
      {product && !asks && care.product?.verdict !== "stop" && (
        <FloorTestNote desk={desk} room={room} product={product} gate={care.gate} />
      )}
      {!asks && <Cautions judgements={judgements} />}
    </div>
  );
}

/** A judgement and what it is about. */
export interface About {
  readonly about: string;
  readonly judgement: Judgement;
}

/** The stops of one judgement, each with its reason and what would lift it. */
export function Stops({ about, judgement, children }: About & { readonly children?: ReactNode }) {
  const stops = judgement.reasons.filter(({ verdict }) => verdict === "stop");
  const [first] = stops;
  if (!first) return null;
  return (
    <Callout tone="stop" title={`Stop: ${about}. ${reasonTitle(first)}.`}>
      {stops.map(({ trait, material, why, lift, source }) => (
        <p key={`${trait} ${material}`} className="mt-1">
          {why} <strong className="font-semibold">To fix it:</strong> {lift}{" "}
          <span className="text-sm text-soft">({sourceWords(source)})</span>
        </p>
      ))}
      {judgement.judgedAs && (
        <p className="mt-1">
          Fibre not set, so it’s treated as {MATERIAL_NAMES[judgement.judgedAs]}, the most delicate likely
          fibre.
        </p>
      )}
      {children}
    </Callout>
  );
}

/** Each caution of some judgements, once for what it is about. */
const cautionsIn = (judgements: readonly About[]) =>
  judgements.flatMap(({ about, judgement }) =>
    judgement.reasons
      .filter(({ verdict }) => verdict === "caution")
      .map((reason) => ({ ...reason, key: `${about} ${reason.trait} ${reason.material}` })),
  );

/** What the cautions of some judgements are about, in a line; empty where there is none. */
export const cautionTitles = (judgements: readonly About[]): string =>
  [...new Set(cautionsIn(judgements).map(reasonTitle))].join("; ");

/** What they say, each with its way to mind it and where that is from. */
export const CautionTexts = ({ judgements }: { readonly judgements: readonly About[] }) =>
  cautionsIn(judgements).map(({ key, why, lift, source }) => (
    <p key={key} className="mt-2">
      {why} {lift} <span className="text-sm text-soft">({sourceWords(source)})</span>
    </p>
  ));

/** Cautions of all judgements, folded until asked for. */
export function Cautions({ judgements }: { readonly judgements: readonly About[] }) {
  const titles = cautionTitles(judgements);
  if (titles === "") return null;
  return (
    <FoldedCaution title={`${VERDICT_NAMES.caution}: ${titles}`}>
      <CautionTexts judgements={judgements} />
    </FoldedCaution>
  );
}
