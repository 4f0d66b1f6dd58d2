import type { Changes } from "@scutch/contract";
import { withinDeadline } from "./deadline.ts";

/** Changes saved through another server on the same database are heard within this, ms. */
const LOOK_EVERY = 1000;
/** Looks left out once the database is away. */
const LOOKS_LEFT_OUT = 10;

/** What changed for a crew since a mark, and the mark now; without one only that. */
type Read = (crewId: string, since: number | undefined) => Promise<Changes>;

/** Who is told of a crew's changes, until there is nothing more to tell because the server stops. */
export interface Follower {
  readonly tell: (changes: Changes) => void;
  /** Looks whether they may still listen, and ends where not. */
  readonly check?: () => void;
  readonly end: () => void;
}

/** A crew that is followed. */
interface Followed {
  readonly followers: Set<Follower>;
  seq: number;
  looking: boolean;
  again: boolean;
  leftOut: number;
}

/** Tells followers what changes for their crew, as it is saved. */
export class ChangeFeed {
  private readonly crews = new Map<string, Followed>();
  private timer: NodeJS.Timeout | undefined;

  constructor(private readonly changesSince: Read) {}

  /** How many listen. */
  get size(): number {
    return [...this.crews.values()].reduce((sum, { followers }) => sum + followers.size, 0);
  }

  /** Tells every change after the mark `since`, first what was missed; the returned function ends it. */
  async follow(crewId: string, since: number | undefined, follower: Follower): Promise<() => void> {
    const missed = await this.changesSince(crewId, since);
    const followed = this.crews.get(crewId) ?? {
      followers: new Set<Follower>(),
      seq: missed.seq,
      looking: false,
      again: false,
      leftOut: 0,
    };
    this.crews.set(crewId, followed);
    followed.followers.add(follower);
    follower.tell(missed);
    // The others may have been told more by now. They hear it a second time, which does no harm.
    followed.seq = Math.min(followed.seq, missed.seq);
    this.look(crewId);
    this.timer ??= setInterval(() => this.lookAtAll(), LOOK_EVERY).unref();
    return () => {
      followed.followers.delete(follower);
      if (followed.followers.size === 0 && this.crews.get(crewId) === followed) this.crews.delete(crewId);
      if (this.crews.size === 0) this.rest();
    };
  }

  /** Something of the crew's was saved: look now. */
  look(crewId: string): void {
    const followed = this.crews.get(crewId);
    if (!followed) return;
    followed.again = true;
    if (!followed.looking) void this.read(crewId, followed);
  }

  /** Somebody of the crew was signed out, or may do other things now: looks at each of its listeners again. */
  recheck(crewId: string): void {
    for (const follower of [...(this.crews.get(crewId)?.followers ?? [])]) follower.check?.();
  }

  /** Ends every stream: the server stops. */
  end(): void {
    for (const { followers } of this.crews.values()) for (const follower of [...followers]) follower.end();
    this.rest();
  }

  private lookAtAll(): void {
    for (const [crewId, followed] of this.crews)
      if (followed.leftOut > 0) followed.leftOut--;
      else this.look(crewId);
  }

  private async read(crewId: string, followed: Followed): Promise<void> {
    followed.looking = true;
    try {
      while (followed.again) {
        followed.again = false;
        const news = await withinDeadline(this.changesSince(crewId, followed.seq));
        followed.seq = news.seq;
        if (news.topics.length > 0) for (const { tell } of followed.followers) tell(news);
      }
    } catch {
      // What is missed now is told by a later look.
      followed.leftOut = LOOKS_LEFT_OUT;
    } finally {
      followed.looking = false;
    }
  }

  private rest(): void {
    clearInterval(this.timer);
    this.timer = undefined;
  }
}
