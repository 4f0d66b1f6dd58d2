import {
  ApiError,
  CONTRACT_HEADER,
  CONTRACT_VERSION,
  CREW_HEADER,
  type Endpoints,
  PATHS,
  PERSON_HEADER,
} from "@scutch/contract";
import type * as z from "zod";
import type { ConnectionState } from "../state/connectionSlice.ts";

/** How a request went. */
export type Reply =
  | { readonly outcome: "done"; readonly body: unknown }
  /** Our server said no, and why. */
  | { readonly outcome: "refused"; readonly status: number; readonly error: ApiError["error"] }
  /** Something answered that has a fault, or isn't ours (a hotel's sign-in page). */
  | { readonly outcome: "fault"; readonly status: number; readonly ours: boolean }
  /** Nothing answered, or not in time. */
  | { readonly outcome: "silent" };

/** Longer than this without an answer and it won't come, ms. */
const PATIENCE = 15_000;
/** A picture takes as long as it takes while it moves; standing still this long it won't arrive, ms. */
const STANDSTILL = 30_000;
/** A picture that has arrived is answered for within this, ms: the server decodes one at a time. */
const IN_LINE = 75_000;

/** Refusals that concern everything, not the one request. */
export const STOPS: Partial<Record<ApiError["error"]["code"], Exclude<ConnectionState, "ok">>> = {
  "signed-out": "signed-out",
  "wrong-crew": "wrong-crew",
  "other-person": "other-person",
  "update-needed": "update-needed",
};

/** What says that the server can't now, not that it won't. */
const BROKEN: readonly ApiError["error"]["code"][] = ["internal", "unavailable"];

export type Send = (method: string, path: string, body?: unknown) => Promise<Reply>;

/** Whose work it is, and for which crew. */
export interface Sender {
  readonly crewId: string;
  /** Absent: it isn't known yet who works on this device. */
  readonly personId?: string | undefined;
}

const headersOf = (sender: Sender | undefined): Record<string, string> => ({
  [CONTRACT_HEADER]: String(CONTRACT_VERSION),
  ...(sender === undefined ? {} : { [CREW_HEADER]: sender.crewId }),
  ...(sender?.personId === undefined ? {} : { [PERSON_HEADER]: sender.personId }),
});

function replyOf(status: number, text: string): Reply {
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return { outcome: "fault", status, ours: false };
  }
  if (status >= 200 && status < 300) return { outcome: "done", body };
  const error = ApiError.safeParse(body);
  if (!error.success) return { outcome: "fault", status, ours: false };
  return BROKEN.includes(error.data.error.code)
    ? { outcome: "fault", status, ours: true }
    : { outcome: "refused", status, error: error.data.error };
}

/** Sends requests to our own server, each saying whose work it is and which contract it speaks. */
export const sendAs =
  (sender: Sender | undefined): Send =>
  async (method, path, body) => {
    if (body instanceof Blob) return upload(method, path, body, headersOf(sender));
    try {
      const response = await fetch(`/api${path}`, {
        method,
        signal: AbortSignal.timeout(PATIENCE),
        headers: {
          ...headersOf(sender),
          ...(body === undefined ? {} : { "content-type": "application/json" }),
        },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      });
      return replyOf(response.status, await response.text());
    } catch {
      return { outcome: "silent" };
    }
  };

/**
 * A file from the server, however large it is, or why it doesn't come whole. It goes to the browser's own store as it comes, not
 * through memory; `tell` hears how many bytes there are.
 */
export async function download(
  path: string,
  sender: Sender,
  tell: (bytes: number) => void,
): Promise<Blob | "offline" | "busy"> {
  const given = new AbortController();
  const giveUp = () => given.abort();
  let timer = setTimeout(giveUp, STANDSTILL);
  try {
    const response = await fetch(`/api${path}`, { headers: headersOf(sender), signal: given.signal });
    if (response.status === 429) return "busy";
    if (!response.ok || !response.body) return "offline";
    let bytes = 0;
    const counted = new TransformStream<Uint8Array, Uint8Array>({
      transform(piece, controller) {
        bytes += piece.length;
        tell(bytes);
        clearTimeout(timer);
        timer = setTimeout(giveUp, STANDSTILL);
        controller.enqueue(piece);
      },
    });
    return await new Response(response.body.pipeThrough(counted)).blob();
  } catch {
    return "offline";
  } finally {
    clearTimeout(timer);
  }
}

/** A picture on its way: given up only when nothing moves any more. fetch doesn't tell how far it is, this does. */
function upload(
  method: string,
  path: string,
  picture: Blob,
  headers: Readonly<Record<string, string>>,
): Promise<Reply> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.open(method, `/api${path}`);
    for (const [name, value] of Object.entries(headers)) request.setRequestHeader(name, value);
    request.setRequestHeader("content-type", picture.type);
    let timer = setTimeout(() => request.abort(), STANDSTILL);
    request.upload.onprogress = () => {
      clearTimeout(timer);
      timer = setTimeout(() => request.abort(), STANDSTILL);
    };
    // All of it is there: it may have to wait its turn to be looked at.
    request.upload.onload = () => {
      clearTimeout(timer);
      timer = setTimeout(() => request.abort(), IN_LINE);
    };
    request.onloadend = () => {
      clearTimeout(timer);
      resolve(request.status === 0 ? { outcome: "silent" } : replyOf(request.status, request.responseText));
    };
    request.send(picture);
  });
}

/** Path of an endpoint with its parameters and query put in. */
export function pathOf(
  name: keyof typeof PATHS,
  params: Readonly<Record<string, string>> = {},
  query: Readonly<Record<string, string>> = {},
): string {
  const path = PATHS[name].replaceAll(/\{(\w+)\}/g, (_, name: string) =>
    encodeURIComponent(params[name] ?? ""),
  );
  const search = new URLSearchParams(query).toString();
  return search ? `${path}?${search}` : path;
}

/** What an endpoint answers when all is well; read tolerantly where it is used: a newer server may say more. */
export type Answer<K extends keyof Endpoints> = z.output<Endpoints[K]["response"]>;
