import { z } from "zod";
import { Gear } from "./gear.ts";
import { GearId, JobId, LotId, PhotoId, ProductId, SiteId, VesselId } from "./ids.ts";
import { Job, StoredJob } from "./job.ts";
import { LogEntry } from "./logEntry.ts";
import { Photo, PhotoFacts } from "./photo.ts";
import { Product } from "./product.ts";
import { Site } from "./site.ts";
import { Stock, StockLot } from "./stock.ts";
import { Vessel } from "./vessel.ts";

/** One thing the API does. The server mounts these, the web calls them, the OpenAPI document lists them. */
export interface Endpoint {
  readonly method: "get" | "put" | "post" | "delete";
  readonly path: string;
  readonly summary: string;
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** Its body is a picture's bytes, or its answer is. */
  readonly picture?: "in" | "out";
  readonly response: z.ZodType;
  /** Statuses beside 200 that its errors come with. */
  readonly errors: readonly (400 | 403 | 404 | 409 | 413 | 415 | 422)[];
}

const endpoint = <const E extends Endpoint>(value: E): E => value;
const READ_ERRORS = [404] as const;
const WRITE_ERRORS = [400, 403, 413, 415, 422] as const;

/** A page of jobs, newest day first; `before` is the last id of the page before. */
export const JobPage = z
  .strictObject({ jobs: z.array(StoredJob), next: JobId.nullable() })
  .meta({ id: "JobPage" });

export const endpoints = {
  listJobs: endpoint({
    method: "get",
    path: "/jobs",
    summary: "Jobs, latest day first, a page at a time",
    query: z.strictObject({
      before: JobId.optional(),
      limit: z.coerce.number().int().min(1).max(100).default(50),
    }),
    response: JobPage,
    errors: [422],
  }),
  readJob: endpoint({
    method: "get",
    path: "/jobs/{jobId}",
    summary: "One job’s plan, whole, with its version",
    params: z.strictObject({ jobId: JobId }),
    response: StoredJob,
    errors: READ_ERRORS,
  }),
  saveJob: endpoint({
    method: "put",
    path: "/jobs/{jobId}",
    summary:
      "Save a job’s plan whole, in one transaction. 409 with both sides when somebody saved in between",
    params: z.strictObject({ jobId: JobId }),
    body: z.strictObject({
      baseVersion: z.int().min(0).meta({ description: "Version the change was made on; 0 for a new job" }),
      job: Job,
    }),
    response: z.strictObject({ version: z.int().min(1) }),
    errors: [...WRITE_ERRORS, 409],
  }),
  readLog: endpoint({
    method: "get",
    path: "/jobs/{jobId}/log",
    summary: "What happened on a job, in the order it happened",
    params: z.strictObject({ jobId: JobId }),
    response: z.strictObject({ entries: z.array(LogEntry) }),
    errors: READ_ERRORS,
  }),
  appendLog: endpoint({
    method: "post",
    path: "/jobs/{jobId}/log",
    summary: "Add entries; sending the same entry again changes nothing",
    params: z.strictObject({ jobId: JobId }),
    body: z.strictObject({ entries: z.array(LogEntry).min(1).max(200) }),
    response: z.strictObject({ added: z.int().min(0) }),
    errors: [...WRITE_ERRORS, 404, 409],
  }),
  listPhotos: endpoint({
    method: "get",
    path: "/jobs/{jobId}/photos",
    summary: "Pictures kept with a job, in the order they were taken",
    params: z.strictObject({ jobId: JobId }),
    response: z.strictObject({ photos: z.array(Photo) }),
    errors: READ_ERRORS,
  }),
  addPhoto: endpoint({
    method: "put",
    path: "/jobs/{jobId}/photos/{photoId}",
    summary:
      "Add a picture, up to 10 MB; what tells where it was taken is removed. Sent again, it changes nothing",
    params: z.strictObject({ jobId: JobId, photoId: PhotoId }),
    query: PhotoFacts,
    picture: "in",
    response: Photo,
    errors: [...WRITE_ERRORS, 404, 409],
  }),
  readPicture: endpoint({
    method: "get",
    path: "/photos/{photoId}",
    summary: "The picture itself",
    params: z.strictObject({ photoId: PhotoId }),
    picture: "out",
    response: z.unknown(),
    errors: READ_ERRORS,
  }),
  removePhoto: endpoint({
    method: "delete",
    path: "/photos/{photoId}",
    summary: "Take a picture away for good; gone already is no error",
    params: z.strictObject({ photoId: PhotoId }),
    response: z.strictObject({ removed: z.boolean() }),
    errors: [403, 422],
  }),
  readShelf: endpoint({
    method: "get",
    path: "/shelf",
    summary: "The crew’s products, vessels and sites",
    response: z
      .strictObject({
        crew: z.string(),
        products: z.array(Product),
        vessels: z.array(Vessel),
        gear: z.array(Gear),
        sites: z.array(Site),
      })
      .meta({ id: "Shelf" }),
    errors: [],
  }),
  saveProduct: endpoint({
    method: "put",
    path: "/products/{productId}",
    summary: "Add or change a product; the last save stands",
    params: z.strictObject({ productId: ProductId }),
    body: Product,
    response: Product,
    errors: WRITE_ERRORS,
  }),
  saveVessel: endpoint({
    method: "put",
    path: "/vessels/{vesselId}",
    summary: "Add or change a vessel; the last save stands",
    params: z.strictObject({ vesselId: VesselId }),
    body: Vessel,
    response: Vessel,
    errors: WRITE_ERRORS,
  }),
  saveGear: endpoint({
    method: "put",
    path: "/gear/{gearId}",
    summary: "Add or change something of the van; the last save stands",
    params: z.strictObject({ gearId: GearId }),
    body: Gear,
    response: Gear,
    errors: WRITE_ERRORS,
  }),
  readStock: endpoint({
    method: "get",
    path: "/stock",
    summary: "Lots that came in, and what the logs of all jobs say was used",
    response: Stock,
    errors: [],
  }),
  saveLot: endpoint({
    method: "put",
    path: "/stock/{lotId}",
    summary: "Add or change a lot; the last save stands",
    params: z.strictObject({ lotId: LotId }),
    body: StockLot,
    response: StockLot,
    errors: WRITE_ERRORS,
  }),
  saveSite: endpoint({
    method: "put",
    path: "/sites/{siteId}",
    summary: "Add or change a site; the last save stands",
    params: z.strictObject({ siteId: SiteId }),
    body: Site,
    response: Site,
    errors: WRITE_ERRORS,
  }),
} as const satisfies Record<string, Endpoint>;

export type Endpoints = typeof endpoints;
export type Shelf = z.infer<Endpoints["readShelf"]["response"]>;
export type JobPage = z.infer<typeof JobPage>;
