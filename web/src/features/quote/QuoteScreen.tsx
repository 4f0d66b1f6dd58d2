import type { EntryId, LogEntryOf } from "@scutch/contract";
import type { PriceBook } from "@scutch/core/quote";
import { ChevronLeft } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import type { JobDesk } from "../../planning/desk.ts";
import { useDesk } from "../../planning/openDesk.ts";
import { useBook } from "../../planning/useJobPrice.ts";
import { useQuotes } from "../../planning/useQuotes.ts";
import { presentWay, type WayKey } from "../../planning/ways.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { Empty, Loading } from "../../ui/States.tsx";
import { useClock } from "../../ui/useClock.ts";
import { newQuote } from "./newQuote.ts";
import { OfferCards } from "./OfferCards.tsx";
import { QuoteSheet } from "./QuoteSheet.tsx";
import { QuoteStatus } from "./QuoteStatus.tsx";
import { recommendedOf } from "./quotePage.ts";
import { useOffers } from "./useOffers.ts";

const VALID_DAYS = [7, 14, 30, 60, 90];
const USUAL_DAYS = 30;

/** Up to three ways of doing the job, at their prices: made here, shown to the customer, accepted by name. */
export function QuoteScreen() {
  const desk = useDesk();
  const book = useBook(desk);
  const quotes = useQuotes(desk.log);
  // A quote just made is in the log a moment later.
  const [shown, setShown] = useState<EntryId>();
  const { latest, agreement } = quotes;
  const [isMaking, setMaking] = useState(latest === undefined);
  const open = desk.log.find((entry) => entry.kind === "quote-given" && entry.id === shown);
  if (!book)
    return (
      <div className="px-4 pt-5 sm:px-7">
        <Loading what="the price book" />
      </div>
    );
  return (
    <div className="grid grid-cols-1 gap-y-5 px-4 pt-4 sm:px-7">
      <Link
        to={`/jobs/${desk.job.id}/price`}
        className="inline-flex min-h-12 items-center gap-1 justify-self-start font-semibold text-accent"
      >
        <ChevronLeft aria-hidden size={20} /> Price
      </Link>
      {latest && (
        <QuoteStatus
          desk={desk}
          quote={latest}
          agreement={agreement}
          onShow={setShown}
          onNew={isMaking ? undefined : () => setMaking(true)}
        />
      )}
      {desk.work.rooms.length === 0 ? (
        <Empty title="Nothing to quote yet.">Add a room in Survey first.</Empty>
      ) : isMaking || !latest ? (
        <NewQuote
          desk={desk}
          book={book}
          latest={latest}
          isAgreed={agreement !== undefined}
          onGiven={(quoteId) => {
            setShown(quoteId);
            setMaking(false);
          }}
        />
      ) : null}
      {open?.kind === "quote-given" && (
        <QuoteSheet desk={desk} quote={open} agreement={agreement} onClose={() => setShown(undefined)} />
      )}
    </div>
  );
}

interface NewQuoteProps {
  readonly desk: JobDesk;
  readonly book: PriceBook;
  readonly latest: LogEntryOf<"quote-given"> | undefined;
  readonly isAgreed: boolean;
  readonly onGiven: (quoteId: EntryId) => void;
}

/** The offers of the next quote. */
function NewQuote({ desk, book, latest, isAgreed, onGiven }: NewQuoteProps) {
  const [keys, setKeys] = useState<readonly WayKey[]>(() => [presentWay(desk.job)]);
  const [picked, setPicked] = useState<WayKey>();
  const [validDays, setValidDays] = useState(USUAL_DAYS);
  const drafts = useOffers(desk, keys);
  const log = useLogging(desk);
  const times = useTimes();
  const clock = useClock();
  const { currency } = useAppSelector(selectCrew).settings ?? {};
  const offers = drafts?.map(({ offer }) => offer) ?? [];
  const isComplete = drafts !== undefined && offers.every((offer) => offer !== undefined);
  const own = picked === undefined ? -1 : keys.indexOf(picked);
  const recommended = keys.length < 2 ? undefined : own >= 0 ? own : recommendedOf(offers);
  const give = () => {
    const complete = offers.filter((offer) => offer !== undefined);
    if (!isComplete) return;
    const quoteId = log(
      newQuote(complete, { job: desk.job, book, currency, recommended, validDays, now: clock.now(), times }),
    );
    onGiven(quoteId);
  };
  return (
    <section aria-label="New quote" className="grid gap-4">
      <h2 className="font-bold text-xl">{latest ? "New quote" : "Quote"}</h2>
      {isAgreed && (
        <p className="text-soft">A new quote replaces the accepted one once the customer accepts it.</p>
      )}
      <OfferCards
        desk={desk}
        keys={keys}
        drafts={drafts}
        recommended={recommended}
        onKeys={setKeys}
        onRecommend={setPicked}
      />
      <div className="grid max-w-md gap-3">
        <ChoiceField<number>
          label="Prices hold for"
          value={validDays}
          options={VALID_DAYS.map((value) => ({ value, name: `${value} days` }))}
          onChange={setValidDays}
        />
        {drafts !== undefined && !isComplete && (
          <p className="text-caution-ink">A line has no price. Set it under Price, then make the quote.</p>
        )}
        <Button weight="main" disabled={!isComplete} onClick={give}>
          Show the customer
        </Button>
        <p className="text-sm text-soft">
          The quote is saved in the log as shown. The customer sees no earnings.
        </p>
      </div>
    </section>
  );
}
