import { ApiFailure } from "../failures.ts";

/** Longer than this and whoever asks is told to try again, ms: a database that hangs must not hang them. */
export const DEADLINE = 3500;

/** What `work` answers, or unavailable when it takes too long. What it writes late is written all the same: ask again. */
export async function withinDeadline<T>(work: Promise<T>, deadline = DEADLINE): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new ApiFailure("unavailable")), deadline);
  });
  work.catch(() => undefined); // late and failed: it has been answered for already
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}
