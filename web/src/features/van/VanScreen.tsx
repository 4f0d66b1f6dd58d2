import type { Gear, GearKind, Shelf, Vessel } from "@scutch/contract";
import { keysOfRecord } from "@scutch/core";
import { Plus } from "lucide-react";
import { useState } from "react";
import { usePull } from "../../device/deviceQuery.ts";
import { useJobsFrom } from "../../device/localJob.ts";
import { pullToday } from "../../device/pull.ts";
import { today } from "../../format/time.ts";
import { formatAmount } from "../../format/units.ts";
import { VESSEL_KIND_NAMES } from "../../format/words.ts";
import { VesselDialog } from "../../shared/products/VesselDialog.tsx";
import { WithShelf } from "../../shared/products/WithShelf.tsx";
import { useStock } from "../../shared/stock/useStock.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Loading } from "../../ui/States.tsx";
import { GearDialog } from "./GearDialog.tsx";
import { GEAR_FIELDS, GEAR_KIND_NAMES } from "./gearFields.ts";
import { StockSection } from "./StockSection.tsx";

type Opened =
  | { readonly what: "vessel"; readonly vessel?: Vessel }
  | { readonly what: "gear"; readonly kind: GearKind; readonly item?: Gear };

const KINDS = keysOfRecord(GEAR_KIND_NAMES);

/** A figure of a thing by the name of its field; each kind has its own. */
function figureOf(item: Gear, key: string): number {
  const figures: Readonly<Record<string, unknown>> = item;
  const value = figures[key];
  return typeof value === "number" ? value : 0;
}

/** What is in the van: what to load and order for the jobs to come, stock by lot, vessels, and everything else by kind. */
export function VanScreen() {
  return <WithShelf what="van">{(shelf) => <OpenVan shelf={shelf} />}</WithShelf>;
}

function OpenVan({ shelf }: { readonly shelf: Shelf }) {
  const units = useUnits();
  const stock = useStock();
  const day = today();
  usePull(`today ${day}`, ({ db, send }) => pullToday(db, send, day));
  const jobs = useJobsFrom(day);
  const [opened, setOpened] = useState<Opened>();
  const close = () => setOpened(undefined);
  return (
    <div className="px-4 pt-4 pb-10 sm:px-7 sm:pt-6">
      <h1 className="font-bold text-2xl">Van</h1>
      <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-2">
        <div>
          {stock ? <StockSection shelf={shelf} stock={stock} jobs={jobs} /> : <Loading what="the stock" />}
        </div>
        <div className="grid grid-cols-1 content-start gap-6">
          <Group title="Sprayers and tanks" onAdd={() => setOpened({ what: "vessel" })}>
            {shelf.vessels.map((vessel) => (
              <Item
                key={vessel.id}
                name={vessel.name}
                figures={[
                  VESSEL_KIND_NAMES[vessel.kind ?? "pump-sprayer"],
                  formatAmount(units.volume(vessel.nominal)),
                ]}
                onOpen={() => setOpened({ what: "vessel", vessel })}
              />
            ))}
          </Group>
          {KINDS.map((kind) => (
            <Group key={kind} title={GEAR_KIND_NAMES[kind]} onAdd={() => setOpened({ what: "gear", kind })}>
              {shelf.gear
                .filter((item) => item.kind === kind)
                .map((item) => (
                  <Item
                    key={item.id}
                    name={item.name}
                    figures={[
                      item.count === 0 ? "not in the van" : `${item.count} ×`,
                      ...GEAR_FIELDS[kind].map((field) => field.show(figureOf(item, field.key), units)),
                    ]}
                    onOpen={() => setOpened({ what: "gear", kind, item })}
                  />
                ))}
            </Group>
          ))}
        </div>
      </div>
      {opened?.what === "vessel" && (
        <VesselDialog {...(opened.vessel ? { vessel: opened.vessel } : {})} onClose={close} />
      )}
      {opened?.what === "gear" && (
        <GearDialog kind={opened.kind} {...(opened.item ? { item: opened.item } : {})} onClose={close} />
      )}
    </div>
  );
}

function Group({
  title,
  onAdd,
  children,
}: {
  readonly title: string;
  readonly onAdd: () => void;
  readonly children: React.ReactNode;
}) {
  return (
    <section aria-label={title}>
      <div className="flex flex-wrap items-center justify-between gap-x-4 border-ink border-b-2">
        <h2 className="font-bold text-lg">{title}</h2>
        <Button weight="quiet" onClick={onAdd} aria-label={`Add: ${title}`}>
          <Plus aria-hidden size={18} /> Add
        </Button>
      </div>
      <ul>{children}</ul>
    </section>
  );
}

function Item({
  name,
  figures,
  onOpen,
}: {
  readonly name: string;
  readonly figures: readonly string[];
  readonly onOpen: () => void;
}) {
  return (
    <li className="border-rule border-b">
      <button
        type="button"
        onClick={onOpen}
        className="flex min-h-12 w-full flex-wrap items-center justify-between gap-x-4 py-1 text-left"
      >
        <span className="font-semibold">{name}</span>
        <span className="font-mono text-sm text-soft">{figures.join(" · ")}</span>
      </button>
    </li>
  );
}
