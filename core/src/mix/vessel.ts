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
  /** A pump sprayer where absent. */
  readonly kind?: VesselKind | undefined;
}

/** What one fill can put on the floor, m³: nominal − heel − head space. Not above zero: the vessel is no use. */
export function usableVolume(vessel: Vessel): number {
  return vessel.nominal - vessel.heel - vessel.headSpace;
}

export const VESSEL_KINDS = [
  "pump-sprayer",
  "battery-sprayer",
  "injection-sprayer",
  "on-board-tank",
  "solution-tank",
  "recovery-tank",
] as const;
export type VesselKind = (typeof VESSEL_KINDS)[number];
const OPEN: readonly (VesselKind | undefined)[] = ["on-board-tank", "solution-tank", "recovery-tank"];

/** Whether gas can't get out of it: a sprayer or a bottle; what nobody has said is taken for one. */
export const isClosed = ({ kind }: Pick<Vessel, "kind">): boolean => !OPEN.includes(kind);

/** Tanks of a machine aren't mixed in. */
export const isForMixing = ({ kind }: Pick<Vessel, "kind">): boolean =>
  kind !== "solution-tank" && kind !== "recovery-tank";

/** An injection sprayer wants a tip chosen with it: it is never taken or proposed by itself. */
export const mixesWithoutTip = (vessel: Pick<Vessel, "kind">): boolean =>
  isForMixing(vessel) && vessel.kind !== "injection-sprayer";
