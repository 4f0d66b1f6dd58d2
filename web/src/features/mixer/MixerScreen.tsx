import {
  completeMix,
  concentratePerWater,
  dilutedShare,
  type KnownMix,
  strengthFrom,
  volumeToDilute,
} from "@scutch/core/mix";
import { useState } from "react";
import type { FieldResult } from "../../format/readers.ts";
import { mapReading, quantityReader, strengthReader } from "../../format/readers.ts";
import { formatAmount, labelSpelling, percent } from "../../format/units.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { PairCheck } from "./Together.tsx";

const FAULTS = {
  "two-needed": "Enter any two to get the rest.",
  "one-too-many": "Enter only two: clear one.",
  "more-than-the-whole": "That’s more than the whole. Check the amounts.",
} as const;

/** A mix outside any job: any two of strength, concentrate, water and total give the rest. */
export function MixerScreen() {
  const [kind, setKind] = useState<"mix" | "down">("mix");
  return (
    <div className="max-w-2xl px-4 pt-4 pb-10 sm:px-7 sm:pt-6">
      <h1 className="font-bold text-2xl">Mixer</h1>
      <p className="mt-1 mb-4 text-soft">For one-off mixes. The label says which strengths are allowed.</p>
      <Segmented
        label="Calculate"
        labelHidden
        value={kind}
        options={[
          { value: "mix", name: "Concentrate and water" },
          { value: "down", name: "Dilute a percentage" },
        ]}
        onChange={setKind}
      />
      <div className="mt-4">{kind === "mix" ? <AnyTwo /> : <TakenDown />}</div>
      <PairCheck />
    </div>
  );
}

function AnyTwo() {
  const units = useUnits();
  const [known, setKnown] = useState<KnownMix>({});
  const result = completeMix(known);
  const mix = result.ok ? result.mix : undefined;
  const set = (change: KnownMix): undefined => void setKnown((before) => ({ ...before, ...change }));
  const positive = (read: FieldResult<number>): FieldResult<number> =>
    "value" in read && !(read.value > 0) ? { error: "Enter more than 0." } : read;
  const ratio = (c: number) =>
    c >= 1e-5 && c <= 1 ? labelSpelling(strengthFrom(c, "one-to-n")) : `${c.toPrecision(3)} : 1`;
  return (
    <div className="grid gap-4">
      <div className="grid grid-cols-2 gap-3">
        <QuantityField
          label="Strength"
          value={known.strength}
          show={ratio}
          placeholder={mix ? ratio(mix.strength) : "1:24"}
          read={(text) =>
            mapReading(strengthReader(undefined, false)(text), (read) => ({
              value: concentratePerWater(read),
            }))
          }
          onChange={(strength) => set({ strength })}
        />
        <QuantityField
          label="Concentrate"
          placeholder={mix ? formatAmount(units.amount(mix.concentrate)) : ""}
          value={known.concentrate}
          show={(value) => formatAmount(units.amount(value))}
          read={(text) => positive(quantityReader("volume", units.bare.amount)(text))}
          onChange={(concentrate) => set({ concentrate })}
        />
        <QuantityField
          label="Water"
          placeholder={mix ? formatAmount(units.volume(mix.water)) : ""}
          value={known.water}
          show={(value) => formatAmount(units.volume(value))}
          read={(text) => positive(quantityReader("volume", units.bare.volume)(text))}
          onChange={(water) => set({ water })}
        />
        <QuantityField
          label="Total"
          placeholder={mix ? formatAmount(units.volume(mix.total)) : ""}
          value={known.total}
          show={(value) => formatAmount(units.volume(value))}
          read={(text) => positive(quantityReader("volume", units.bare.volume)(text))}
          onChange={(total) => set({ total })}
        />
      </div>
      {mix ? (
        <Callout tone="advice">
          <p className="font-bold font-mono text-2xl">
            {formatAmount(units.volume(mix.water))} of water, then{" "}
            {formatAmount(units.amount(mix.concentrate))}
          </p>
          <p>
            {ratio(mix.strength)} · {units.strength(mix.strength)} · {percent(mix.concentrate / mix.total)} of
            mix
          </p>
        </Callout>
      ) : (
        <p className="text-soft">{result.ok ? "" : FAULTS[result.fault]}</p>
      )}
      <Button weight="quiet" className="justify-self-start" onClick={() => setKnown({})}>
        Clear
      </Button>
    </div>
  );
}

function TakenDown() {
  const units = useUnits();
  const [from, setFrom] = useState<number>();
  const [to, setTo] = useState<number>();
  const [total, setTotal] = useState<number>();
  const share = (text: string): FieldResult<number> => {
    const read = quantityReader("share", "percent")(text);
    if ("error" in read || (read.value > 0 && read.value <= 1)) return read;
    return { error: "Enter 0 to 100%." };
  };
  const show = (value: number) => `${(100 * value).toPrecision(3)}%`;
  const known = from !== undefined && to !== undefined && total !== undefined;
  const volume = known && to <= from ? volumeToDilute(from, to, total) : undefined;
  return (
    <div className="grid gap-4">
      <div className="grid grid-cols-3 gap-3">
        <QuantityField
          label="In the bottle"
          value={from}
          show={show}
          placeholder="15%"
          read={share}
          onChange={(value) => void setFrom(value)}
        />
        <QuantityField
          label="Target"
          value={to}
          show={show}
          placeholder="3%"
          read={share}
          onChange={(value) => void setTo(value)}
        />
        <QuantityField
          label="Total"
          value={total}
          show={(value) => formatAmount(units.amount(value))}
          read={(text) => {
            const read = quantityReader("volume", units.bare.amount)(text);
            return "value" in read && !(read.value > 0) ? { error: "Enter more than 0." } : read;
          }}
          onChange={(value) => void setTotal(value)}
        />
      </div>
      {known && volume === undefined && (
        <Callout tone="caution" title="Adding water can’t make it stronger." />
      )}
      {known && volume !== undefined && (
        <Callout tone="advice">
          <p className="font-bold font-mono text-2xl">
            {formatAmount(units.amount(total - volume))} of water, then {formatAmount(units.amount(volume))}
          </p>
          <p>{show(dilutedShare(from, volume, total))} total: C₁V₁ = C₂V₂.</p>
        </Callout>
      )}
      <p className="text-sm text-soft">
        Peroxide whitens and burns skin: wear gloves and goggles. Dilute only what the label allows, and never
        keep it in a closed bottle.
      </p>
    </div>
  );
}
