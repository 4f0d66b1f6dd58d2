import { Readable, Writable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { type Endpoint, faultsOf, MAX_PHOTO_BYTES, PHOTO_TYPES } from "@scutch/contract";
import express, { type Request, type RequestHandler, type Response, type Router } from "express";
import type { z } from "zod";
import type { Actor } from "../actor.ts";
import { type SentFile, withSpooled } from "../blobs/spool.ts";
import { ApiFailure } from "../failures.ts";
import { canonical } from "./body.ts";
import { withinDeadline } from "./deadline.ts";
import { actorIn, requirePermission } from "./gate.ts";

type Of<S> = S extends z.ZodType ? z.output<S> : undefined;

export interface Call<E extends Endpoint> {
  readonly params: Of<E["params"]>;
  readonly query: Of<E["query"]>;
  readonly body: Of<E["body"]>;
}

/** What a handler gives back. Checked by the type, not at run time: it was composed from what was checked going in. */
type Answer<E extends Endpoint> = z.output<E["response"]>;

/** Of what is sent by those who aren’t signed in: names and a password. */
const OPEN_BODY_LIMIT = "4kb";
/** Hashing a password takes a while on purpose. */
const SIGN_IN_DEADLINE = 10_000;
/** A picture waits its turn to be decoded. */
const PICTURE_DEADLINE = 60_000;

/** A value by its schema; throws invalid with where and why. */
export function checked<S extends z.ZodType | undefined>(schema: S, value: unknown): Of<S> {
  if (schema === undefined) return undefined as Of<S>;
  const result = schema.safeParse(value);
  if (!result.success) throw new ApiFailure("invalid", { faults: faultsOf(result.error) });
  return result.data as Of<S>;
}

/** Lets through who may ask, before anything they send is read. */
const permitted =
  ({ needs }: Pick<Endpoint, "needs">): RequestHandler =>
  (_request, response, next) => {
    requirePermission(actorIn(response), needs);
    next();
  };

const expressPath = ({ path }: Pick<Endpoint, "path">) => path.replaceAll(/\{(\w+)\}/g, ":$1");

const callOf = <E extends Endpoint>(endpoint: E, request: Request): Call<E> => ({
  params: checked(endpoint.params, request.params) as Call<E>["params"],
  query: checked(endpoint.query, request.query) as Call<E>["query"],
  body: checked(endpoint.body, endpoint.body && canonical(request.body)) as Call<E>["body"],
});

/** Puts an endpoint of the contract on a router: its input is checked strictly, then handed over typed with who asks. */
export function mount<E extends Endpoint>(
  router: Router,
  endpoint: E,
  handle: (call: Call<E>, actor: Actor) => Promise<Answer<E>>,
): void {
  router[endpoint.method](expressPath(endpoint), permitted(endpoint), async (request, response) => {
    if (endpoint.body && !request.is("application/json")) throw new ApiFailure("unsupported-media-type");
    response.json(await withinDeadline(handle(callOf(endpoint, request), actorIn(response))));
  });
}

/** An endpoint for anyone, signed in or not. Its handler sees the request, and may sign in with the response. */
export function mountOpen<E extends Endpoint & { readonly needs: "anyone" }>(
  router: Router,
  endpoint: E,
  handle: (call: Call<E>, request: Request, response: Response) => Promise<Answer<E>>,
): void {
  const read = express.json({ limit: OPEN_BODY_LIMIT, strict: true });
  router[endpoint.method](expressPath(endpoint), read, async (request, response) => {
    if (endpoint.body && !request.is("application/json")) throw new ApiFailure("unsupported-media-type");
    response.json(
      await withinDeadline(handle(callOf(endpoint, request), request, response), SIGN_IN_DEADLINE),
    );
  });
}

/** A stream of events, begun once it is known that the device may listen. */
export function mountEvents(
  router: Router,
  stream: Pick<Endpoint, "path" | "needs">,
  begin: RequestHandler,
): void {
  router.get(expressPath(stream), permitted(stream), begin);
}

/** An endpoint whose JSON is written as it is read. Each piece has its own deadline; cut off half-way, the answer breaks off and isn't JSON. */
export function mountStream<E extends Endpoint>(
  router: Router,
  endpoint: E,
  read: (call: Call<E>, actor: Actor) => Promise<AsyncIterable<string>>,
): void {
  router[endpoint.method](expressPath(endpoint), permitted(endpoint), async (request, response) => {
    const pieces = await withinDeadline(read(callOf(endpoint, request), actorIn(response)));
    response.type("json");
    await pipeline(Readable.from(inTime(pieces)), response);
  });
}

/** Standing still this long, a file won’t arrive, ms. */
const STANDSTILL = 60_000;

/** An endpoint that answers with a file, written as it is made. What goes wrong before its first byte is an error like any other. */
export function mountFile<E extends Endpoint & { readonly file: string }>(
  router: Router,
  endpoint: E,
  begin: (call: Call<E>, actor: Actor) => Promise<(sink: WritableStream<Uint8Array>) => Promise<void>>,
): void {
  router[endpoint.method](expressPath(endpoint), permitted(endpoint), async (request, response) => {
    const write = await withinDeadline(begin(callOf(endpoint, request), actorIn(response)));
    response.type(endpoint.file).setTimeout(STANDSTILL, () => response.destroy());
    await write(Writable.toWeb(response));
  });
}

async function* inTime(pieces: AsyncIterable<string>): AsyncGenerator<string> {
  const reading = pieces[Symbol.asyncIterator]();
  for (;;) {
    const { done, value } = await withinDeadline(Promise.resolve(reading.next()));
    if (done) return;
    yield value;
  }
}

/** An endpoint whose body is a picture's bytes. Everything about it is checked before a byte is looked at. */
export function mountUpload<E extends Endpoint>(
  router: Router,
  endpoint: E,
  handle: (call: Call<E> & { readonly picture: SentFile }, actor: Actor) => Promise<Answer<E>>,
): void {
  router[endpoint.method](expressPath(endpoint), permitted(endpoint), async (request, response) => {
    if (!request.is([...PHOTO_TYPES]) || request.get("Content-Encoding") !== undefined)
      throw new ApiFailure("unsupported-media-type");
    const call = callOf(endpoint, request);
    if (Number(request.get("Content-Length")) > MAX_PHOTO_BYTES) throw new ApiFailure("too-large");
    const answer = await withSpooled(request, MAX_PHOTO_BYTES, (picture) =>
      withinDeadline(handle({ ...call, picture }, actorIn(response)), PICTURE_DEADLINE),
    );
    response.json(answer);
  });
}

/** An endpoint that answers with a JPEG. It never changes under its id, so it may be kept. */
export function mountPicture<E extends Endpoint>(
  router: Router,
  endpoint: E,
  find: (call: Call<E>, actor: Actor) => Promise<Buffer>,
): void {
  router[endpoint.method](expressPath(endpoint), permitted(endpoint), async (request, response) => {
    const picture = await withinDeadline(find(callOf(endpoint, request), actorIn(response)));
    response.set("Cache-Control", "private, max-age=31536000, immutable").type("jpeg").send(picture);
  });
}
