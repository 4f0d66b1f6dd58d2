import { MAX_OFFERS } from "@scutch/contract";
import { itemAt } from "@scutch/core";
import { takesMethod } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import { fromMinor } from "@scutch/core/quote";
import { Plus, Star, X } from "lucide-react";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { WAY_KEYS, type WayKey, wayOf, wayText } from "../../planning/ways.ts";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useMoney } from "../../state/useMoney.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { limitTexts, strengths } from "./quotePage.ts";
import type { DraftOffer } from "./useOffers.ts";

interface Props {
  readonly desk: JobDesk;
  readonly keys: readonly WayKey[];
  /** Undefined while they are planned. */
  readonly drafts: readonly DraftOffer[] | undefined;
  /** Place of the offer to recommend. */
  readonly recommended: number | undefined;
  readonly onKeys: (keys: readonly WayKey[]) => void;
  readonly onRecommend: (key: WayKey) => void;
}

/** Tried in this order when an offer is added, each with as many people as the first offer. */
const NEXT = ["low-moisture", "extraction", "dry-compound", "self-contained", "dry-foam"] as const;

/** The offers side by side, each with what it costs the customer and what it leaves the crew. */
export function OfferCards({ desk, keys, drafts, recommended, onKeys, onRecommend }: Props) {
  // Where every room is cleaned the same way already, that way is an offer without being added.
  const present = new Set(
    desk.work.rooms.flatMap(({ passage, covering, method }) =>
      passage || !takesMethod(covering) ? [] : [method],
    ),
  );
  const { people } = wayOf(itemAt(keys, 0));
  const next = NEXT.filter((method) => present.size !== 1 || !present.has(method))
    .map((method): WayKey => `${method} ${people}`)
    .find((key) => !keys.includes(key));
  return (
    <>
      <ul aria-label="Offers" className="grid grid-cols-1 gap-4 lg:grid-cols-3">
        {keys.map((key, i) => (
          <li
            key={key}
            className={`border-t-4 bg-paper px-4 pt-2 pb-4 ${i === recommended ? "border-accent" : "border-rule"}`}
          >
            <div className="flex items-end gap-2">
              <div className="min-w-0 flex-1">
                <ChoiceField<WayKey>
                  label={keys.length === 1 ? "Offer" : `Offer ${i + 1}`}
                  value={key}
                  options={WAY_KEYS.filter((each) => each === key || !keys.includes(each)).map((value) => ({
                    value,
                    name: wayText(wayOf(value)),
                  }))}
                  onChange={(value) => onKeys(keys.with(i, value))}
                />
              </div>
              {keys.length > 1 && (
                <button
                  type="button"
                  aria-label={`Remove offer ${i + 1}`}
                  className="grid size-12 shrink-0 place-items-center text-soft"
                  onClick={() => onKeys(keys.toSpliced(i, 1))}
                >
                  <X aria-hidden size={20} />
                </button>
              )}
            </div>
            <OfferFigures
              desk={desk}
              draft={drafts?.find((each) => each.key === key)}
              drafts={drafts ?? []}
              isRecommended={i === recommended}
              onRecommend={keys.length > 1 ? () => onRecommend(key) : undefined}
            />
          </li>
        ))}
      </ul>
      {keys.length < MAX_OFFERS && next && (
        <Button className="justify-self-start" onClick={() => onKeys([...keys, next])}>
          <Plus aria-hidden size={20} /> Add an offer
        </Button>
      )}
    </>
  );
}

interface FiguresProps {
  readonly desk: JobDesk;
  readonly draft: DraftOffer | undefined;
  readonly drafts: readonly DraftOffer[];
  readonly isRecommended: boolean;
  readonly onRecommend: (() => void) | undefined;
}

function OfferFigures({ desk, draft, drafts, isRecommended, onRecommend }: FiguresProps) {
  const money = useMoney();
  const { about } = useTimes();
  const { leastEarned } = useAppSelector(selectCrew).settings?.priceBook ?? {};
  if (!draft) return <p className="mt-3 text-soft">Planning…</p>;
  const { offer, perHour, plan } = draft;
  if (!offer)
    return (
      <p className="mt-3 text-caution-ink">
        {plan.finish === undefined ? "This way can’t be planned." : "Not all lines have a price."}
      </p>
    );
  const reasons = strengths(
    offer,
    drafts.flatMap((each) => each.offer ?? []),
  );
  const limits = limitTexts(offer, (id) => nameById(desk.job.rooms, id, "a room"));
  const isLow =
    perHour !== undefined && leastEarned !== undefined && fromMinor(perHour, money.digits) < leastEarned;
  const row = (label: string, value: string) => (
    <div className="flex justify-between gap-3 py-0.5">
      <dt className="text-soft">{label}</dt>
      <dd className="text-right font-mono">{value}</dd>
    </div>
  );
  const at = (time: string | undefined) =>
    time === undefined ? "not in 4 days" : about(Date.parse(time), desk.startMs);
  return (
    <>
      <p className="mt-2 font-bold font-mono text-3xl [overflow-wrap:anywhere]">
        {money.showMinor(offer.total)}
      </p>
      {reasons.length > 0 && <p className="text-accent">{reasons.join(", ")}</p>}
      <dl className="mt-2">
        {offer.seconds !== undefined && row("On site", formatDuration(offer.seconds))}
        {row("Touch-dry about", at(offer.walkOnAt))}
        {row("Dry by about", at(offer.dryAt))}
      </dl>
      {limits.map((limit) => (
        <p key={limit} className="mt-1 text-caution-ink">
          {limit}
        </p>
      ))}
      {perHour !== undefined && (
        <p
          className={`mt-2 flex justify-between gap-3 border-rule border-t pt-2 ${isLow ? "text-stop" : ""}`}
        >
          <span>{isLow ? "Earns, below your minimum" : "Earns an hour, each person"}</span>
          <span className="font-bold font-mono">{money.showMinor(perHour)}</span>
        </p>
      )}
      {onRecommend && (
        <Button weight="quiet" aria-pressed={isRecommended} onClick={onRecommend} className="mt-1">
          <Star aria-hidden size={18} fill={isRecommended ? "currentColor" : "none"} />
          {isRecommended ? "Recommended" : "Recommend this"}
        </Button>
      )}
    </>
  );
}
