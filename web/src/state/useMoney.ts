import { useAppSelector } from "./store.ts";

/** A price as the crew writes its money: `€12.50`, `CHF 12.50`; without a currency the figure alone. */
export function useMoney(): (price: number) => string {
  const currency = useAppSelector((state) => state.crew.settings?.currency);
  return (price) => {
    const figure = price.toFixed(2);
    if (currency === undefined) return figure;
    return /\p{L}$/u.test(currency) ? `${currency}\u00a0${figure}` : `${currency}${figure}`;
  };
}
