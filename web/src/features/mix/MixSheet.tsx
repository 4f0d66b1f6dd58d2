import type { BatchChoice, Product, Vessel } from "@scutch/contract";
import { type ProtectiveMeasure, protectionFor } from "@scutch/core/care";
import { fillId, foldFills } from "@scutch/core/log";
import { concentratePerWater, type Fill } from "@scutch/core/mix";
import { formatDuration } from "@scutch/core/quantity";
import type { ReactNode } from "react";
import { GEAR_NAMES } from "../../format/careWords.ts";
import { startText } from "../../format/time.ts";
import { doseOf, formatAmount, scoopsOf, strengthOf } from "../../format/units.ts";
import { ORIGIN_SHORT } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { fillToText } from "../../shared/fill/levelText.ts";
import { RINSED_TIMES } from "../../shared/run/rinseText.ts";
import { bottleOf, guideOf, productsFor } from "../../shared/spots/spotGuide.ts";
import { useTimes, useZoneName } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";

const CELL = "border border-black px-2 py-1";

/** The page for the van's door: what to wear and mind, every fill with its marks, what is made already. Seen only on paper. */
export function MixSheet({ desk }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const { job, shelf, work, startMs } = desk;
  const zone = useZoneName(startMs);
  const site = shelf.sites.find(({ id }) => id === job.siteId);
  const productOf = (id: string) => shelf.products.find((each) => each.id === id);
  const products = [
    ...new Set(
      job.batches.flatMap(({ productId, boosters = [] }) =>
        [productId, ...boosters.map((each) => each.productId)].flatMap((id) => productOf(id) ?? []),
      ),
    ),
  ];
  const wear = [
    ...new Set<ProtectiveMeasure>(
      products.flatMap((product) => protectionFor(product).map(({ gear }) => gear)),
    ),
  ];
  return (
    <div data-print="mix-sheet" className="hidden bg-white p-2 text-black print:block">
      <h1 className="font-bold text-2xl">
        {site?.name}, {job.title}
      </h1>
      <p>{startText(job, zone)}</p>
      <div className="mt-2 border-2 border-black p-2">
        <p className="font-semibold">
          {wear.map((gear) => GEAR_NAMES[gear]).join(" · ")}. Water first. Follow the labels and safety data
          sheets.
        </p>
        {products
          .filter(({ cautions }) => cautions.length > 0)
          .map(({ id, name, cautions }) => (
            <p key={id}>
              <strong>{name}:</strong> {cautions.join(" ")}
            </p>
          ))}
      </div>
      {job.batches.map((batch) => {
        const product = productOf(batch.productId);
        const vessel = shelf.vessels.find(({ id }) => id === batch.vesselId);
        return product && vessel ? (
          <BatchTable key={batch.id} desk={desk} batch={batch} product={product} vessel={vessel} />
        ) : null;
      })}
      {work.defoamer > 0 && (
        <p className="mt-3">
          <strong>{formatAmount(units.amount(work.defoamer))} of defoamer</strong> in the recovery tank, split
          over its fills.
        </p>
      )}
      <Spotters desk={desk} />
      <p className="mt-3 text-sm">
        Empty waste water to the sewer (foul drain), never a storm drain. Release pressure before you uncouple
        a hose.
      </p>
    </div>
  );
}

interface BatchProps {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly product: Product;
  readonly vessel: Vessel;
}

function BatchTable({ desk, batch, product, vessel }: BatchProps) {
  const { clock } = useTimes();
  const units = useUnits();
  const { job, work, log } = desk;
  const planned = work.batches.find(({ id }) => id === batch.id);
  if (planned?.batch.outcome !== "planned") return null;
  const made = foldFills(log, batch, work.wasted);
  const powder = product.scoop !== undefined;
  const room = (id: string) => nameById(job.rooms, id, "a removed room");
  const rate = (id: string) => work.rooms.find((each) => each.id === id)?.water.applicationRate ?? 1;
  const facts = [
    strengthOf(concentratePerWater(planned.strength), powder, units),
    `in ${vessel.name}`,
    ...(product.waterTemperature === undefined
      ? []
      : [`water at ${units.temperature(product.waterTemperature)}`]),
    `dwell ${formatDuration(product.dwellLeast)} to ${formatDuration(product.dwellMost)}`,
    ...(product.potLife === undefined ? [] : [`use within ${formatDuration(product.potLife)}`]),
  ];
  return (
    <section className="mt-3 break-inside-avoid">
      <h2 className="font-bold text-lg">{product.name}</h2>
      <p>{facts.join(" · ")}</p>
      <table className="w-full border-collapse text-left">
        <thead>
          <tr>
            {["Fill", "Water", powder ? "Powder" : "Concentrate", "Fill to", "Rooms", "Mixed"].map((head) => (
              <th key={head} scope="col" className={CELL}>
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {planned.batch.fills.map((fill, i) => {
            const done = made.get(i + 1);
            const rinse = work.rinses.get(fillId(batch.id, i + 1));
            return (
              <tr key={fill.rooms.map(({ roomId }) => roomId).join()}>
                <td className={CELL}>
                  {i + 1}
                  {rinse && (
                    <strong className="block">
                      {rinse.rinses > 0 ? `Empty, rinse ${RINSED_TIMES[rinse.rinses]} first` : "Empty first"}
                    </strong>
                  )}
                </td>
                <td className={`${CELL} font-bold font-mono`}>{formatAmount(units.volume(fill.water))}</td>
                <td className={`${CELL} font-bold font-mono`}>
                  {fill.powder
                    ? formatAmount(scoopsOf(fill.powder.scoops))
                    : formatAmount(units.amount(fill.concentrate))}
                  <Added desk={desk} fill={fill} />
                </td>
                <td className={CELL}>{fillToText(fill, vessel, units) ?? "measure the water separately"}</td>
                <td className={CELL}>
                  {fill.rooms
                    .map(({ roomId, volume }) => `${room(roomId)} ${units.area(volume / rate(roomId))}`)
                    .join(", ")}
                </td>
                <td className={`${CELL} w-36`}>
                  {done &&
                    [`${clock(Date.parse(done.at))}`, done.by, done.lot && `lot ${done.lot}`]
                      .filter(Boolean)
                      .join(", ")}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function Added({ desk: { shelf }, fill }: { readonly desk: JobDesk; readonly fill: Fill }): ReactNode {
  const units = useUnits();
  return fill.boosters.map(({ id, concentrate, powder: dose }) => (
    <span key={id} className="block font-normal">
      + {doseOf(dose?.mass ?? concentrate, dose !== undefined, units)}{" "}
      {shelf.products.find((each) => each.id === id)?.name}
    </span>
  ));
}

/** What each spot still to work is worked with next, and how much of it to make up. */
function Spotters({ desk }: { readonly desk: JobDesk }) {
  const units = useUnits();
  const lines = (desk.job.spots ?? []).flatMap((spot) => {
    const step = guideOf(desk, spot).steps.find(({ state }) => state === "next");
    const [product] = step ? productsFor(desk, spot, step.agent) : [];
    const room = desk.job.rooms.find(({ id }) => id === spot.roomId);
    if (!step || !room) return [];
    const bottle = product && bottleOf(product, step.amount, units.system);
    const amount = bottle
      ? `: ${formatAmount(units.amount(bottle.water))} of water, ${bottle.powder ? formatAmount(scoopsOf(bottle.powder.scoops)) : formatAmount(units.amount(bottle.concentrate))} of ${product.name}`
      : "";
    return [
      {
        id: spot.id,
        text: `${ORIGIN_SHORT[spot.origin]} in ${room.name}, ${step.facts.name.toLowerCase()}${amount}`,
      },
    ];
  });
  if (lines.length === 0) return null;
  return (
    <section className="mt-3 break-inside-avoid">
      <h2 className="font-bold text-lg">Spotters</h2>
      <ul>
        {lines.map(({ id, text }) => (
          <li key={id}>{text}</li>
        ))}
      </ul>
    </section>
  );
}
