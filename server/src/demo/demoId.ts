import {
  BatchId,
  CrewId,
  CustomerId,
  DoorId,
  EntryId,
  GearId,
  JobId,
  LotId,
  PersonId,
  PhotoId,
  ProductId,
  RoomId,
  SiteId,
  SpotId,
  VesselId,
} from "@scutch/contract";

const KINDS = {
  crew: CrewId,
  site: SiteId,
  product: ProductId,
  vessel: VesselId,
  job: JobId,
  room: RoomId,
  batch: BatchId,
  entry: EntryId,
  door: DoorId,
  spot: SpotId,
  photo: PhotoId,
  gear: GearId,
  lot: LotId,
  customer: CustomerId,
  person: PersonId,
} as const;
type Kind = keyof typeof KINDS;

/** The same UUID v7 every time for the n-th demo thing of a kind, so that tests and pictures can name it. */
export function demoId<K extends Kind>(kind: K, n: number): ReturnType<(typeof KINDS)[K]["parse"]> {
  const place = Object.keys(KINDS).indexOf(kind).toString(16);
  const text = `01930000-0000-7000-8${place}00-${n.toString(16).padStart(12, "0")}`;
  return KINDS[kind].parse(text) as ReturnType<(typeof KINDS)[K]["parse"]>;
}
