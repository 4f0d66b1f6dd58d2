import { valueAt } from "@scutch/core";
import type { Method } from "@scutch/core/clean";
import { byMethod, type Scenario, type ScenarioPlan, takesMethod } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import { type ReactNode, useEffect, useState } from "react";
import { timeAt } from "../../format/time.ts";
import { formatAmount } from "../../format/units.ts";
import { METHOD_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { useWayPrices } from "../../planning/useJobPrice.ts";
import { askScenarios } from "../../planning/workerClient.ts";
import { useMoney } from "../../state/useMoney.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { Dialog } from "../../ui/Dialog.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly onClose: () => void;
}

/** A way to do the job, as its choice is called. */
type Key = `${Method | "as-is"} ${number}`;
const METHODS: readonly Method[] = [
  "extraction",
  "self-contained",
  "low-moisture",
  "dry-foam",
  "dry-compound",
];
const HANDS = [1, 2];

const WAYS = new Map<Key, Scenario>(
  HANDS.flatMap((people) => [
    [`as-is ${people}`, { people }] as const,
    ...METHODS.map((method) => [`${method} ${people}`, { method, people }] as const),
  ]),
);
const wayOf = (key: Key): Scenario => valueAt(WAYS, key);
const nameOf = (key: Key) => {
  const { method, people } = wayOf(key);
  return `${method ? METHOD_NAMES[method] : "As surveyed"}, ${people === 1 ? "crew of one" : `crew of ${people}`}`;
};
const KEYS = (["as-is", ...METHODS] as const).flatMap((method) =>
  HANDS.map((people) => `${method} ${people}` as Key),
);

/** The same job done two ways, side by side; one tap takes one of them. */
export function CompareDialog({ desk, onClose }: Props) {
  const { input, job, edit, work, startMs } = desk;
  const units = useUnits();
  const { about } = useTimes();
  const money = useMoney();
  const priceOf = useWayPrices(desk);
  const asIs: Key = `as-is ${Math.min(2, job.run?.people ?? 1)}`;
  const [keys, setKeys] = useState<readonly [Key, Key]>([
    asIs,
    asIs === "as-is 1" ? "low-moisture 1" : "as-is 1",
  ]);
  const [plans, setPlans] = useState<readonly ScenarioPlan[]>();
  useEffect(() => {
    setPlans(undefined);
    return askScenarios(input, keys.map(wayOf), setPlans);
  }, [input, keys]);
  const take = (key: Key) => {
    const { method, people } = wayOf(key);
    const barred = new Set(
      plans?.[keys.indexOf(key)]?.rooms.flatMap((room) => (room.barred ? [room.roomId] : [])),
    );
    const covered = new Map(work.rooms.map((room) => [room.id, room.covering]));
    edit((before) => ({
      ...before,
      run: { ...before.run, people },
      rooms: before.rooms.map((room) =>
        method === undefined || room.passage || barred.has(room.id) || !takesMethod(covered.get(room.id))
          ? room
          : byMethod(room, method),
      ),
    }));
    onClose();
  };
  const prices = plans?.map(priceOf);
  const row = (label: string, show: (plan: ScenarioPlan, i: number) => ReactNode) => (
    <tr className="border-rule border-t">
      <th className="py-1.5 pr-2 text-left font-normal text-soft">{label}</th>
      {plans?.map((plan, i) => (
        // The two may be the same way.
        <td key={String(i)} className="py-1.5 pr-2 font-mono">
          {show(plan, i)}
        </td>
      ))}
    </tr>
  );
  const hour = (hours: number | null) =>
    hours === null ? "not within 4 days" : about(timeAt(startMs, hours), startMs);
  return (
    <Dialog open title="Compare two options" onClose={onClose}>
      <div className="mt-3 grid grid-cols-2 gap-3">
        {keys.map((key, i) => (
          <ChoiceField
            key={String(i)}
            label={i === 0 ? "Option A" : "Option B"}
            value={key}
            options={KEYS.map((value) => ({ value, name: nameOf(value) }))}
            onChange={(value) => setKeys(i === 0 ? [value, keys[1]] : [keys[0], value])}
          />
        ))}
      </div>
      {plans === undefined ? (
        <p className="mt-4 text-soft">Planning both…</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="mt-4 w-full text-sm">
            <tbody>
              {row("Done", (plan) =>
                plan.finish === undefined
                  ? "can’t be planned"
                  : about(timeAt(startMs, plan.finish / 3600), startMs),
              )}
              {row("Work time", (plan) => (plan.finish === undefined ? "" : formatDuration(plan.finish)))}
              {row("Labour hours", (plan) =>
                plan.finish === undefined ? "" : formatDuration(plan.finish * plan.way.people),
              )}
              {row("Price", (_, i) => {
                const priced = prices?.[i];
                return priced ? money.showMinor(priced.total) : "not complete";
              })}
              {row("Earns an hour, each person", (_, i) => {
                const perHour = prices?.[i]?.perHour;
                return perHour === undefined ? "" : money.showMinor(perHour);
              })}
              {row("Water", (plan) => formatAmount(units.volume(plan.water)))}
              {row(
                "Concentrate",
                (plan) =>
                  [
                    ...(plan.concentrate > 0 ? [formatAmount(units.amount(plan.concentrate))] : []),
                    ...(plan.powder > 0 ? [formatAmount(units.powder(plan.powder))] : []),
                  ].join(", ") || "none",
              )}
              {row("Fills", (plan) => plan.fills)}
              {row("Pads, maximum", (plan) => plan.pads)}
              {plans[0]?.rooms.map(({ roomId }) => (
                <RoomRow
                  key={roomId}
                  name={nameById(work.rooms, roomId, "")}
                  rooms={plans.map((plan) => plan.rooms.find((room) => room.roomId === roomId))}
                  hour={hour}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <div className="mt-4 grid grid-cols-2 gap-3">
        {keys.map((key, i) => (
          <Button key={String(i)} disabled={plans?.[i]?.finish === undefined} onClick={() => take(key)}>
            Use {i === 0 ? "option A" : "option B"}
          </Button>
        ))}
      </div>
      <p className="mt-2 text-sm text-soft">
        Used in every carpeted room it’s safe for; hard floors and coir keep theirs. Ignores work already
        done.
      </p>
    </Dialog>
  );
}

function RoomRow({
  name,
  rooms,
  hour,
}: {
  readonly name: string;
  readonly rooms: readonly (ScenarioPlan["rooms"][number] | undefined)[];
  readonly hour: (hours: number | null) => string;
}) {
  return (
    <tr className="border-rule border-t align-top">
      <th className="py-1.5 pr-2 text-left font-normal text-soft">{name}: touch-dry, dry</th>
      {rooms.map((room, i) => (
        <td key={String(i)} className="py-1.5 pr-2">
          {room?.barred ? (
            <strong className="text-stop">Stop: not safe with this method</strong>
          ) : (
            <span className="font-mono">{room ? `${hour(room.walkOnAt)}, ${hour(room.dryAt)}` : ""}</span>
          )}
        </td>
      ))}
    </tr>
  );
}
