import { amountPaid, effectiveEntries } from "@scutch/core/log";
import { useState } from "react";
import { Link } from "react-router";
import { usePull } from "../../device/deviceQuery.ts";
import { useLocalPhotos } from "../../device/localPhotos.ts";
import { pullPhotos } from "../../device/pull.ts";
import { type ClockStyle, timesIn } from "../../format/time.ts";
import { UNITS_OF, type UnitSystem } from "../../format/units.ts";
import { isWhole } from "../../planning/jobPrice.ts";
import { useDesk } from "../../planning/openDesk.ts";
import { placeOf, VISIT_MONTHS } from "../../planning/place.ts";
import { useJobPrice } from "../../planning/useJobPrice.ts";
import { useQuotes } from "../../planning/useQuotes.ts";
import { NoRooms } from "../../shared/NoRooms.tsx";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useMay } from "../../state/useMay.ts";
import { useMoney } from "../../state/useMoney.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { useNow } from "../../ui/useNow.ts";
import { HandOverSheet } from "./HandOverSheet.tsx";
import { handOverPage } from "./handOverPage.ts";
import { PaymentSection } from "./PaymentSection.tsx";
import { photoPairs } from "./photoPairs.ts";
import { ReturnField } from "./ReturnField.tsx";
import { SecondLooks } from "./SecondLooks.tsx";
import { useReturnChoice } from "./useReturnChoice.ts";
import { WalkRound } from "./WalkRound.tsx";

/** The last round with the customer, and the page they keep. */
export function HandOverScreen() {
  const desk = useDesk();
  const { job, shelf, log, work } = desk;
  const { name = "", settings } = useAppSelector(selectCrew);
  const crewUnits = useUnits();
  const [system, setSystem] = useState<UnitSystem>();
  const [style, setStyle] = useState<ClockStyle>();
  const [isShown, setShown] = useState(false);
  const now = useNow();
  const money = useMoney();
  const { site, zone } = placeOf(job, shelf);
  usePull(`photos ${job.id}`, ({ db, send }) => pullPhotos(db, send, job.id));
  const photos = useLocalPhotos(job.id);
  const price = useJobPrice(desk);
  const readsLog = useMay("read-log");
  const { agreement } = useQuotes(log);
  const comesBack = useReturnChoice(desk);
  // A page shown before all samples are in would promise hours that change a second later.
  const isWaiting = !desk.dried || desk.dried.isPending === true;
  const handedOver = effectiveEntries(log).findLast((entry) => entry.kind === "handed-over");
  const rooms = work.rooms.filter(({ passage }) => !passage);
  const open = rooms.filter(({ finishLogged }) => !finishLogged);
  if (rooms.length === 0)
    return <NoRooms title="Nothing to hand over yet." follows="the page for the customer" />;
  const isPriced = price && isWhole(price) && price.lines.length > 0;
  // What the customer accepted is what they pay, until they accept something else.
  const total = agreement?.offer.total ?? (isPriced ? price.total : undefined);
  const hasChanged = agreement !== undefined && isPriced && price.total !== agreement.offer.total;
  const paid = amountPaid(log);
  const times = timesIn(style ?? settings?.clock ?? "24", zone);
  // Written when it is shown: this screen is drawn with each entry.
  const page = () =>
    handOverPage({
      desk,
      crew: name,
      contact: settings?.contact,
      place: site?.name ?? job.title,
      times,
      units: UNITS_OF[system ?? crewUnits.system],
      money,
      now,
      photos: photoPairs(photos, job),
      total,
      paid,
      comesBack: comesBack.chosen,
      nextVisit: site?.visitMonths ?? VISIT_MONTHS,
      handedOver,
    });
  return (
    <div className="grid grid-cols-1 gap-x-8 gap-y-6 px-4 pt-5 sm:px-7 lg:grid-cols-2">
      <div className="grid content-start gap-4">
        {handedOver ? (
          <div className="border-accent border-t-4 bg-paper px-4 pt-3 pb-4">
            <h2 className="font-bold text-xl">
              {handedOver.name ? `Handed over to ${handedOver.name}` : "Left without a customer"}
            </h2>
            <p className="text-soft">{times.about(Date.parse(handedOver.at), now)}</p>
          </div>
        ) : (
          open.length > 0 && (
            <Callout tone="caution" title={`Not finished: ${open.map((room) => room.name).join(", ")}`}>
              The page says so. Log the finish in Run or Dry.
            </Callout>
          )
        )}
        {readsLog ? (
          <Button weight="main" disabled={isWaiting} onClick={() => setShown(true)}>
            {isWaiting ? "Working out the hours…" : handedOver ? "Show the page" : "Show the customer"}
          </Button>
        ) : (
          <p className="text-soft">
            The customer’s page tells hours from readings in the log, which your role doesn’t include. An
            owner or a technician shows it.
          </p>
        )}
        <WalkRound desk={desk} />
      </div>
      <div className="grid content-start gap-6">
        <SecondLooks desk={desk} />
        {!handedOver && <ReturnField {...comesBack} />}
        {hasChanged && (
          <Callout
            tone="caution"
            title={`The price is ${money.showMinor(price.total)} now, accepted was ${money.showMinor(agreement.offer.total)}.`}
          >
            The page shows the accepted price.{" "}
            <Link to={`/jobs/${job.id}/quote`} className="font-semibold text-accent underline">
              Ask again with a new quote
            </Link>
          </Callout>
        )}
        <PaymentSection desk={desk} total={total} paid={paid} />
        <section aria-label="For this customer" className="grid gap-3 border-ink border-t-2 pt-3">
          <h2 className="font-semibold">On the page</h2>
          <div className="grid grid-cols-2 gap-3">
            <Segmented<UnitSystem>
              label="Units"
              value={system ?? crewUnits.system}
              options={[
                { value: "metric", name: "Metric" },
                { value: "us", name: "US" },
              ]}
              onChange={setSystem}
            />
            <Segmented<ClockStyle>
              label="Times"
              value={style ?? settings?.clock ?? "24"}
              options={[
                { value: "24", name: "16:20" },
                { value: "12", name: "4:20 PM" },
              ]}
              onChange={setStyle}
            />
          </div>
        </section>
      </div>
      {isShown && (
        <HandOverSheet
          desk={desk}
          page={page()}
          comesBack={comesBack.chosen}
          isDone={handedOver !== undefined}
          onClose={() => setShown(false)}
        />
      )}
    </div>
  );
}
