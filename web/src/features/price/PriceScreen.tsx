import { EXTRA_FACTS, EXTRAS, type Extra, type JobPrice } from "@scutch/core/quote";
import { ChevronLeft } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { type MoneyFormat, rateText } from "../../format/money.ts";
import { EXTRA_NAMES } from "../../format/words.ts";
import { useDesk } from "../../planning/openDesk.ts";
import { useJobEarnings, useJobPrice } from "../../planning/useJobPrice.ts";
import { useQuotes } from "../../planning/useQuotes.ts";
import { lacks } from "../../shared/prices/lineMeasure.ts";
import { PriceBookDialog } from "../../shared/prices/PriceBookDialog.tsx";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useMoney } from "../../state/useMoney.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { MultiSelect } from "../../ui/MultiSelect.tsx";
import { Empty, Loading } from "../../ui/States.tsx";
import { AddLine } from "./AddLine.tsx";
import { DiscountField } from "./DiscountField.tsx";
import { EarnsSection } from "./EarnsSection.tsx";
import { LineRow } from "./LineRow.tsx";
import { withLine } from "./withLine.ts";

const ASKED = EXTRAS.filter((extra) => EXTRA_FACTS[extra].asked);
const ASKED_NAMES = Object.fromEntries(ASKED.map((extra) => [extra, EXTRA_NAMES[extra]])) as Record<
  Extra,
  string
>;

/** What the job costs the customer, line by line, and what it leaves the crew. */
export function PriceScreen() {
  const desk = useDesk();
  const { job, edit } = desk;
  const money = useMoney();
  const price = useJobPrice(desk);
  const earned = useJobEarnings(desk, price);
  const { settings } = useAppSelector(selectCrew);
  const { holding, agreement } = useQuotes(desk.log);
  const [book, setBook] = useState(false);
  if (!price)
    return (
      <div className="px-4 pt-5 sm:px-7">
        <Loading what="the price book" />
      </div>
    );
  const asked = ASKED.filter((extra) =>
    job.priceLines?.some(({ id, asked: yes }) => yes && id === `extra:${extra}`),
  );
  const ask = (chosen: readonly Extra[]) =>
    void edit((before) =>
      ASKED.reduce((next, extra) => {
        const [is, was] = [chosen.includes(extra), asked.includes(extra)];
        return is === was ? next : withLine(next, `extra:${extra}`, is ? { asked: true } : NOTHING);
      }, before),
    );
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-6 px-4 pt-4 sm:px-7 lg:grid-cols-[1fr_23rem]">
      <div className="min-w-0">
        <Link
          to={`/jobs/${job.id}/survey`}
          className="inline-flex min-h-12 items-center gap-1 font-semibold text-accent"
        >
          <ChevronLeft aria-hidden size={20} /> Survey
        </Link>
        <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
          <Total price={price} money={money} tax={(holding?.book ?? settings?.priceBook)?.tax} />
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => setBook(true)}>Price book</Button>
            <Link
              to={`/jobs/${job.id}/quote`}
              className="inline-flex min-h-12 items-center rounded-md bg-accent px-4 font-bold text-on-accent"
            >
              Quote
            </Link>
          </div>
        </div>
        {holding && (
          <p className="mt-2 text-soft">
            Prices held by quote {holding.number}
            {agreement ? `, accepted by ${agreement.entry.name}` : ""}.
          </p>
        )}
        <Gaps price={price} />
        {price.lines.length === 0 ? (
          <Empty title="Nothing to price yet.">Add a room in Survey, or a line here.</Empty>
        ) : (
          <ul aria-label="Lines" className="mt-4 border-rule border-b">
            {price.lines.map((line) => (
              <LineRow key={line.id} line={line} desk={desk} money={money} />
            ))}
          </ul>
        )}
        <AddLine edit={edit} />
      </div>
      <div className="grid content-start gap-6">
        <section aria-label="Asked for" className="border-ink border-t-2 pt-3">
          <MultiSelect
            label="The customer also asked for"
            names={ASKED_NAMES}
            chosen={asked}
            onChange={ask}
          />
        </section>
        <DiscountField job={job} edit={edit} money={money} />
        {!earned && price.lines.length > 0 && (
          <p className="border-ink border-t-2 pt-3 text-soft">
            What the job earns is shown once every line has its price.
          </p>
        )}
        {earned && <EarnsSection earned={earned} least={settings?.priceBook?.leastEarned} money={money} />}
      </div>
      {book && <PriceBookDialog onClose={() => setBook(false)} />}
    </div>
  );
}

/** Asked for no more: what was said of the line goes with it. */
const NOTHING = { asked: undefined, struck: undefined, quantity: undefined, amount: undefined } as const;

function Total({
  price,
  money,
  tax,
}: {
  readonly price: JobPrice;
  readonly money: MoneyFormat;
  readonly tax: { readonly rate: number; readonly included: boolean } | undefined;
}) {
  const isEmpty = price.lines.every(({ amount }) => amount === undefined);
  const parts = [
    price.discount > 0 && `${money.showMinor(price.subtotal)} less ${money.showMinor(price.discount)}`,
    tax &&
      !isEmpty &&
      `${tax.included ? "with" : "plus"} ${rateText(tax.rate)} tax, ${money.showMinor(price.tax)}`,
    price.unpriced.length > 0 && !isEmpty && "not complete",
  ].filter(Boolean);
  return (
    <div>
      <h2 className="text-sm text-soft">Price</h2>
      <p className="font-bold font-mono text-4xl [overflow-wrap:anywhere] sm:text-5xl">
        {isEmpty ? "not set" : money.showMinor(price.total)}
      </p>
      {parts.length > 0 && <p className="mt-1 text-soft">{parts.join(" · ")}</p>}
    </div>
  );
}

/** What makes it no price yet. */
function Gaps({ price: { unpriced, fault } }: { readonly price: JobPrice }) {
  const names = [...new Set(unpriced.map(lacks))];
  return (
    <div className="mt-3 grid gap-2 empty:hidden">
      {names.length > 0 && (
        <Callout tone="caution" title={`No price for ${names.join(", ")}`}>
          {unpriced.length === 1 ? "1 line is" : `${unpriced.length} lines are`} missing from the total. Set
          the price in the price book, or on the line.
        </Callout>
      )}
      {fault && (
        <Callout tone="stop" title="The discount is more than the price.">
          Lower the discount, or remove a negative line.
        </Callout>
      )}
    </div>
  );
}
