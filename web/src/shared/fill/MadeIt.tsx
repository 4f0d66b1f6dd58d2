import type { BatchChoice, EntryId, Product } from "@scutch/contract";
import { fillId, fillStepId, foldFills } from "@scutch/core/log";
import { compareToLabel, type Fill, lotsLeft } from "@scutch/core/mix";
import { useState } from "react";
import { doseField, volumeReader } from "../../format/readers.ts";
import { doseOf, formatAmount } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { CheckBox, ChoiceField } from "../../ui/ChoiceField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { type Answer, AnswerDialog } from "../care/AnswerDialog.tsx";
import { type EntryBody, useLogging } from "../logging/useLogging.ts";
import { WhenField } from "../logging/WhenField.tsx";
import { useStock } from "../stock/useStock.ts";

interface Props {
  readonly desk: JobDesk;
  readonly batch: BatchChoice;
  readonly product: Product;
  readonly fill: Fill;
  readonly number: number;
  readonly follows: (() => readonly EntryBody[]) | undefined;
  readonly onMade: () => void;
}

/** What is wrong with an amount against the label, in a sentence; undefined where nothing is. */
function labelSentence(side: ReturnType<typeof compareToLabel>, product: Product): string | undefined {
  if (side === "inside") return undefined;
  return side === "stronger"
    ? `Stronger than the ${product.name} label allows. Add water, or the owner takes responsibility.`
    : `Weaker than the ${product.name} label says. It may not clean.`;
}

/** The tick: as planned in one press, or how much really went in and from which pack. */
export function MarkAsMixed({ desk, batch, product, fill, number, follows, onMade }: Props) {
  const units = useUnits();
  const log = useLogging(desk);
  const stock = useStock();
  const lots = stock ? lotsLeft(stock, product.id).filter(({ left }) => left > 0) : [];
  const [lot, setLot] = useState<string>();
  const [other, setOther] = useState(false);
  const [water, setWater] = useState(fill.water);
  const [amount, setAmount] = useState(fill.powder?.mass ?? fill.concentrate);
  // What was typed counts while it is in sight.
  const [went, goes] = other ? [water, amount] : [fill.water, fill.powder?.mass ?? fill.concentrate];
  const [when, setWhen] = useState<number>();
  const [answering, setAnswering] = useState(false);
  const powder = fill.powder !== undefined;
  const tip = desk.shelf.gear.find(({ id }) => id === batch.tipId);
  // As planned it is inside the label: what is typed may not be.
  const side = other
    ? compareToLabel(
        { water: went, concentrate: powder ? 0 : goes, ...(powder ? { powder: goes } : {}) },
        product,
        tip?.kind === "tip" ? tip : undefined,
      )
    : "inside";
  const make = (aboveLabel?: Answer) => {
    const took = lot ?? lots[0]?.lot;
    // Mixed before and poured out: both were used. In a log that came in a moment ago it may be the very same fill.
    const earlier = desk.work.wasted.has(fillStepId(fillId(batch.id, number)))
      ? foldFills(desk.log, batch).get(number)
      : undefined;
    log(
      {
        kind: "fill-made",
        batchId: batch.id,
        productId: product.id,
        fill: number,
        water: went,
        concentrate: powder ? 0 : goes,
        ...(powder ? { powder: goes } : {}),
        ...(fill.boosters.length > 0
          ? {
              boosters: fill.boosters.map(({ id, concentrate, powder: dose }) => ({
                productId: id as Product["id"],
                concentrate,
                ...(dose ? { powder: dose.mass } : {}),
              })),
            }
          : {}),
        ...(took ? { lot: took } : {}),
        ...(earlier ? { again: earlier.id as EntryId } : {}),
        ...(aboveLabel ? { aboveLabel } : {}),
      },
      other ? when : undefined,
      // Written down later, nothing begins with it.
      other && when !== undefined ? [] : follows?.(),
    );
    onMade();
  };
  const sentence = labelSentence(side, product);
  return (
    <>
      <div className="mt-4 grid gap-2 print:hidden">
        {lots.length > 1 && (
          <ChoiceField
            label="From pack"
            value={lot ?? lots[0]?.lot}
            options={lots.map((each) => ({
              value: each.lot,
              name: `${each.lot}, ${doseOf(each.left, powder, units)} left`,
            }))}
            onChange={setLot}
          />
        )}
        <CheckBox label="I used other amounts, or mixed it earlier" checked={other} onChange={setOther} />
        {other && (
          <div className="grid grid-cols-2 gap-3">
            <QuantityField
              label="Water"
              value={water}
              show={(value) => formatAmount(units.volume(value))}
              read={volumeReader(units, "volume")}
              onChange={(value) => {
                setWater(value ?? fill.water);
                return undefined;
              }}
            />
            <QuantityField
              label={powder ? "Powder" : "Concentrate"}
              value={amount}
              {...doseField(powder, units, product.scoop)}
              onChange={(value) => {
                setAmount(value ?? fill.powder?.mass ?? fill.concentrate);
                return undefined;
              }}
            />
            <div className="col-span-full">
              <WhenField value={when} onChange={setWhen} />
            </div>
          </div>
        )}
        {sentence && <Callout tone={side === "stronger" ? "stop" : "caution"} title={sentence} />}
      </div>
      {/* In sight as soon as the amounts are: what bars the way at the foot of the screen says how high it is. */}
      <div data-sticks className="sticky bottom-(--foot,0px) z-10 bg-paper pt-2 pb-3 sm:static print:hidden">
        <Button
          weight="main"
          className="min-h-16 w-full"
          onClick={() => (side === "stronger" ? setAnswering(true) : make())}
        >
          Mark as mixed
        </Button>
      </div>
      {answering && (
        <AnswerDialog
          title="Stronger than the label allows"
          onClose={() => setAnswering(false)}
          onAnswer={make}
        >
          Fill {number} of {product.name}, {doseOf(amount, powder, units)} in{" "}
          {formatAmount(units.volume(water))} of water. More than the label allows can harm carpet and people.
        </AnswerDialog>
      )}
    </>
  );
}
