import type { Door, Interview, Part, Room, Spot, Strength } from "@scutch/contract";
import {
  boolean,
  char,
  date,
  double,
  foreignKey,
  index,
  int,
  mysqlTable,
  primaryKey,
  varchar,
} from "drizzle-orm/mysql-core";
import { uuid } from "../../db/columns.ts";
import { crews } from "../crew/table.ts";
import { products } from "../product/table.ts";
import { sites } from "../site/table.ts";
import { vessels } from "../vessel/table.ts";

export const jobs = mysqlTable(
  "jobs",
  {
    crewId: uuid("crew_id")
      .notNull()
      .references(() => crews.id),
    id: uuid("id").notNull(),
    version: int("version").notNull(),
    siteId: uuid("site_id").notNull(),
    title: varchar("title", { length: 120 }).notNull(),
    day: date("day", { mode: "string" }).notNull(),
    startsAt: char("starts_at", { length: 5 }).notNull(),
    indoorTemperature: double("indoor_temperature_c"),
    indoorHumidity: double("indoor_relative_humidity"),
    outdoorTemperature: double("outdoor_temperature_c"),
    outdoorHumidity: double("outdoor_relative_humidity"),
    lastCleaned: varchar("last_cleaned", { length: 24 }).$type<NonNullable<Interview["lastCleaned"]>>(),
    detergentLeft: boolean("detergent_left"),
    pets: boolean("pets"),
    urine: boolean("urine"),
    occupancy: varchar("occupancy", { length: 12 }).$type<NonNullable<Interview["occupancy"]>>(),
    wandId: uuid("wand_id"),
    blowerId: uuid("blower_id"),
    hoseId: uuid("hose_id"),
    bends: int("hose_bends"),
    wetStrokes: int("wet_strokes"),
    dryStrokes: int("dry_strokes"),
    strokeSpeed: double("stroke_speed_m_per_s"),
    solutionId: uuid("solution_tank_id"),
    recoveryId: uuid("recovery_tank_id"),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.id] }),
    foreignKey({
      name: "jobs_site",
      columns: [table.crewId, table.siteId],
      foreignColumns: [sites.crewId, sites.id],
    }),
    index("jobs_by_day").on(table.crewId, table.day, table.id),
  ],
);

/** A choice of product and vessel. What it comes to is computed when read. */
export const batches = mysqlTable(
  "batches",
  {
    crewId: uuid("crew_id").notNull(),
    jobId: uuid("job_id").notNull(),
    id: uuid("id").notNull(),
    position: int("position").notNull(),
    productId: uuid("product_id").notNull(),
    vesselId: uuid("vessel_id").notNull(),
    measure: double("measure_m3").notNull(),
    strengthSpelling: varchar("strength_spelling", { length: 20 }).$type<Strength["spelling"]>(),
    strengthValue: double("strength_value"),
    tipId: uuid("tip_id"),
    carried: double("carried_m3"),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.jobId, table.id] }),
    foreignKey({
      name: "batches_job",
      columns: [table.crewId, table.jobId],
      foreignColumns: [jobs.crewId, jobs.id],
    }),
    foreignKey({
      name: "batches_product",
      columns: [table.crewId, table.productId],
      foreignColumns: [products.crewId, products.id],
    }),
    foreignKey({
      name: "batches_vessel",
      columns: [table.crewId, table.vesselId],
      foreignColumns: [vessels.crewId, vessels.id],
    }),
  ],
);

/** What rides on a batch. */
export const batchBoosters = mysqlTable(
  "batch_boosters",
  {
    crewId: uuid("crew_id").notNull(),
    jobId: uuid("job_id").notNull(),
    batchId: uuid("batch_id").notNull(),
    position: int("position").notNull(),
    productId: uuid("product_id").notNull(),
    strengthSpelling: varchar("strength_spelling", { length: 20 }).$type<Strength["spelling"]>(),
    strengthValue: double("strength_value"),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.jobId, table.batchId, table.position] }),
    foreignKey({
      name: "boosters_batch",
      columns: [table.crewId, table.jobId, table.batchId],
      foreignColumns: [batches.crewId, batches.jobId, batches.id],
    }).onDelete("cascade"),
    foreignKey({
      name: "boosters_product",
      columns: [table.crewId, table.productId],
      foreignColumns: [products.crewId, products.id],
    }),
  ],
);

export const rooms = mysqlTable(
  "rooms",
  {
    crewId: uuid("crew_id").notNull(),
    jobId: uuid("job_id").notNull(),
    id: uuid("id").notNull(),
    position: int("position").notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    shape: varchar("shape", { length: 12 }).$type<Room["shape"]["kind"]>().notNull(),
    length: double("length_m"),
    width: double("width_m"),
    wingLength: double("wing_length_m"),
    wingWidth: double("wing_width_m"),
    rightWingLength: double("right_wing_length_m"),
    rightWingWidth: double("right_wing_width_m"),
    area: double("area_m2"),
    steps: int("steps"),
    tread: double("tread_m"),
    riser: double("riser_m"),
    winders: int("winders"),
    runner: double("runner_m"),
    laneShare: double("lane_share"),
    laneWidth: double("lane_width_m"),
    laneLength: double("lane_length_m"),
    edgeShare: double("edge_share"),
    edgeWidth: double("edge_width_m"),
    edgeLength: double("edge_length_m"),
    level: int("level"),
    passage: boolean("passage"),
    turned: boolean("turned"),
    nudgeX: double("nudge_x_m"),
    nudgeY: double("nudge_y_m"),
    height: double("height_m"),
    covering: varchar("covering", { length: 20 }).$type<NonNullable<Room["covering"]>>(),
    fibre: varchar("fibre", { length: 20 }).$type<NonNullable<Room["fibre"]>>(),
    identifiedBy: varchar("identified_by", { length: 20 }).$type<NonNullable<Room["identifiedBy"]>>(),
    backing: varchar("backing", { length: 20 }).$type<NonNullable<Room["backing"]>>(),
    age: double("age_years"),
    soilNature: varchar("soil_nature", { length: 12 }).$type<NonNullable<Room["soilNature"]>>(),
    wear: varchar("wear", { length: 12 }).$type<NonNullable<Room["wear"]>>(),
    pileHeight: double("pile_height_m"),
    faceWeight: double("face_weight_kg_per_m2"),
    soil: int("soil").$type<NonNullable<Room["soil"]>>(),
    method: varchar("method", { length: 20 }).$type<NonNullable<Room["method"]>>(),
    padAfter: boolean("pad_after"),
    rate: double("rate_m3_per_m2"),
    batchId: uuid("batch_id"),
    airTemperature: double("air_temperature_c"),
    airHumidity: double("air_relative_humidity"),
    windows: varchar("windows", { length: 20 }).$type<NonNullable<Room["windows"]>>(),
    airSpeed: double("air_speed_m_per_s"),
    dehumidifierLitresPerDay: double("dehumidifier_l_per_day"),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.jobId, table.id] }),
    foreignKey({
      name: "rooms_job",
      columns: [table.crewId, table.jobId],
      foreignColumns: [jobs.crewId, jobs.id],
    }),
    foreignKey({
      name: "rooms_batch",
      columns: [table.crewId, table.jobId, table.batchId],
      foreignColumns: [batches.crewId, batches.jobId, batches.id],
    }),
  ],
);

export const roomAirMovers = mysqlTable(
  "room_air_movers",
  {
    crewId: uuid("crew_id").notNull(),
    jobId: uuid("job_id").notNull(),
    roomId: uuid("room_id").notNull(),
    position: int("position").notNull(),
    flow: double("flow_m3_per_s").notNull(),
    jetSpeed: double("jet_speed_m_per_s").notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.jobId, table.roomId, table.position] }),
    foreignKey({
      name: "air_movers_room",
      columns: [table.crewId, table.jobId, table.roomId],
      foreignColumns: [rooms.crewId, rooms.jobId, rooms.id],
    }).onDelete("cascade"),
  ],
);

/** Alcoves, landings, hearths and fixed units. */
export const roomParts = mysqlTable(
  "room_parts",
  {
    crewId: uuid("crew_id").notNull(),
    jobId: uuid("job_id").notNull(),
    roomId: uuid("room_id").notNull(),
    position: int("position").notNull(),
    kind: varchar("kind", { length: 12 }).$type<Part["kind"]>().notNull(),
    width: double("width_m").notNull(),
    depth: double("depth_m").notNull(),
    wall: varchar("wall", { length: 8 }).$type<NonNullable<Part["wall"]>>(),
    offset: double("offset_m"),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.jobId, table.roomId, table.position] }),
    foreignKey({
      name: "parts_room",
      columns: [table.crewId, table.jobId, table.roomId],
      foreignColumns: [rooms.crewId, rooms.jobId, rooms.id],
    }).onDelete("cascade"),
  ],
);

export const doors = mysqlTable(
  "doors",
  {
    crewId: uuid("crew_id").notNull(),
    jobId: uuid("job_id").notNull(),
    id: uuid("id").notNull(),
    position: int("position").notNull(),
    from: uuid("from_room_id").notNull(),
    /** NULL: the way out. */
    to: uuid("to_room_id"),
    wall: varchar("wall", { length: 8 }).$type<NonNullable<Door["wall"]>>(),
    offset: double("offset_m"),
    shut: boolean("shut"),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.jobId, table.id] }),
    foreignKey({
      name: "doors_from",
      columns: [table.crewId, table.jobId, table.from],
      foreignColumns: [rooms.crewId, rooms.jobId, rooms.id],
    }).onDelete("cascade"),
    foreignKey({
      name: "doors_to",
      columns: [table.crewId, table.jobId, table.to],
      foreignColumns: [rooms.crewId, rooms.jobId, rooms.id],
    }).onDelete("cascade"),
  ],
);

export const spots = mysqlTable(
  "spots",
  {
    crewId: uuid("crew_id").notNull(),
    jobId: uuid("job_id").notNull(),
    id: uuid("id").notNull(),
    position: int("position").notNull(),
    roomId: uuid("room_id").notNull(),
    x: double("x_share").notNull(),
    y: double("y_share").notNull(),
    across: double("across_m").notNull(),
    origin: varchar("origin", { length: 20 }).$type<Spot["origin"]>().notNull(),
    known: varchar("known", { length: 12 }).$type<Spot["known"]>().notNull(),
    nature: varchar("nature", { length: 12 }).$type<Spot["nature"]>().notNull(),
    age: varchar("age", { length: 12 }).$type<Spot["age"]>().notNull(),
    uv: varchar("uv", { length: 12 }).$type<NonNullable<Spot["uv"]>>(),
  },
  (table) => [
    primaryKey({ columns: [table.crewId, table.jobId, table.id] }),
    foreignKey({
      name: "spots_room",
      columns: [table.crewId, table.jobId, table.roomId],
      foreignColumns: [rooms.crewId, rooms.jobId, rooms.id],
    }).onDelete("cascade"),
  ],
);
