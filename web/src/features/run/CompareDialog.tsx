import type { ScenarioPlan } from "@scutch/core/plan";
import { formatDuration } from "@scutch/core/quantity";
import { type ReactNode, useEffect, useState } from "react";
import { timeAt } from "../../format/time.ts";
import { formatAmount } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { useWayPrices } from "../../planning/useJobPrice.ts";
import {
  barredIn,
  caseOf,
  presentWay,
  takeWay,
  WAY_KEYS,
  type WayKey,
  wayOf,
  wayText,
} from "../../planning/ways.ts";
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

/** The same job done two ways, side by side; one tap takes one of them. */
export function CompareDialog({ desk, onClose }: Props) {
  const { job, edit, work, startMs } = desk;
  const units = useUnits();
  const { about } = useTimes();
  const money = useMoney();
  const priceOf = useWayPrices(desk);
  const asIs = presentWay(job);
  const [keys, setKeys] = useState<readonly [WayKey, WayKey]>([
    asIs,
    asIs === "as-is 1" ? "low-moisture 1" : "as-is 1",
  ]);
  const [plans, setPlans] = useState<readonly ScenarioPlan[]>();
  useEffect(() => {
    setPlans(undefined);
    return askScenarios(
      keys.map((key) => caseOf(desk, wayOf(key))),
      setPlans,
    );
  }, [desk, keys]);
  const take = (key: WayKey) => {
    const barred = plans?.[keys.indexOf(key)];
    edit((before) => takeWay(before, wayOf(key), barred ? barredIn(barred) : new Set(), work.rooms));
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
            options={WAY_KEYS.map((value) => ({ value, name: wayText(wayOf(value)) }))}
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
                return priced ? money.showMinor(priced.price.total) : "not complete";
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
                  rooms={plans.map(({ way, rooms }) => ({
                    keepsOwn: way.method !== undefined,
                    room: rooms.find((room) => room.roomId === roomId),
                  }))}
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
  readonly rooms: readonly {
    /** A room that isn’t safe for the method keeps its own. */
    readonly keepsOwn: boolean;
    readonly room: ScenarioPlan["rooms"][number] | undefined;
  }[];
  readonly hour: (hours: number | null) => string;
}) {
  return (
    <tr className="border-rule border-t align-top">
      <th className="py-1.5 pr-2 text-left font-normal text-soft">{name}: touch-dry, dry</th>
      {rooms.map(({ room, keepsOwn }, i) => (
        <td key={String(i)} className="py-1.5 pr-2">
          {room?.barred && (
            <strong className="block text-stop">
              {keepsOwn ? "Not safe with this method: keeps its own" : "Stop: not safe with this method"}
            </strong>
          )}
          <span className="font-mono">{room ? `${hour(room.walkOnAt)}, ${hour(room.dryAt)}` : ""}</span>
        </td>
      ))}
    </tr>
  );
}
