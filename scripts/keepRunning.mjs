// Something that is started again whenever it ends without being asked to, and given up when that goes on.
import { setTimeout as pause } from "node:timers/promises";

/** More starts than this within a minute are hopeless. */
const MOST_RESTARTS = 3;
const MINUTE = 60_000;
/** Between a start that failed and the next, ms. */
const BREATH = 1000;

const reasonOf = (end) => (end?.signal || end?.code != null ? ` (${end.signal ?? `code ${end.code}`})` : "");

/**
 * Keeps a program running. `start(before)` starts it and resolves to `{ ended, stop }`; `before` is the one that ended. The first start rejects
 * when it fails. Later ones are tried three times in a minute, then `giveUp` is called with the reason.
 */
export async function keepRunning(name, start, { isStopping, giveUp }) {
  let current = await start(undefined);
  let starting = Promise.resolve();
  const ends = [];
  const watch = async () => {
    for (;;) {
      let reason = reasonOf(await current.ended);
      for (let isUp = false; !isUp; ) {
        if (isStopping()) return;
        ends.push(Date.now());
        if (ends.filter((at) => at > Date.now() - MINUTE).length > MOST_RESTARTS)
          return giveUp(
            `The ${name} keeps stopping${reason}. The reason is in the lines above or in the data folder.`,
          );
        console.error(`The ${name} stopped${reason}. Starting it again…`);
        try {
          const next = start(current);
          starting = next.catch(() => undefined);
          current = await next;
          isUp = true;
        } catch (error) {
          reason = `: ${error.message.replace(/\.$/, "")}`;
          await pause(BREATH);
        }
      }
    }
  };
  void watch();
  return {
    first: current,
    async stop() {
      await starting; // what is on its way up is stopped too
      await current.stop();
    },
  };
}
