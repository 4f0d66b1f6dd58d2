import { useMemo } from "react";
import { type MoneyFormat, moneyFormat } from "../format/money.ts";
import { useAppSelector } from "./store.ts";

/** The crew's money, as it is written. */
export function useMoney(): MoneyFormat {
  const currency = useAppSelector((state) => state.crew.settings?.currency);
  return useMemo(() => moneyFormat(currency), [currency]);
}
