/**
 * Capacity of a household dehumidifier away from its rating point (26.7 °C, 60 %), as a share of the rated one,
 * at `temperature` °C and `relativeHumidity` 0…1; never below 0. The default curve in the EnergyPlus example files (memory).
 */
export function dehumidifierCapacity(temperature: number, relativeHumidity: number): number {
  const T = temperature;
  const percent = 100 * relativeHumidity;
  const share =
    -1.162525707 +
    0.02271469 * T -
    0.000113208 * T * T +
    0.021110538 * percent -
    0.0000693034 * percent * percent +
    0.000378843 * T * percent;
  return Math.max(0, share);
}
