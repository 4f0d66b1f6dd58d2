import type { CrewSettings } from "@scutch/contract";
import { decimal, fromSi, toSi } from "@scutch/core/quantity";
import { DEFAULT_PACE } from "@scutch/core/run";
import { listReader, mapReading, nameReader, numberReader, quantityReader } from "../../format/readers.ts";
import { percent } from "../../format/units.ts";
import { useLearnedPace } from "../../planning/learnedPace.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { MomentField } from "../../ui/MomentField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";

interface Props {
  readonly settings: CrewSettings;
  readonly set: (change: Partial<CrewSettings>) => void;
}

/** What is learned from the runs logged step by step. */
const LEARNED = [
  { key: "vacuum", what: "vacuumed" },
  { key: "spray", what: "sprayed" },
  { key: "overhead", what: "set-up, moving and talking" },
] as const;
type Pace = NonNullable<CrewSettings["pace"]>;
const HOUR = 3600;

/** Who works in the crew, how it tells hours and money, when its day starts and how fast it works. */
export function CrewHabits({ settings, set }: Props) {
  const units = useUnits();
  const area = units.system === "metric" ? "m2" : "ft2";
  const { pace = {} } = settings;
  const learned = useLearnedPace(settings.pace);
  const setPace = (change: Partial<Pace>) => {
    const next = { ...pace, ...change };
    const said = Object.values(next).some((value) => value !== undefined);
    set({ pace: said ? next : undefined });
  };
  const perHour = (label: string, field: "vacuum" | "spray") => (
    <QuantityField
      label={label}
      value={pace[field]}
      assumed={DEFAULT_PACE[field]}
      show={(rate) => `${decimal(fromSi(rate * HOUR, area), 0)}`}
      read={(text) =>
        mapReading(numberReader(1, 50_000, "Enter how much per hour, like 360.")(text), (value) => ({
          value: toSi(value, area) / HOUR,
        }))
      }
      onChange={(rate) => void setPace({ [field]: rate })}
    />
  );
  return (
    <>
      <QuantityField
        label="Phone or mail for customers"
        words
        value={settings.contact}
        show={String}
        read={(text) => {
          const read = nameReader(text);
          if ("error" in read || read.value.length <= 200) return read;
          return { error: "Too long. Use 200 characters at most." };
        }}
        placeholder="01632 960 114"
        onChange={(contact) => void set({ contact })}
        hint="On quotes and hand-over pages."
      />
      <QuantityField<readonly string[]>
        label="Crew members"
        words
        value={settings.people}
        show={(people) => people.join(", ")}
        read={listReader(nameReader, /\s*[,;]\s*/)}
        placeholder="Osei, Mira"
        onChange={(people) => void set({ people: people && [...people].slice(0, 30) })}
        hint="Suggested where a name is needed."
      />
      <Segmented<"24" | "12">
        label="Times"
        value={settings.clock ?? "24"}
        options={[
          { value: "24", name: "16:20" },
          { value: "12", name: "4:20 PM" },
        ]}
        onChange={(clock) => set({ clock })}
      />
      <div className="grid grid-cols-2 gap-3">
        <MomentField
          label="Day starts at"
          type="time"
          value={settings.dayStart ?? "09:00"}
          onChange={(dayStart) => set({ dayStart })}
        />
        <QuantityField
          label="Currency"
          words
          value={settings.currency}
          show={String}
          read={(text) => {
            const read = nameReader(text);
            if ("error" in read || read.value.length <= 6) return read;
            return { error: "Enter a code or a sign, like GBP or €." };
          }}
          placeholder="GBP, EUR, CHF"
          onChange={(currency) => void set({ currency })}
        />
      </div>
      <fieldset>
        <legend className="text-sm text-soft">Crew pace (typical if blank)</legend>
        <div className="mt-1 grid grid-cols-2 gap-3">
          {perHour(`Vacuuming per hour, ${area === "m2" ? "m²" : "sq ft"}`, "vacuum")}
          {perHour(`Pre-spray per hour, ${area === "m2" ? "m²" : "sq ft"}`, "spray")}
          <QuantityField
            label="Set-up, moving, talking"
            value={pace.overhead}
            assumed={DEFAULT_PACE.overhead}
            show={percent}
            read={(text) => {
              const read = quantityReader("share", "percent")(text);
              if ("error" in read || (read.value >= 0 && read.value <= 3)) return read;
              return { error: "0 to 300%, on top of the steps." };
            }}
            onChange={(overhead) => void setPace({ overhead })}
          />
        </div>
        {LEARNED.map(({ key, what }) => {
          const own = learned?.[key];
          if (!own) return null;
          const shown =
            key === "overhead"
              ? percent(own.value)
              : `${decimal(fromSi(own.value * HOUR, area), 0)} ${area === "m2" ? "m²" : "sq ft"} per hour`;
          return (
            <p key={key} className="mt-2 flex flex-wrap items-center gap-x-3">
              <span>
                Your last {own.jobs} jobs: {what} <strong className="font-mono">{shown}</strong>.
              </span>
              <Button weight="quiet" onClick={() => setPace({ [key]: own.value })}>
                Use this
              </Button>
            </p>
          );
        })}
      </fieldset>
    </>
  );
}
