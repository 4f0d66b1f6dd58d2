export {
  mayChangeJob,
  mayChangeRecord,
  mayWrite,
  readableKinds,
  readsWholeLog,
  signEntry,
  unsignedEntry,
  visibleJob,
} from "./access.ts";
export {
  type AuditLine,
  type Device,
  Email,
  INVITE_CODE,
  type Invite,
  InviteCode,
  InviteId,
  Me,
  type Member,
  PASSWORD_LENGTHS,
  Password,
  SessionId,
} from "./account.ts";
export { Changes, Topic } from "./change.ts";
export {
  CONTRACT_HEADER,
  CONTRACT_VERSION,
  CREW_HEADER,
  Crew,
  CrewSettings,
  MAX_ROOM_PRICES,
  OLDEST_CONTRACT,
  PERSON_HEADER,
  PriceBook,
} from "./crew.ts";
export { CrewFile } from "./crewFile.ts";
export {
  CLOSING_DAYS,
  type CrewRoom,
  CrewUsage,
  MAX_JOBS,
  MAX_MEMBERS,
  NEARLY_FULL,
  ROOMS,
} from "./crewUsage.ts";
export { Customer, REACHED_BY } from "./customer.ts";
export { Door } from "./door.ts";
export { DryingCases } from "./dryingCases.ts";
export {
  type Endpoint,
  type Endpoints,
  endpoints,
  type HeldJob,
  type LogPart,
  type Needs,
  type NewerJob,
  RecordChange,
  type Shelf,
  streams,
  type Visit,
} from "./endpoints/index.ts";
export { PATHS } from "./endpoints/paths.ts";
export { ApiError, Fault, faultsOf } from "./fault.ts";
export { Forecast } from "./forecast.ts";
export { Gear, type GearKind, type GearOf } from "./gear.ts";
export {
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
  SaveId,
  SiteId,
  SpotId,
  VesselId,
} from "./ids.ts";
export {
  type BatchChoice,
  Discount,
  Interview,
  Job,
  MAX_BATCHES,
  MAX_FORMER,
  MAX_PLANNED_AIR,
  MAX_ROOMS,
  MAX_WEATHER_POINTS,
  PlannedAir,
  PriceChange,
  RigChoice,
  RunChoice,
  StepPin,
  StoredJob,
  Weather,
  WorkBreak,
} from "./job.ts";
export { JobCard, JobPage, OPEN_DAYS, summarizeJob } from "./jobCard.ts";
export { JobFile } from "./jobFile.ts";
export {
  LogEntry,
  type LogEntryOf,
  MAX_LOGGED,
  MAX_NAMES,
  namesCustomer,
  withoutCustomer,
} from "./logEntry.ts";
export { LoggerQuery, LoggerReading } from "./logger.ts";
export { type MergedJob, mergeJobs } from "./mergeJobs.ts";
export { Day, Instant } from "./moment.ts";
export { MAX_PHOTO_BYTES, PHOTO_SIDE, PHOTO_TYPES, Photo, PhotoFacts } from "./photo.ts";
export { Product, Strength } from "./product.ts";
export { Air, RelativeHumidity, Temperature } from "./quantity.ts";
export { MAX_OFFERS, Offer, type OfferLine, PAID_BY, QuotedBook, Signature } from "./quoteEntries.ts";
export { may, type Permission, ROLES, Role } from "./role.ts";
export { AirMover, Part, Room, RoomShape, Zones } from "./room.ts";
export { forgottenSite, Site, withoutKeySafe } from "./site.ts";
export { isSouthern } from "./southern.ts";
export { Spot } from "./spot.ts";
export { Stock, StockLot, type StockUse } from "./stock.ts";
export { parseTolerantly } from "./tolerant.ts";
export { Vessel } from "./vessel.ts";
export { isKnownZone, momentAt, utcOffset, wallTime, Zone } from "./zone.ts";
