import { expect, test } from "@jest/globals";
import { moneyFormat, rateText } from "./money.ts";

test("a code is written as its language writes it, with its own number of places; a sign stands before the figure", () => {
  const shown = (currency: string | undefined, amount: number, locale = "en-GB") =>
    moneyFormat(currency, locale).show(amount).replaceAll("\u00a0", " ");
  expect(shown("GBP", 1234.5)).toBe("£1,234.50");
  expect(shown("EUR", 1234.5, "de-DE")).toBe("1.234,50 €");
  expect(shown("JPY", 4500, "en-GB")).toBe("JP¥4,500");
  expect(shown("€", 12.5)).toBe("€12.50");
  expect(shown("Fr", -12.5)).toBe("−Fr 12.50");
  expect(shown(undefined, 3)).toBe("3.00");
  expect(["GBP", "JPY", "KWD", "€", undefined].map((each) => moneyFormat(each).digits)).toEqual([
    2, 0, 3, 2, 2,
  ]);
  expect(moneyFormat("JPY", "en-GB").showMinor(4500)).toBe(shown("JPY", 4500));
  expect(moneyFormat("KWD", "en-GB").showMinor(1500)).toBe(moneyFormat("KWD", "en-GB").show(1.5));
});

test("a rate is shown to its last decimal", () => {
  expect([0.2, 0.0825, 0.07].map(rateText)).toEqual(["20%", "8.25%", "7%"]);
});
