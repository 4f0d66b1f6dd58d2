import {
  type Gear,
  type Job,
  type JobId,
  type LogEntry,
  type PhotoFacts,
  PhotoId,
  type Product,
  type Site,
  type StockLot,
  stockUse,
  type Vessel,
} from "@scutch/contract";
import { send } from "../api/ask.ts";
import { localDb, noteChange, scutchApi } from "../api/scutchApi.ts";
import type { AppDispatch, RootState } from "../app/store.ts";
import { changeRedone, changeUndone, jobChanged } from "../features/job/historySlice.ts";
import { type Command, enqueue } from "./local.ts";
import { newId } from "./newId.ts";
import { type Conflict, resolveConflict, sendOutbox } from "./sender.ts";
import { changeQueued, outboxSent } from "./syncSlice.ts";
import { addressOf } from "./views.ts";

/** Everything that changes something: shown at once, kept on this device, then sent. */

type Thunk<R = void> = (dispatch: AppDispatch, getState: () => RootState) => R;

const RETRY_AFTER = 3000;
/** A pause after the last change before it is sent, ms: kept here already, and taps in a row become one save. */
const SEND_AFTER = 200;
let sending: Promise<void> | undefined;
let again = false;
let soon: ReturnType<typeof setTimeout> | undefined;
let retry: ReturnType<typeof setTimeout> | undefined;

/** Sends the outbox; one sender at a time over all tabs, tried again while the server is out of reach. */
export const sendChanges = (): Thunk<Promise<void>> => (dispatch) => {
  if (sending) {
    again = true;
    return sending;
  }
  clearTimeout(retry);
  sending = (async () => {
    const local = await localDb();
    do {
      again = false;
      const sent = await withLock(() => sendOutbox(local, send));
      dispatch(outboxSent(sent));
      if (!sent.reachable) {
        retry = setTimeout(() => void dispatch(sendChanges()), RETRY_AFTER);
        break;
      }
    } while (again);
  })().finally(() => {
    sending = undefined;
  });
  return sending;
};

/** Without locks (a page not served over https or loopback) two tabs may both send: harmless, only twice the work. */
function withLock<T>(work: () => Promise<T>): Promise<T> {
  return "locks" in navigator ? navigator.locks.request("scutch-outbox", work) : work();
}

function queue(dispatch: AppDispatch, ...commands: readonly Command[]): void {
  noteChange();
  dispatch(changeQueued());
  void (async () => {
    const local = await localDb();
    for (const command of commands) await enqueue(local, command);
    clearTimeout(soon);
    soon = setTimeout(() => void dispatch(sendChanges()), SEND_AFTER);
  })();
}

function show(dispatch: AppDispatch, job: Job): void {
  dispatch(
    scutchApi.util.updateQueryData("job", job.id, (here) => {
      here.job = job;
    }),
  );
  dispatch(
    scutchApi.util.updateQueryData("jobs", undefined, (page) => {
      const known = page.jobs.find((each) => each.job.id === job.id);
      if (known) known.job = job;
      else page.jobs.unshift({ version: 0, job });
    }),
  );
}

/** A job's plan replaced by a changed one; `before` goes on the undo pile. */
export const changeJob =
  (before: Job, after: Job): Thunk =>
  (dispatch) => {
    dispatch(jobChanged({ before }));
    show(dispatch, after);
    queue(dispatch, { kind: "save-job", job: after });
  };

/** A job that wasn't there, with the site it needs where that is new too. */
export const addJob =
  (job: Job, newSite: Site | undefined): Thunk =>
  (dispatch) => {
    if (newSite) showOnShelf(dispatch, "sites", newSite);
    void dispatch(scutchApi.util.upsertQueryData("job", job.id, { version: 0, job }));
    show(dispatch, job);
    queue(dispatch, ...(newSite ? [{ kind: "save-site", site: newSite } as const] : []), {
      kind: "save-job",
      job,
    });
  };

export const undoChange =
  (now: Job): Thunk =>
  (dispatch, getState) => {
    const before = getState().history[now.id]?.past.at(-1);
    if (!before) return;
    dispatch(changeUndone({ now }));
    show(dispatch, before);
    queue(dispatch, { kind: "save-job", job: before });
  };

export const redoChange =
  (now: Job): Thunk =>
  (dispatch, getState) => {
    const after = getState().history[now.id]?.future.at(-1);
    if (!after) return;
    dispatch(changeRedone({ now }));
    show(dispatch, after);
    queue(dispatch, { kind: "save-job", job: after });
  };

export const logEntry =
  (jobId: JobId, entry: LogEntry): Thunk =>
  (dispatch) => {
    dispatch(
      scutchApi.util.updateQueryData("log", jobId, (entries) => {
        entries.push(entry);
        entries.sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
      }),
    );
    dispatch(
      scutchApi.util.updateQueryData("stock", undefined, (stock) => {
        stock.used.push(...stockUse([entry]));
      }),
    );
    queue(dispatch, { kind: "append-log", jobId, entry });
  };

/** A picture taken here, shown at once and sent when there is a connection. */
export const addPhoto =
  (jobId: JobId, facts: PhotoFacts, picture: Blob): Thunk =>
  (dispatch) => {
    const photoId = newId(PhotoId);
    dispatch(
      scutchApi.util.updateQueryData("photos", jobId, (photos) => {
        photos.push({ ...facts, id: photoId, url: addressOf(photoId, picture) });
      }),
    );
    queue(dispatch, { kind: "add-photo", jobId, photoId, facts, picture });
  };

export const removePhoto =
  (jobId: JobId, photoId: PhotoId): Thunk =>
  (dispatch) => {
    dispatch(
      scutchApi.util.updateQueryData("photos", jobId, (photos) => photos.filter(({ id }) => id !== photoId)),
    );
    // Nor does it stay in what the service worker keeps for work with no signal.
    if ("caches" in globalThis)
      void caches.open("photos").then((kept) => kept.delete(`/api/photos/${photoId}`));
    queue(dispatch, { kind: "remove-photo", jobId, photoId });
  };

interface OnShelf {
  readonly products: Product;
  readonly vessels: Vessel;
  readonly gear: Gear;
  readonly sites: Site;
}

function showOnShelf<K extends keyof OnShelf>(dispatch: AppDispatch, list: K, item: OnShelf[K]): void {
  dispatch(
    scutchApi.util.updateQueryData("shelf", undefined, (shelf) => {
      const items = shelf[list] as { id: string; name: string }[];
      const place = items.findIndex(({ id }) => id === item.id);
      if (place < 0) items.push(item);
      else items[place] = item;
      items.sort((a, b) => a.name.localeCompare(b.name));
    }),
  );
}

export const saveProduct =
  (product: Product): Thunk =>
  (dispatch) => {
    showOnShelf(dispatch, "products", product);
    queue(dispatch, { kind: "save-product", product });
  };

export const saveVessel =
  (vessel: Vessel): Thunk =>
  (dispatch) => {
    showOnShelf(dispatch, "vessels", vessel);
    queue(dispatch, { kind: "save-vessel", vessel });
  };

/** Settles a clash the person was shown, and sends what follows from it. */
export const settleConflict =
  (conflict: Conflict, keep: "mine" | "theirs"): Thunk<Promise<void>> =>
  async (dispatch) => {
    await resolveConflict(await localDb(), conflict, keep);
    noteChange();
    if (keep === "theirs" && conflict.theirs) show(dispatch, conflict.theirs.job);
    await dispatch(sendChanges());
  };

export const saveGear =
  (item: Gear): Thunk =>
  (dispatch) => {
    showOnShelf(dispatch, "gear", item);
    queue(dispatch, { kind: "save-gear", item });
  };

/** A lot that came in, or was counted again. */
export const saveLot =
  (lot: StockLot): Thunk =>
  (dispatch) => {
    dispatch(
      scutchApi.util.updateQueryData("stock", undefined, (stock) => {
        const place = stock.lots.findIndex(({ id }) => id === lot.id);
        if (place < 0) stock.lots.push(lot);
        else stock.lots[place] = lot;
      }),
    );
    queue(dispatch, { kind: "save-lot", lot });
  };
