/** Densities every room takes the same, kg/m³: water (and a mix of it) near 20 °C, dry air near 20 °C at sea level. */
export const WATER_DENSITY = 1000;
export const AIR_DENSITY = 1.2;

/** Heat capacity of air, J/(kg K); gas constant of water vapour, J/(kg K); heat of evaporation near 20 °C, J/kg. */
export const AIR_HEAT_CAPACITY = 1006;
export const VAPOUR_GAS_CONSTANT = 461.5;
export const HEAT_OF_EVAPORATION = 2.45e6;
