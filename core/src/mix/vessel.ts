/** Something a mix is made in. Volumes in m³. */
export interface Vessel {
  /** To the brim as sold. */
  readonly nominal: number;
  /** What the pump can't draw. */
  readonly heel: number;
  /** Left empty above for foam and for pressure. */
  readonly headSpace: number;
  /** Marks on its side: water is measured to these. */
  readonly graduation: number;
  /** What its nozzle gives while spraying, m³/s; limits a fill to what can be sprayed within the pot life. */
  readonly sprayFlow: number;
}

/** What one fill can put on the floor, m³: nominal − heel − head space. Not above zero: the vessel is no use. */
export function usableVolume(vessel: Vessel): number {
  return vessel.nominal - vessel.heel - vessel.headSpace;
}
