import type { Job, Offer, RoomId } from "@scutch/contract";
import { METHOD_FIGURES } from "@scutch/core/clean";
import type { ScenarioPlan } from "@scutch/core/plan";
import { useEffect, useMemo, useState } from "react";
import type { MoneyFormat } from "../../format/money.ts";
import { priceLineName } from "../../format/priceLineName.ts";
import { timeAt } from "../../format/time.ts";
import type { JobDesk } from "../../planning/desk.ts";
import type { PricedWay } from "../../planning/jobPrice.ts";
import { nameById } from "../../planning/nameById.ts";
import { useWayPrices } from "../../planning/useJobPrice.ts";
import { caseOf, type WayKey, wayOf } from "../../planning/ways.ts";
import { askScenarios } from "../../planning/workerClient.ts";
import { lineMeasure } from "../../shared/prices/lineMeasure.ts";
import { useMoney } from "../../state/useMoney.ts";

/** An offer as it would be made now, and what only the crew sees. */
export interface DraftOffer {
  readonly key: WayKey;
  readonly plan: ScenarioPlan;
  /** Undefined: a line has no price, or it can’t be planned. */
  readonly offer: Offer | undefined;
  readonly perHour: number | undefined;
}

type Limits = NonNullable<Offer["limits"]>;

/** What a way can’t do: rooms its method isn’t safe for, and urine too little water reaches (common practice). */
function limitsOf({ way: { method }, rooms }: ScenarioPlan, { spots = [] }: Pick<Job, "spots">): Limits {
  if (method === undefined) return [];
  const kept = rooms.flatMap(({ roomId, barred }) => (barred ? [roomId as RoomId] : []));
  const urine = new Set(spots.flatMap(({ origin, roomId }) => (origin === "urine" ? [roomId] : [])));
  const isShallow = METHOD_FIGURES[method].wetting !== "wet";
  return [
    ...kept.map((roomId) => ({ kind: "keeps-method" as const, roomId })),
    ...(isShallow
      ? [...urine]
          .filter((roomId) => !kept.includes(roomId))
          .map((roomId) => ({ kind: "urine-may-return" as const, roomId }))
      : []),
  ];
}

/** When the last room is ready, of hours after the start; undefined where one isn’t within the time planned. */
function lastAt(hours: readonly (number | null)[], start: number): string | undefined {
  if (hours.length === 0 || hours.some((each) => each === null)) return undefined;
  const latest = Math.max(...hours.map((each) => each ?? 0));
  return new Date(Math.round(timeAt(start, latest))).toISOString();
}

/** An offer as the customer gets it. */
export function offerOf(
  plan: ScenarioPlan,
  { price }: PricedWay,
  { job, startMs }: Pick<JobDesk, "job" | "startMs">,
  money: MoneyFormat,
): Offer {
  const [walkOnAt, dryAt] = [
    lastAt(
      plan.rooms.map((room) => room.walkOnAt),
      startMs,
    ),
    lastAt(
      plan.rooms.map((room) => room.dryAt),
      startMs,
    ),
  ];
  const limits = limitsOf(plan, job);
  const roomName = (roomId: string) => nameById(job.rooms, roomId, "a room");
  return {
    ...(plan.way.method ? { method: plan.way.method } : {}),
    people: plan.way.people,
    lines: price.lines.flatMap((line) => {
      const measure = lineMeasure(line, money.show);
      return line.struck || line.amount === undefined
        ? []
        : [
            {
              id: line.id,
              name: priceLineName(line, roomName),
              ...(measure ? { measure } : {}),
              amount: line.amount,
            },
          ];
    }),
    discount: price.discount,
    tax: price.tax,
    total: price.total,
    ...(plan.finish === undefined ? {} : { seconds: Math.round(plan.finish) }),
    ...(walkOnAt ? { walkOnAt } : {}),
    ...(dryAt ? { dryAt } : {}),
    ...(limits.length > 0 ? { limits } : {}),
  };
}

/** Ways of doing the open job as offers; undefined while they are planned. */
export function useOffers(desk: JobDesk, keys: readonly WayKey[]): readonly DraftOffer[] | undefined {
  // Ranges change the desk and no offer.
  const { job, shelf, log, input, startMs, work } = desk;
  const asked = useMemo(
    () => ({ job, shelf, log, input, startMs, work }),
    [job, shelf, log, input, startMs, work],
  );
  const money = useMoney();
  const priceOf = useWayPrices(desk);
  const [planned, setPlanned] = useState<{ keys: readonly WayKey[]; plans: readonly ScenarioPlan[] }>();
  useEffect(
    () =>
      askScenarios(
        keys.map((key) => caseOf(asked, wayOf(key))),
        (plans) => setPlanned({ keys, plans }),
      ),
    [asked, keys],
  );
  if (planned?.keys !== keys) return undefined;
  return planned.plans.flatMap((plan, i) => {
    const key = keys[i];
    const priced = priceOf(plan);
    return key === undefined
      ? []
      : [{ key, plan, offer: priced && offerOf(plan, priced, desk, money), perHour: priced?.perHour }];
  });
}
