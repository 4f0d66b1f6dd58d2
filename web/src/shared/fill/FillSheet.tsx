import type { BatchChoice, LogEntryOf, Product, Vessel } from "@scutch/contract";
import { fillId, rinseStepId } from "@scutch/core/log";
import { concentratePerWater, explainConcentrate, explainWater, type Fill } from "@scutch/core/mix";
import type { RoomCare } from "@scutch/core/plan";
import type { RunRinse } from "@scutch/core/run";
import { useState } from "react";
import { doseOf, type FormattedAmount, formatAmount, scoopsOf, strengthOf } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Callout } from "../../ui/Callout.tsx";
import { CheckBox } from "../../ui/ChoiceField.tsx";
import { ExplainedFigure } from "../explain/ExplainedFigure.tsx";
import type { EntryBody } from "../logging/useLogging.ts";
import { rinseText } from "../run/rinseText.ts";
import { Bottle } from "./Bottle.tsx";
import { FillCautions } from "./FillCautions.tsx";
import { FillDetails } from "./FillDetails.tsx";
import { FillBlocked } from "./Halted.tsx";
import { fillToText } from "./levelText.ts";
import { MarkAsMixed } from "./MadeIt.tsx";

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
  /** Rooms with a danger on them or something to do first: a fill for one of them isn't made yet. */
  readonly halted: readonly RoomCare[];
  /** Something in its vessel must never meet something else there. */
  readonly barred: boolean;
  /** What is logged with it, and taken back with it. */
  readonly follows?: () => readonly EntryBody[];
  readonly onMade: () => void;
}

const Big = ({ lead, figure, unit }: FormattedAmount) => (
  <span className="whitespace-nowrap font-bold font-mono text-[min(3rem,12vw)] leading-[1.15] sm:text-6xl">
    {lead && <span className="block text-4xl">{lead} +</span>}
    {figure}
    <span className="ml-2 text-2xl min-[370px]:text-3xl">{unit}</span>
  </span>
);

/**
 * One fill: water first, concentrate after, in figures to be read at arm's length. Above them, what to rinse first; below them, what to
 * wear and mind, in one line. Its button stays in sight.
 */
export function FillSheet(props: Props) {
  const { desk, batch, product, vessel, fill, number, count, madeBy } = props;
  const units = useUnits();
  const [rinsed, setRinsed] = useState(false);
  const rinse = madeBy ? undefined : rinseBefore(props);
  const nameOf = (roomId: string) => nameById(desk.job.rooms, roomId, "A removed room");
  return (
    <article aria-label={`Fill ${number} of ${count}`} className="@container bg-paper p-4 sm:p-6">
      <header className="flex justify-between gap-4 text-soft">
        <span>
          Fill {number} of {count}
        </span>
        <span className="text-right">
          {product.name}
          <span className="block text-sm">in {vessel.name}</span>
        </span>
      </header>
      {rinse && <RinseBefore {...{ rinse, vessel, rinsed }} onRinsed={setRinsed} />}
      <div className="mt-3 grid gap-x-10 gap-y-4 @2xl:grid-cols-[auto_1fr] @2xl:items-start">
        <div className="flex flex-wrap items-center gap-4 sm:flex-nowrap sm:gap-8">
          <Bottle
            water={fill.water / vessel.nominal}
            concentrate={fill.concentrate / vessel.nominal}
            headSpace={vessel.headSpace / vessel.nominal}
            level={(fill.mark ?? fill.volume) / vessel.nominal}
            lines={(vessel.lines ?? []).map((line) => line / vessel.nominal)}
            label={formatAmount(units.volume(fill.mark ?? fill.volume))}
          />
          <FillAmounts {...props} />
        </div>
        <div className="min-w-0">
          <FillCautions {...{ desk, batch, product, fill }} />
          <FillDetails desk={desk} product={product} fill={fill} madeBy={madeBy} nameOf={nameOf} />
          <FillOutcome {...props} nameOf={nameOf} unrinsed={rinse?.reason === "reacts" && !rinsed} />
        </div>
      </div>
    </article>
  );
}

/** What has to come out of the vessel before a fill, and wasn't logged as rinsed; undefined where nothing has. */
function rinseBefore({ desk, batch, number }: Pick<Props, "desk" | "batch" | "number">) {
  const id = fillId(batch.id, number);
  const isRinsed = desk.input.logged?.[rinseStepId(id)]?.end !== undefined;
  return isRinsed ? undefined : desk.work.rinses.get(id);
}

interface RinseProps {
  readonly rinse: RunRinse;
  readonly vessel: Vessel;
  readonly rinsed: boolean;
  readonly onRinsed: (rinsed: boolean) => void;
}

/** How the vessel is made ready. What would react in it is a stop until somebody says that it is out. */
function RinseBefore({ rinse, vessel, rinsed, onRinsed }: RinseProps) {
  const units = useUnits();
  const reacts = rinse.reason === "reacts";
  return (
    <div className="mt-3">
      <Callout
        tone={reacts && !rinsed ? "stop" : "caution"}
        title={`${rinse.rinses > 0 ? "Empty and rinse" : "Empty"} ${vessel.name} before this fill.`}
      >
        {rinseText(rinse, units)}
        {reacts && <CheckBox label="Emptied and rinsed twice" checked={rinsed} onChange={onRinsed} />}
      </Callout>
    </div>
  );
}

/** What goes in, in its order, and what strength that is. */
function FillAmounts({ desk, batch, product, vessel, fill, wanted }: Props) {
  const units = useUnits();
  const fillTo = fillToText(fill, vessel, units);
  const powder = product.scoop !== undefined;
  // The smaller figure first: of 1:16 and 1:32 that is the stronger, of grams in a litre the weaker.
  const ends = powder ? [product.light, product.heavy] : [product.heavy, product.light];
  const label = ends.map((each) => strengthOf(concentratePerWater(each), powder, units));
  const nameOfProduct = (id: string) => nameById(desk.shelf.products, id, "a removed product");
  return (
    <div className="grid min-w-0 flex-1 basis-44 gap-3">
      <div>
        <div className="text-soft">
          1 Water
          {product.waterTemperature !== undefined && `, ${units.temperature(product.waterTemperature)}`}
        </div>
        <ExplainedFigure label="Water" working={() => explainWater(fill)}>
          <Big {...units.volume(fill.water)} />
        </ExplainedFigure>
      </div>
      <div>
        <div className="text-soft">2 Add {powder ? "powder" : "concentrate"}</div>
        {fill.powder ? (
          <Big {...scoopsOf(fill.powder.scoops)} />
        ) : (
          <ExplainedFigure
            label="Concentrate"
            working={() => explainConcentrate(fill, wanted, batch.measure)}
          >
            <Big {...units.amount(fill.concentrate)} />
          </ExplainedFigure>
        )}
        {fill.powder && (
          <span className="block text-soft">{formatAmount(units.powder(fill.powder.mass))}</span>
        )}
      </div>
      {fill.boosters.map(({ id, concentrate, powder: dose }) => (
        <div key={id}>
          <div className="text-soft">add {nameOfProduct(id)}</div>
          <span className="font-bold font-mono text-3xl">
            {doseOf(dose?.mass ?? concentrate, dose !== undefined, units)}
          </span>
        </div>
      ))}
      {fill.water > 0 && (
        <p className="max-w-60">
          {fillTo === undefined
            ? "The level is between marks: measure the water separately."
            : `Half the water first, then the product, then water ${fillTo}.`}
        </p>
      )}
      <p className="text-soft">
        {strengthOf(fill.strength, powder, units)}
        {batch.tipId && " on the floor"} · label allows {label[0]} to {label[1]}
      </p>
    </div>
  );
}

interface OutcomeProps extends Props {
  readonly nameOf: (roomId: string) => string;
  /** What is left in the vessel would react with it. */
  readonly unrinsed: boolean;
}

/** That it is made, that it must not be, or the press that makes it. */
function FillOutcome({ nameOf, unrinsed, ...props }: OutcomeProps) {
  const { desk, batch, product, fill, number, madeBy, halted: rooms, barred, follows, onMade } = props;
  const units = useUnits();
  const { clock } = useTimes();
  const halted = rooms.filter((room) => fill.rooms.some(({ roomId }) => roomId === room.roomId));
  if (madeBy)
    return (
      <p className="mt-4 border-accent border-l-4 bg-wash px-4 py-3 font-semibold">
        Mixed at {clock(Date.parse(madeBy.at))}
        {madeBy.by && ` by ${madeBy.by}`}: {formatAmount(units.volume(madeBy.water))} of water,{" "}
        {doseOf(madeBy.powder ?? madeBy.concentrate, madeBy.powder !== undefined, units)} of{" "}
        {madeBy.powder === undefined ? "concentrate" : "powder"}.{madeBy.lot && ` Lot ${madeBy.lot}.`}
      </p>
    );
  if (barred)
    return (
      <p className="mt-4 border-stop border-l-4 bg-stop-wash px-4 py-3 font-semibold">
        Don’t mix this: the products react dangerously. See above.
      </p>
    );
  if (unrinsed)
    return (
      <p className="mt-4 border-stop border-l-4 bg-stop-wash px-4 py-3 font-semibold">
        Don’t mix yet: what is left in the sprayer would react. Rinse it first.
      </p>
    );
  if (halted.length > 0) return <FillBlocked rooms={halted} nameOf={nameOf} />;
  return <MarkAsMixed {...{ desk, batch, product, fill, number, onMade, follows }} />;
}
