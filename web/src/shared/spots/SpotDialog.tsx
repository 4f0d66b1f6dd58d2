import type { Room, Spot } from "@scutch/contract";
import { NATURES, SPOT_AGES } from "@scutch/core/care";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { NATURE_NAMES, SPOT_AGE_NAMES } from "../../format/careWords.ts";
import { quantityReader } from "../../format/readers.ts";
import { ORIGIN_SHORT } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { PhotoStrip } from "../photos/PhotoStrip.tsx";
import { OdourNote } from "./OdourNote.tsx";
import { odourTreatmentOf } from "./odourTreatment.ts";
import { SpotSteps } from "./SpotSteps.tsx";
import { guideOf } from "./spotGuide.ts";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly spot: Spot;
  readonly onClose: () => void;
}

const PRICE_NAMES = {
  spot: "a spot",
  stain: "a stain, extra charge",
  odour: "odour treatment, by area",
} as const;

/** What is known of a spot, and how to work it. */
export function SpotDialog({ desk, room, spot, onClose }: Props) {
  const units = useUnits();
  const set = (change: Partial<Spot>) =>
    desk.edit(
      (before) => ({
        ...before,
        spots: (before.spots ?? []).map((each) => (each.id === spot.id ? { ...each, ...change } : each)),
      }),
      units.length,
    );
  const remove = () => {
    desk.edit((before) => ({ ...before, spots: (before.spots ?? []).filter(({ id }) => id !== spot.id) }));
    onClose();
  };
  const guide = guideOf(desk, spot);
  // The smell is treated when its product’s label says, in the run as here.
  const when = (spot.origin === "urine" && odourTreatmentOf(desk, room.id, units.system)?.when) || guide.when;
  const [asking, setAsking] = useState(
    spot.origin === "unknown" && guide.steps.every(({ attempts }) => attempts.length === 0),
  );
  const facts = [
    NATURE_NAMES[spot.nature],
    SPOT_AGE_NAMES[spot.age].toLowerCase(),
    spot.long === undefined
      ? `${units.length(spot.across)} across`
      : `${units.length(spot.across)} × ${units.length(spot.long)}`,
    spot.known === "told" ? "customer says" : "our guess",
    ...(spot.uv ? [spot.uv === "glows" ? "glows under UV" : "dark under UV"] : []),
  ];
  return (
    <Dialog open title={`${ORIGIN_SHORT[spot.origin]} in ${room.name}`} onClose={onClose}>
      <div className="mt-1 grid gap-3">
        <div className="flex items-center justify-between gap-3">
          <p className="text-soft">{facts.join(" · ")}</p>
          <Button weight="quiet" aria-expanded={asking} onClick={() => setAsking(!asking)}>
            {asking ? "Done" : "Change"}
          </Button>
        </div>
        {asking && <SpotFacts spot={spot} set={set} />}
        {guide.warn && <Callout tone="caution" title={guide.warn} />}
        <SpotSteps desk={desk} room={room} spot={spot} guide={guide} />
        <Callout tone="advice" title="Tell the customer">
          {guide.tell.join(" ")} Extra charge: {PRICE_NAMES[guide.price]}.{" "}
          {when === "before"
            ? "Treat it before you clean the room."
            : "Clean the room first: cleaning removes most of it."}
        </Callout>
        {spot.origin === "urine" && <OdourNote desk={desk} roomId={room.id} />}
        <PhotoStrip desk={desk} roomId={room.id} spotId={spot.id} />
        <Button weight="quiet" className="justify-self-start text-stop" onClick={remove}>
          <Trash2 aria-hidden size={18} /> Remove spot
        </Button>
      </div>
    </Dialog>
  );
}

/** What is known of a spot. Each answer changes its steps at once. */
function SpotFacts({
  spot,
  set,
}: {
  readonly spot: Spot;
  readonly set: (change: Partial<Spot>) => string | undefined;
}) {
  const units = useUnits();
  const small = units.system === "metric" ? ("cm" as const) : ("in" as const);
  return (
    <div className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        <ChoiceField
          label="What caused it"
          value={spot.origin}
          options={optionsOf(ORIGIN_SHORT)}
          onChange={(origin) => void set({ origin })}
        />
        <ChoiceField
          label="Identified by"
          value={spot.known}
          options={[
            { value: "told", name: "Customer" },
            { value: "guessed", name: "Our guess" },
          ]}
          onChange={(known) => void set({ known })}
        />
        <ChoiceField
          label="Age"
          value={spot.age}
          options={SPOT_AGES.map((age) => ({ value: age, name: SPOT_AGE_NAMES[age] }))}
          onChange={(age) => void set({ age })}
        />
        <QuantityField
          label="Width"
          value={spot.across}
          show={units.length}
          read={quantityReader("length", small)}
          onChange={(across) => (across === undefined ? undefined : set({ across }))}
        />
        <QuantityField
          label="Length, of an area"
          value={spot.long}
          show={units.length}
          placeholder="round spot"
          read={quantityReader("length", small)}
          onChange={(long) => set({ long })}
        />
      </div>
      <Segmented
        label="Spot or stain"
        value={spot.nature}
        options={NATURES.map((nature) => ({ value: nature, name: NATURE_NAMES[nature] }))}
        onChange={(nature) => void set({ nature })}
      />
      <Segmented<"glows" | "dark" | "none">
        label="Under UV light"
        value={spot.uv ?? "none"}
        options={[
          { value: "none", name: "Not checked" },
          { value: "glows", name: "Glows" },
          { value: "dark", name: "Dark" },
        ]}
        onChange={(uv) => void set({ uv: uv === "none" ? undefined : uv })}
      />
      {spot.uv === "glows" && (
        <p className="text-sm text-soft">Urine glows. Lint, pest treatment and laundry powder glow too.</p>
      )}
    </div>
  );
}
