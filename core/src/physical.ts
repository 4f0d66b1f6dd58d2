/** Densities every room takes the same, kg/m³: water (and a mix of it) near 20 °C, dry air near 20 °C at sea level. */
export const WATER_DENSITY = 1000;
export const AIR_DENSITY = 1.2;
