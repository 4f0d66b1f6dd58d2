import type { Changes, Topic } from "@scutch/contract";
import { noteConnection } from "../state/connectionSlice.ts";
import type { Store } from "../state/store.ts";
import type { Send } from "./api.ts";
import type { PullResult } from "./ask.ts";
import type { DeviceDb } from "./db.ts";
import { pullChanges } from "./pull.ts";
import { takeChanges } from "./takeChanges.ts";

/** A device that listens to the crew's others. */
export interface Listening {
  readonly db: DeviceDb;
  readonly send: Send;
  readonly store: Store;
}

/** Takes in what changed, one after the other. */
export class Intake {
  private queue: Promise<unknown> = Promise.resolve();
  /** Topics that couldn't be read when they were told: they are read with the next. */
  private owed: readonly Topic[] = [];

  constructor(private readonly feed: Listening) {}

  /** Changes as they were told. */
  take(changes: Changes): void {
    const { db, send } = this.feed;
    this.inTurn(async () => {
      const topics = [...this.owed, ...changes.topics];
      this.owed = topics;
      const pulled = await takeChanges(db, send, { ...changes, topics });
      if (pulled === "kept") this.owed = [];
      return pulled;
    });
  }

  /** Asks what changed since the mark: whatever was missed is in the answer. */
  ask(): void {
    const { db, send } = this.feed;
    this.inTurn(() => pullChanges(db, send, (changes) => takeChanges(db, send, changes)));
  }

  private inTurn(work: () => Promise<PullResult>): void {
    this.queue = this.queue.then(work).then(
      (pulled) => noteConnection(this.feed.store, pulled),
      () => undefined, // The database is away: the mark stays where it was.
    );
  }
}
