import { useEffect, useState } from "react";
import { firstIdle, idle } from "../../device/firstSight.ts";

/** Rows that wait to be planned, in the order they stand. */
const waiting: (() => void)[] = [];
let isServing = false;
/** Longest wait between two rows, ms. */
const BETWEEN = 500;

async function serve(): Promise<void> {
  if (isServing) return;
  isServing = true;
  await firstIdle();
  for (let next = waiting.shift(); next; next = waiting.shift()) {
    next();
    await idle(BETWEEN);
  }
  isServing = false;
}

/** Whether it is this row's turn to be planned: one after the other, so that the list answers to the finger meanwhile. */
export function useTurn(): boolean {
  const [isMine, setIsMine] = useState(false);
  useEffect(() => {
    const take = () => setIsMine(true);
    waiting.push(take);
    void serve();
    return () => {
      const place = waiting.indexOf(take);
      if (place >= 0) waiting.splice(place, 1);
    };
  }, []);
  return isMine;
}
