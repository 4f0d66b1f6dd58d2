import type { BatchChoice, LogEntryOf, Product } from "@scutch/contract";
import { hazardsInVessel, protectionOf } from "@scutch/core/care";
import { concentratePerWater } from "@scutch/core/mix";
import type { BatchPlan } from "@scutch/core/plan";
import { Tag } from "lucide-react";
import { useState } from "react";
import { protectionText } from "../../format/careWords.ts";
import { longDay } from "../../format/time.ts";
import { strengthOf } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { printOnly } from "./printOnly.ts";

interface Props {
  readonly desk: JobDesk;
  readonly product: Product;
  readonly batch: BatchChoice;
  readonly planned: BatchPlan;
  readonly made: ReadonlyMap<number, LogEntryOf<"fill-made">>;
}

/** A label for the bottle or sprayer: what is in it, how strong, its hazards, when it was made and until when it works. */
export function BottleLabel({ desk, batch, product, planned, made }: Props) {
  const { clock, dayOf } = useTimes();
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const added = (batch.boosters ?? []).flatMap(
    ({ productId }) => desk.shelf.products.find(({ id }) => id === productId) ?? [],
  );
  const contents = [product, ...added];
  // A bottle is closed, whatever it was mixed in.
  const meetings = hazardsInVessel(contents, true);
  const newest = [...made.values()].at(-1);
  const at = newest ? Date.parse(newest.at) : Date.now();
  const day = longDay(dayOf(at));
  return (
    <>
      <Button weight="quiet" className="print:hidden" onClick={() => setOpen(true)}>
        <Tag aria-hidden size={18} /> Bottle label
      </Button>
      {open && (
        <Dialog open title="Bottle label" onClose={() => setOpen(false)}>
          <div data-print="label" className="mt-3 border-2 border-black bg-white p-4 text-black">
            <p className="font-bold text-2xl">{contents.map(({ name }) => name).join(" + ")}</p>
            <p className="font-mono text-xl">
              {strengthOf(concentratePerWater(planned.strength), product.scoop !== undefined, units)} in water
            </p>
            <p className="mt-2">
              Mixed {day} {clock(at)}
              {newest?.by && `, ${newest.by}`}
              {newest?.lot && `, lot ${newest.lot}`}
            </p>
            <p className="font-semibold">
              Use by{" "}
              {product.potLife === undefined ? "the end of the day" : clock(at + product.potLife * 1000)}
            </p>
            {meetings.map(({ hazard, one, other }) => (
              <p key={`${hazard.pair.join()} ${one} ${other}`} className="mt-1 font-bold">
                {hazard.inVessel === "never" ? "Don’t bottle together: " : "Don’t close tightly: "}
                {hazard.gives}
              </p>
            ))}
            <p className="mt-2">{protectionText(protectionOf(contents))}</p>
            <p>{contents.flatMap(({ cautions }) => cautions).join(" ")}</p>
            <p className="mt-1 text-sm">Follow the product’s label and safety data sheet first.</p>
          </div>
          {!newest && (
            <p className="mt-2 text-sm text-soft">No fill is mixed yet: these times assume you mix now.</p>
          )}
          <Button weight="main" className="mt-3" onClick={() => printOnly("label")}>
            Print
          </Button>
        </Dialog>
      )}
    </>
  );
}
