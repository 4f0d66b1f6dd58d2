import type { BatchChoice, LogEntryOf, Product, Vessel } from "@scutch/contract";
import { protectionFor, reactantsOf } from "@scutch/core/care";
import { concentratePerWater, type Fill } from "@scutch/core/mix";
import { workingOfConcentrate, workingOfMass, workingOfWater } from "@scutch/core/plan";
import type { ReactNode } from "react";
import { useUnits } from "../../app/store.ts";
import { protectionText, REACTANT_NAMES } from "../../format/careWords.ts";
import { clock } from "../../format/time.ts";
import { asRatio, joined, type Shown } from "../../format/units.ts";
import { labelRange } from "../../format/words.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { pairsWith } from "../care/MixCare.tsx";
import type { JobDesk } from "../job/useJobDesk.ts";
import { useLogging } from "../log/useLogging.ts";
import { Worked } from "../working/Worked.tsx";
import { Bottle } from "./Bottle.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly product: Product;
  readonly vessel: Vessel;
  readonly fill: Fill;
  readonly number: number;
  readonly count: number;
  /** Concentrate per water aimed at. */
  readonly wanted: number;
  readonly madeBy: LogEntryOf<"fill-made"> | undefined;
  /** Rooms with a stop on them: a fill for one of them isn't made. */
  readonly stopped: readonly string[];
  readonly onMade: () => void;
}

const Big = ({ figure, unit }: Shown) => (
  <span className="whitespace-nowrap font-bold font-mono text-5xl sm:text-6xl">
    {figure}
    <span className="ml-2 text-3xl">{unit}</span>
  </span>
);

/** One fill: water first, concentrate after, in figures to be read at arm's length. */
export function FillSheet({
  desk,
  batch,
  product,
  vessel,
  fill,
  number,
  count,
  wanted,
  madeBy,
  stopped,
  onMade,
}: Props) {
  const units = useUnits();
  const log = useLogging(desk.job.id);
  const nameOf = (roomId: string) =>
    desk.job.rooms.find((room) => room.id === roomId)?.name ?? "A removed room";
  const rateOf = (roomId: string) =>
    desk.work.rooms.find((room) => room.id === roomId)?.water.applicationRate ?? 1;
  const protection = protectionFor(product);
  const mine = reactantsOf(product);
  const never = [
    ...new Set(pairsWith(mine).map(({ pair: [a, b] }) => REACTANT_NAMES[mine.includes(a) ? b : a])),
  ];
  const halted = fill.rooms.filter(({ roomId }) => stopped.includes(roomId));
  const make = () => {
    log({
      kind: "fill-made",
      batchId: batch.id,
      productId: product.id,
      fill: number,
      water: fill.water,
      concentrate: fill.concentrate,
    });
    onMade();
  };
  return (
    <article aria-label={`Fill ${number} of ${count}`} className="bg-paper p-4 sm:p-6">
      <header className="flex justify-between gap-4 text-soft">
        <span>
          Fill {number} of {count}
        </span>
        <span>{product.name}</span>
      </header>
      <div className="mt-3">
        <Callout tone="caution" title={product.cautions[0] ?? protectionText(protection)}>
          {product.cautions.slice(1).join(" ")} {product.cautions.length > 0 && protectionText(protection)}{" "}
          {never.length > 0 && `Never with ${never.join(", ")}.`} The label and safety data sheet come first.
        </Callout>
      </div>
      <div className="mt-3 grid gap-x-10 gap-y-4 xl:grid-cols-[auto_1fr]">
        <div className="flex items-center gap-5 sm:gap-8">
          <Bottle
            water={fill.water / vessel.nominal}
            concentrate={fill.concentrate / vessel.nominal}
            headSpace={vessel.headSpace / vessel.nominal}
          />
          <div className="grid gap-3">
            <div>
              <div className="text-soft">
                1 Water
                {product.waterTemperature !== undefined && `, ${units.temperature(product.waterTemperature)}`}
              </div>
              <Worked label="Water" working={() => workingOfWater(fill)}>
                <Big {...units.volume(fill.water)} />
              </Worked>
            </div>
            <div>
              <div className="text-soft">2 then concentrate</div>
              <Worked label="Concentrate" working={() => workingOfConcentrate(fill, wanted, batch.measure)}>
                <Big {...units.amount(fill.concentrate)} />
              </Worked>
            </div>
            <p className="text-soft">
              {asRatio(fill.strength)} · label allows{" "}
              {labelRange(concentratePerWater(product.light), concentratePerWater(product.heavy))}
            </p>
          </div>
        </div>
        <div>
          <dl>
            {fill.rooms.map(({ roomId, volume }) => (
              <Row key={roomId} name={nameOf(roomId)} value={units.area(volume / rateOf(roomId))} />
            ))}
            <Row
              name="Use by"
              value={product.potLife === undefined ? "today" : `${product.potLife / 3600} h after making`}
            />
            <Row
              name="To carry"
              value={
                <Worked label="To carry" working={() => workingOfMass(fill)}>
                  {units.mass(fill.mass)}
                </Worked>
              }
            />
          </dl>
          {madeBy ? (
            <p className="mt-4 border-accent border-l-4 bg-wash px-4 py-3 font-semibold">
              Made at {clock(Date.parse(madeBy.at))}
              {madeBy.by && ` by ${madeBy.by}`}: {joined(units.volume(madeBy.water))} of water,{" "}
              {joined(units.amount(madeBy.concentrate))} of concentrate.
            </p>
          ) : halted.length > 0 ? (
            <p className="mt-4 border-stop border-l-4 bg-stop-wash px-4 py-3 font-semibold">
              Not to be made yet: a stop stands on {halted.map(({ roomId }) => nameOf(roomId)).join(", ")}.
            </p>
          ) : (
            <Button weight="main" className="mt-4 w-full min-h-16" onClick={make}>
              Made it
            </Button>
          )}
        </div>
      </div>
    </article>
  );
}

function Row({ name, value }: { readonly name: string; readonly value: ReactNode }) {
  return (
    <div className="flex justify-between gap-4 border-rule border-t py-2">
      <dt>{name}</dt>
      <dd className="text-right font-mono">{value}</dd>
    </div>
  );
}
