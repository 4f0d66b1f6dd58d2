import { DYE_TEST_HOLDS_DAYS } from "../care/index.ts";
import type { Tested } from "../log/tested.ts";

const DAY = 24 * 3_600_000;

/** A test made at an earlier visit; `on` YYYY-MM-DD. */
export interface PastTest {
  readonly productId: string;
  readonly on: string;
  readonly test: "dye" | "tile";
  readonly result: "passed" | "failed";
}

/** Whether a test made on a day still counts on another: colour that bled always does, a pass for a year. */
export const stillCounts = ({ on, result }: Pick<PastTest, "on" | "result">, day: string): boolean =>
  result === "failed" || Date.parse(day) - Date.parse(on) <= DYE_TEST_HOLDS_DAYS * DAY;

/** Tests of earlier visits that still count on the day of a job, the oldest first. */
export function pastTests({
  day,
  rooms,
}: {
  readonly day: string;
  readonly rooms: readonly { readonly id: string; readonly pastTests?: readonly PastTest[] | undefined }[];
}): Tested[] {
  return rooms
    .flatMap(({ id, pastTests: tests = [] }) => tests.map((test) => ({ ...test, roomId: id })))
    .filter((test) => stillCounts(test, day))
    .toSorted((a, b) => (a.on < b.on ? -1 : 1))
    .map(({ productId, roomId, test, result }) => ({ productId, roomId, test, result }));
}
