import type { JobId, Photo, PhotoId } from "@scutch/contract";
import {
  char,
  datetime,
  foreignKey,
  index,
  int,
  mysqlTable,
  primaryKey,
  varchar,
} from "drizzle-orm/mysql-core";
import { uuid } from "../../db/columns.ts";
import { jobs } from "../job/table.ts";

/** What each picture is of; the picture itself is a file under its id. Rooms and spots are named, not referenced. */
export const photos = mysqlTable(
  "photos",
  {
    crewId: uuid("crew_id").notNull(),
    id: uuid("id").$type<PhotoId>().notNull(),
    jobId: uuid("job_id").$type<JobId>().notNull(),
    roomId: uuid("room_id").$type<NonNullable<Photo["roomId"]>>(),
    spotId: uuid("spot_id").$type<NonNullable<Photo["spotId"]>>(),
    moment: varchar("moment", { length: 12 }).$type<Photo["moment"]>().notNull(),
    takenAt: datetime("taken_at", { fsp: 3 }).notNull(),
    by: varchar("taken_by", { length: 120 }),
    importedBy: varchar("imported_by", { length: 120 }),
    width: int("width_px").notNull(),
    height: int("height_px").notNull(),
    /** Of the picture as it is kept; NULL for pictures from before it was counted. */
    bytes: int("bytes"),
    /** SHA-256 of the bytes as sent, hexadecimal; NULL for pictures from before it was kept. */
    sha256: char("sha256", { length: 64 }),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.id] }),
    foreignKey({
      name: "photos_job",
      columns: [table.crewId, table.jobId],
      foreignColumns: [jobs.crewId, jobs.id],
    }),
    index("photos_by_job").on(table.crewId, table.jobId, table.takenAt),
  ],
);
