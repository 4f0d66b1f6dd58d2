/** Least and most to charge for a flight, in the money the two prices are in, from a price range per step. */
export function flightPrice(
  steps: number,
  least: number,
  most: number,
): { readonly least: number; readonly most: number } {
  return { least: steps * least, most: steps * most };
}
