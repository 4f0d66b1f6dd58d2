import { type Gear, protectionFor } from "@scutch/core/care";
import { concentratePerWater } from "@scutch/core/mix";
import { Printer } from "lucide-react";
import { useEffect, useState } from "react";
import { GEAR_NAMES } from "../../format/careWords.ts";
import { longDay } from "../../format/time.ts";
import { doseOf, joined, scoopsOf, strengthOf } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { printOnly } from "./printOnly.ts";

/** Prints the whole mix on one page, for the van. */
export function PrintMixSheet({ desk }: { readonly desk: JobDesk }) {
  const [printing, setPrinting] = useState(false);
  // The sheet has to be on the page before it can be printed.
  useEffect(() => {
    if (printing) printOnly("mix-sheet", () => setPrinting(false));
  }, [printing]);
  return (
    <>
      <Button className="print:hidden" onClick={() => setPrinting(true)}>
        <Printer aria-hidden size={18} /> Print the mix sheet
      </Button>
      {printing && <MixSheet desk={desk} />}
    </>
  );
}

/** Cautions and what to wear on top, then every fill, with room to write what was made. Seen only on paper. */
function MixSheet({ desk }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const { job, shelf, work } = desk;
  const site = shelf.sites.find(({ id }) => id === job.siteId);
  const products = job.batches.flatMap(
    (batch) => shelf.products.find(({ id }) => id === batch.productId) ?? [],
  );
  const wear = [
    ...new Set<Gear>(products.flatMap((product) => protectionFor(product).map(({ gear }) => gear))),
  ];
  const cautions = [...new Set(products.flatMap((product) => product.cautions))];
  const nameOf = (id: string) => job.rooms.find((room) => room.id === id)?.name ?? "a removed room";
  return (
    <div data-print="mix-sheet" aria-hidden="true" className="hidden bg-white p-2 text-black print:block">
      <h1 className="font-bold text-2xl">
        {site?.name}, {job.title}
      </h1>
      <p>
        {longDay(job.day)} {job.startsAt}
      </p>
      <p className="mt-2 border-2 border-black p-2 font-semibold">
        {wear.map((gear) => GEAR_NAMES[gear]).join(" · ")}. {cautions.join(" ")} Water first. The labels and
        safety data sheets come first.
      </p>
      {job.batches.map((batch) => {
        const product = shelf.products.find(({ id }) => id === batch.productId);
        const vessel = shelf.vessels.find(({ id }) => id === batch.vesselId);
        const planned = work.batches.find(({ id }) => id === batch.id);
        if (!product || !vessel || planned?.batch.outcome !== "planned") return null;
        const powder = product.scoop !== undefined;
        return (
          <section key={batch.id} className="mt-3">
            <h2 className="font-bold text-lg">
              {product.name}, {strengthOf(concentratePerWater(planned.strength), powder, units)}, in{" "}
              {vessel.name}
            </h2>
            <table className="w-full border-collapse text-left">
              <thead>
                <tr>
                  {["Fill", "Water", powder ? "Powder" : "Concentrate", "Rooms", "Made at, by, lot"].map(
                    (head) => (
                      <th key={head} className="border border-black px-2 py-1">
                        {head}
                      </th>
                    ),
                  )}
                </tr>
              </thead>
              <tbody>
                {planned.batch.fills.map((fill, i) => (
                  <tr key={fill.rooms.map(({ roomId }) => roomId).join()}>
                    <td className="border border-black px-2 py-1">{i + 1}</td>
                    <td className="border border-black px-2 py-1 font-bold font-mono">
                      {joined(units.volume(fill.water))}
                    </td>
                    <td className="border border-black px-2 py-1 font-bold font-mono">
                      {fill.powder
                        ? joined(scoopsOf(fill.powder.scoops))
                        : joined(units.amount(fill.concentrate))}
                      {fill.boosters.map(({ id, concentrate, powder: dose }) => (
                        <span key={id} className="block font-normal">
                          + {doseOf(dose?.mass ?? concentrate, dose !== undefined, units)}{" "}
                          {shelf.products.find((each) => each.id === id)?.name}
                        </span>
                      ))}
                    </td>
                    <td className="border border-black px-2 py-1">
                      {fill.rooms.map(({ roomId }) => nameOf(roomId)).join(", ")}
                    </td>
                    <td className="w-40 border border-black px-2 py-1" />
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        );
      })}
    </div>
  );
}
