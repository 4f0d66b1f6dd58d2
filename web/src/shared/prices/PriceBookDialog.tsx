import { type CrewSettings, MAX_ROOM_PRICES, type PriceBook } from "@scutch/contract";
import { omitAbsent } from "@scutch/core";
import { METHODS } from "@scutch/core/clean";
import { fromSi, toSi } from "@scutch/core/quantity";
import { EXTRA_FACTS, EXTRAS, unitsInOne } from "@scutch/core/quote";
import { useState } from "react";
import { saveRecord } from "../../device/changes.ts";
import { rateText } from "../../format/money.ts";
import { mapReading, numberReader, quantityReader } from "../../format/readers.ts";
import { EXTRA_NAMES, METHOD_NAMES } from "../../format/words.ts";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { PriceField } from "./PriceField.tsx";
import { extraPerText, perText } from "./perUnit.ts";

/** What the crew charges and what it pays, for all its devices. */
export function PriceBookDialog({ onClose }: { readonly onClose: () => void }) {
  const { settings } = useAppSelector(selectCrew);
  return (
    <Dialog open title="Price book" onClose={onClose}>
      {settings ? (
        <BookFields settings={settings} />
      ) : (
        <p className="mt-3 text-soft">Prices aren’t on this device yet. Go online to get them.</p>
      )}
    </Dialog>
  );
}

function BookFields({ settings }: { readonly settings: CrewSettings }) {
  const shown = useUnits();
  const { prices, priceBook: book = {}, units: system = shown.system } = settings;
  const save = (change: Partial<CrewSettings>) =>
    saveRecord("settings", { ...settings, ...change }, settings);
  const set = (change: Partial<PriceBook>) => save({ priceBook: omitAbsent({ ...book, ...change }) });
  const group = "mt-1 grid grid-cols-2 gap-3";
  const sum = (
    label: string,
    field: "minimum" | "travel" | "wage" | "travelCost" | "padCost" | "leastEarned",
  ) => <PriceField label={label} value={book[field]} onChange={(value) => void set({ [field]: value })} />;
  return (
    <div className="mt-3 grid gap-5">
      <fieldset>
        <legend className="font-semibold">Cleaning, {perText("area", system)}</legend>
        <div className={group}>
          {METHODS.map((method) => (
            <PriceField
              key={method}
              label={METHOD_NAMES[method]}
              value={book.methods?.[method]}
              unitsInOne={unitsInOne("area", system)}
              onChange={(price) => void set({ methods: omitAbsent({ ...book.methods, [method]: price }) })}
            />
          ))}
        </div>
      </fieldset>
      <RoomPrices book={book} system={system} set={set} />
      <fieldset>
        <legend className="font-semibold">Each job</legend>
        <div className={group}>
          {sum("Minimum charge", "minimum")}
          {sum("Travel charge", "travel")}
        </div>
      </fieldset>
      <fieldset>
        <legend className="font-semibold">Extras</legend>
        <div className={group}>
          {EXTRAS.map((extra) => (
            <PriceField
              key={extra}
              label={`${EXTRA_NAMES[extra]}, ${extraPerText(extra, system)}`}
              value={prices[extra]}
              unitsInOne={unitsInOne(EXTRA_FACTS[extra].per, system)}
              onChange={(price) => void save({ prices: omitAbsent({ ...prices, [extra]: price }) })}
            />
          ))}
        </div>
      </fieldset>
      <TaxFields tax={book.tax} set={(tax) => set({ tax })} />
      <fieldset>
        <legend className="font-semibold">What a job costs you</legend>
        <p className="text-sm text-soft">
          Never shown to a customer. Product is counted by its pack price on the shelf.
        </p>
        <div className={group}>
          {sum("Wage, per hour and person", "wage")}
          {sum("Travel, each job", "travelCost")}
          {sum("One pad", "padCost")}
          {sum("Minimum to earn, per hour and person", "leastEarned")}
        </div>
      </fieldset>
    </div>
  );
}

interface PartProps {
  readonly book: PriceBook;
  readonly system: "metric" | "us";
  readonly set: (change: Partial<PriceBook>) => void;
}

type RoomPrice = NonNullable<PriceBook["rooms"]>[number];

/** Prices of whole rooms up to a size; the last row is for another one, which counts once both are entered. */
function RoomPrices({ book: { rooms = [] }, system, set }: PartProps) {
  const [next, setNext] = useState<Partial<RoomPrice>>({});
  const unit = system === "metric" ? "m2" : "ft2";
  const change = (index: number, said: Partial<RoomPrice>) =>
    set({ rooms: rooms.map((each, i) => (i === index ? { ...each, ...said } : each)) });
  const enter = (said: Partial<RoomPrice>) => {
    const { upTo, price } = { ...next, ...said };
    const isWhole = upTo !== undefined && price !== undefined;
    if (isWhole) set({ rooms: [...rooms, { upTo, price }] });
    setNext(isWhole ? {} : omitAbsent({ upTo, price }));
  };
  const row = (said: Partial<RoomPrice>, onChange: (change: Partial<RoomPrice>) => void) => (
    <>
      <QuantityField
        label={`Up to, ${system === "metric" ? "m²" : "sq ft"}`}
        value={said.upTo}
        placeholder="not set"
        show={(area) => String(Number(fromSi(area, unit).toFixed(1)))}
        read={(text) =>
          mapReading(numberReader(1, 99_999, "Enter a size, like 20.")(text), (area) => ({
            value: toSi(area, unit),
          }))
        }
        onChange={(upTo) => void onChange({ upTo })}
      />
      <PriceField label="For the room" value={said.price} onChange={(price) => void onChange({ price })} />
    </>
  );
  return (
    <fieldset>
      <legend className="font-semibold">Rooms up to a size</legend>
      <p className="text-sm text-soft">Whatever the method. A larger room goes by its area.</p>
      {rooms.map((each, i) => (
        // The place in the list is all that tells one from another.
        <div key={String(i)} className="mt-1 grid grid-cols-[1fr_1fr_auto] items-end gap-3">
          {row(each, ({ upTo = each.upTo, price = each.price }) => change(i, { upTo, price }))}
          <Button weight="quiet" onClick={() => set({ rooms: rooms.filter((_, at) => at !== i) })}>
            Remove
          </Button>
        </div>
      ))}
      {rooms.length < MAX_ROOM_PRICES && (
        <div key={rooms.length} className="mt-1 grid grid-cols-2 gap-3">
          {row(next, enter)}
        </div>
      )}
    </fieldset>
  );
}

function TaxFields({
  tax,
  set,
}: {
  readonly tax: PriceBook["tax"];
  readonly set: (tax: PriceBook["tax"]) => void;
}) {
  return (
    <fieldset className="grid gap-2">
      <legend className="font-semibold">Tax</legend>
      <QuantityField
        label="Rate"
        value={tax?.rate}
        placeholder="none"
        show={rateText}
        read={(text) =>
          mapReading<number, number>(quantityReader("share", "percent")(text), (rate) =>
            rate >= 0 && rate <= 1 ? { value: rate } : { error: "Enter 0 to 100%." },
          )
        }
        onChange={(rate) => void set(rate === undefined ? undefined : { included: true, ...tax, rate })}
      />
      {tax && (
        <Segmented<"in" | "on">
          label="Your prices"
          value={tax.included ? "in" : "on"}
          options={[
            { value: "in", name: "Include the tax" },
            { value: "on", name: "Tax goes on top" },
          ]}
          onChange={(way) => set({ ...tax, included: way === "in" })}
        />
      )}
    </fieldset>
  );
}
