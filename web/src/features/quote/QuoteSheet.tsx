import type { LogEntry, LogEntryOf } from "@scutch/contract";
import type { Agreement } from "@scutch/core/log";
import { useState } from "react";
import { moneyFormat } from "../../format/money.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { placeOf } from "../../planning/place.ts";
import { takeWay } from "../../planning/ways.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { CustomerSheet } from "../../shared/page/CustomerSheet.tsx";
import { SignFields, useSigned } from "../../shared/page/SignFields.tsx";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { offerName, quotePage } from "./quotePage.ts";

interface Props {
  readonly desk: JobDesk;
  readonly quote: LogEntryOf<"quote-given">;
  readonly agreement: Agreement<LogEntry> | undefined;
  readonly onClose: () => void;
}

/** The quote for the customer to read and accept. */
export function QuoteSheet({ desk, quote, agreement, onClose }: Props) {
  const { name, settings } = useAppSelector(selectCrew);
  const times = useTimes();
  const { site } = placeOf(desk.job, desk.shelf);
  const page = quotePage(quote, agreement, {
    job: desk.job,
    crew: name ?? "",
    contact: settings?.contact,
    place: site?.name ?? desk.job.title,
    money: moneyFormat(quote.currency),
    times,
    dayMs: desk.startMs,
  });
  const isAccepted = agreement?.quote.id === quote.id;
  return (
    <CustomerSheet page={page} onClose={onClose}>
      {isAccepted ? null : <Accept desk={desk} quote={quote} />}
    </CustomerSheet>
  );
}

/** Which offer, who accepts it, and a signature if wanted. */
function Accept({ desk, quote }: Pick<Props, "desk" | "quote">) {
  const log = useLogging(desk);
  const [offerAt, setOffer] = useState(quote.recommended ?? 0);
  const signed = useSigned();
  const { name, signature, setError } = signed;
  const money = moneyFormat(quote.currency);
  const accept = () => {
    const offer = quote.offers[offerAt];
    if (!offer) return;
    if (name === "") return setError("Enter the name of the person who accepts.");
    const barred = new Set(
      (offer.limits ?? []).flatMap(({ kind, roomId }) => (kind === "keeps-method" ? [roomId] : [])),
    );
    const refused = desk.edit((before) => takeWay(before, offer, barred, desk.work.rooms));
    if (refused !== undefined) return setError(refused);
    log({
      kind: "quote-agreed",
      quoteId: quote.id,
      offer: offerAt,
      name,
      ...(signature ? { signature } : {}),
    });
  };
  return (
    <section aria-label="Accept" className="grid gap-3 border-ink border-t-2 pt-3">
      <h2 className="font-bold text-xl">Accept this quote</h2>
      {quote.offers.length > 1 && (
        <Segmented<number>
          label="Offer"
          value={offerAt}
          options={quote.offers.map((offer, value) => ({
            value,
            name: `${offerName(offer)} ${money.showMinor(offer.total)}`,
          }))}
          onChange={setOffer}
        />
      )}
      <SignFields {...signed} />
      <Button weight="main" onClick={accept}>
        Accept {money.showMinor(quote.offers[offerAt]?.total ?? 0)}
      </Button>
    </section>
  );
}
