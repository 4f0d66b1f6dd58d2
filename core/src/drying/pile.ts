/** Diffusivity of water vapour in air near 20 °C, m²/s, and the share of the pile that is open to it (assumption). */
const VAPOUR_DIFFUSIVITY = 2.6e-5;
const POROSITY = 0.6;
/** Free water below which the tips of the pile are dry, kg/m² per metre of pile (0.0125 kg/m² per mm; assumption). */
const CRITICAL_WATER_PER_PILE = 12.5;

/** Free water at which the tips of the pile run dry, kg/m²: m_c = 0.0125 kg/m² per mm of pile. */
export function criticalWater(pileHeight: number): number {
  return CRITICAL_WATER_PER_PILE * pileHeight;
}

/** Resistance, s/m, of the dry layer above a drying front that has receded the share `s` of the pile: R = s δ/(0.6 D). */
export function dryLayerResistance(pileHeight: number, recededShare: number): number {
  return (recededShare * pileHeight) / (POROSITY * VAPOUR_DIFFUSIVITY);
}
