import type { BatchChoice, Gear, Product, Strength, Vessel } from "@scutch/contract";
import { concentratePerWater, isForMixing } from "@scutch/core/mix";
import { type BatchPlan, checkBatchSetup } from "@scutch/core/plan";
import { Pencil, Plus } from "lucide-react";
import { useState } from "react";
import { quantityReader, strengthReader } from "../../format/readers.ts";
import { formatAmount, labelSpelling } from "../../format/units.ts";
import { batchFault } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { keepRooms } from "../../planning/fitMixes.ts";
import { withBatch } from "../../planning/withBatch.ts";
import { measuresFor } from "../../shared/products/measures.ts";
import { ProductDialog } from "../../shared/products/ProductDialog.tsx";
import { VesselDialog } from "../../shared/products/VesselDialog.tsx";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { BoosterFields } from "./BoosterFields.tsx";
import { MixRooms } from "./MixRooms.tsx";
import { TipField } from "./TipField.tsx";
import { VesselAdvice } from "./VesselAdvice.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly product: Product | undefined;
  readonly vessel: Vessel | undefined;
  readonly planned: BatchPlan | undefined;
  readonly number: number;
}

/** A choice as core checks it: boosters are measured with the fills, not with the choice. */
function setupOf(
  { boosters: _, ...choice }: BatchChoice,
  product: Product,
  vessel: Vessel,
  gear: readonly Gear[],
) {
  const tip = gear.find(({ id }) => id === choice.tipId);
  return { ...choice, product, vessel, ...(tip?.kind === "tip" ? { tip } : {}) };
}

type Refused = { readonly field: string; readonly sentence: string };

type BatchDialog = "product" | "new-product" | "vessel" | "new-vessel";
type Choose = (field: keyof BatchChoice, change: Partial<BatchChoice>) => string | undefined;

/** Changes a mix where it can be mixed; else says at which field it can't. */
function useBatchEdit({ shelf, edit, work }: JobDesk, batch: BatchChoice) {
  const units = useUnits();
  const [refused, setRefused] = useState<Refused>();

  const choose: Choose = (field, change) => {
    const after = { ...batch, ...change };
    const nextProduct = shelf.products.find(({ id }) => id === after.productId);
    const nextVessel = shelf.vessels.find(({ id }) => id === after.vesselId);
    const fault =
      nextProduct && nextVessel
        ? checkBatchSetup(setupOf(after, nextProduct, nextVessel, shelf.gear))
        : undefined;
    const sentence = fault
      ? batchFault(fault.fault, units)
      : edit((before) =>
          withBatch(field === "productId" ? keepRooms(before, batch.id, work) : before, batch.id, change),
        );
    setRefused(sentence ? { field, sentence } : undefined);
    return sentence;
  };
  const errorAt = (field: keyof BatchChoice) => (refused?.field === field ? refused.sentence : undefined);
  const remove = () =>
    edit((before) => ({
      ...before,
      batches: before.batches.filter((each) => each.id !== batch.id),
      rooms: before.rooms.map((room) => (room.batchId === batch.id ? { ...room, batchId: undefined } : room)),
    }));
  return { choose, errorAt, remove };
}

/** Which product, sprayer, measure and strength. A choice that can't be mixed is refused at its field. */
export function BatchChoices({ desk, batch, product, vessel, planned, number }: Props) {
  const units = useUnits();
  const { shelf, job } = desk;
  const [dialog, setDialog] = useState<BatchDialog>();
  const { choose, errorAt, remove } = useBatchEdit(desk, batch);
  const edits = (what: "product" | "vessel", name: string) => (
    <div className="-mt-1 flex gap-2 print:hidden">
      <Button weight="quiet" onClick={() => setDialog(what)} aria-label={`Change ${name}`}>
        <Pencil aria-hidden size={16} /> Change
      </Button>
      <Button weight="quiet" onClick={() => setDialog(`new-${what}`)} aria-label={`Add ${name}`}>
        <Plus aria-hidden size={16} /> Add
      </Button>
    </div>
  );

  return (
    <div className="grid gap-3">
      <h2 className="font-bold text-xl max-lg:sr-only">
        {job.batches.length > 1 ? `Mix ${number}` : "The mix"}
      </h2>
      <MixRooms desk={desk} batch={batch} />
      <div>
        <ChoiceField
          label="Product"
          value={batch.productId}
          options={shelf.products.map(({ id, name }) => ({ value: id, name }))}
          error={errorAt("productId")}
          onChange={(productId) => void choose("productId", { productId, strength: undefined })}
        />
        {edits("product", "product")}
      </div>
      <div>
        <ChoiceField
          label="Sprayer"
          value={batch.vesselId}
          options={shelf.vessels.filter(isForMixing).map(({ id, name }) => ({ value: id, name }))}
          error={errorAt("vesselId")}
          onChange={(vesselId) => void choose("vesselId", { vesselId, tipId: undefined })}
        />
        {edits("vessel", "sprayer")}
        <VesselAdvice
          desk={desk}
          batch={batch}
          onTake={(vesselId) => void choose("vesselId", { vesselId })}
        />
      </div>
      {product && vessel?.kind === "injection-sprayer" && (
        <TipField
          gear={shelf.gear}
          product={product}
          wanted={planned?.strength}
          value={batch.tipId}
          error={errorAt("tipId")}
          onChange={(tipId) => void choose("tipId", { tipId })}
        />
      )}
      {product?.scoop === undefined && (
        <ChoiceField
          label="Measured with"
          value={batch.measure}
          options={measuresFor(units.system, shelf.gear, batch.measure)}
          error={errorAt("measure")}
          onChange={(measure) => void choose("measure", { measure })}
        />
      )}
      {product && (
        <QuantityField<Strength>
          label="Strength"
          value={batch.strength}
          assumed={planned?.strength}
          show={labelSpelling}
          read={strengthReader(product.ratioMeans, product.scoop !== undefined)}
          onChange={(strength) => choose("strength", { strength })}
          hint={`Label: light ${labelSpelling(product.light)}, normal ${labelSpelling(product.ordinary)}, heavy ${labelSpelling(product.heavy)}.${planned && product.scoop === undefined ? ` Here ${units.strength(concentratePerWater(planned.strength))}.` : ""}`}
        />
      )}
      <QuantityField
        label="Already in the sprayer"
        value={batch.carried}
        show={(volume) => formatAmount(units.volume(volume))}
        placeholder="nothing"
        read={quantityReader("volume", units.bare.volume)}
        onChange={(carried) => choose("carried", { carried })}
        hint="Same mix only, before its use-by time."
      />
      {product && (
        <BoosterFields desk={desk} batch={batch} onChange={(boosters) => choose("boosters", { boosters })} />
      )}
      {job.batches.length > 1 && (
        <Button weight="quiet" onClick={() => void remove()} className="justify-self-start text-stop">
          Remove mix
        </Button>
      )}
      <BatchDialogs {...{ dialog, product, vessel, choose }} onClose={() => setDialog(undefined)} />
    </div>
  );
}

interface DialogProps {
  readonly dialog: BatchDialog | undefined;
  readonly product: Product | undefined;
  readonly vessel: Vessel | undefined;
  readonly choose: Choose;
  readonly onClose: () => void;
}

/** The product or sprayer of the mix to be changed, or a new one that it then takes. */
function BatchDialogs({ dialog, product, vessel, choose, onClose }: DialogProps) {
  return (
    <>
      {dialog === "product" && product && <ProductDialog product={product} onClose={onClose} />}
      {dialog === "new-product" && (
        <ProductDialog
          onSaved={(productId) => void choose("productId", { productId, strength: undefined })}
          onClose={onClose}
        />
      )}
      {dialog === "vessel" && vessel && <VesselDialog vessel={vessel} onClose={onClose} />}
      {dialog === "new-vessel" && (
        <VesselDialog onSaved={(vesselId) => void choose("vesselId", { vesselId })} onClose={onClose} />
      )}
    </>
  );
}
