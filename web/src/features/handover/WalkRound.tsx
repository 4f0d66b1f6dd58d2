import type { LogEntry } from "@scutch/contract";
import { effectiveEntries, roomRecords, WALK_ROUND, type WalkRoundItem } from "@scutch/core/log";
import { useState } from "react";
import { WALK_ROUND_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { CheckBox } from "../../ui/ChoiceField.tsx";

/** Items the log answers by itself: edges and risers, where every room that has them was done. */
export function knownByLog({ job, log }: Pick<JobDesk, "job" | "log">): ReadonlySet<WalkRoundItem> {
  const records = roomRecords(log);
  const phase = (roomId: string, kind: string) =>
    records.find((record) => record.roomId === roomId)?.phases.find((each) => each.kind === kind);
  const all = (rooms: JobDesk["job"]["rooms"], kind: string) =>
    rooms.length > 0 &&
    rooms.every(({ id }) => {
      const { done = 0, skipped = 0 } = phase(id, kind) ?? {};
      return done > 0 && skipped === 0;
    });
  const cleaned = job.rooms.filter(({ passage }) => !passage);
  const stairs = cleaned.filter(({ shape }) => shape.kind === "stairs");
  return new Set<WalkRoundItem>([
    ...(all(cleaned, "edges") ? (["edges"] as const) : []),
    ...(all(stairs, "clean") ? (["risers"] as const) : []),
  ]);
}

/** The entry that ticked an item, of those that stand. */
const tickOf = (log: readonly LogEntry[], item: WalkRoundItem) =>
  effectiveEntries(log).findLast((entry) => entry.kind === "walk-round" && entry.item === item);

type Ticks = Readonly<Partial<Record<WalkRoundItem, boolean>>>;

/** A short round with the customer before the crew leaves; what the log knows is ticked. */
export function WalkRound({ desk }: { readonly desk: JobDesk }) {
  const log = useLogging(desk);
  const known = knownByLog(desk);
  const hasStairs = desk.job.rooms.some(({ shape, passage }) => shape.kind === "stairs" && !passage);
  const items = WALK_ROUND.filter((item) => item !== "risers" || hasStairs);
  // What was tapped shows at once, until the log has it.
  const [tapped, setTapped] = useState<{ readonly log: unknown; readonly items: Ticks }>({
    log: undefined,
    items: {},
  });
  const shown = tapped.log === desk.log ? tapped.items : {};
  const set = (item: WalkRoundItem, ticked: boolean) => {
    setTapped({ log: desk.log, items: { ...shown, [item]: ticked } });
    const tick = tickOf(desk.log, item);
    if (ticked) log({ kind: "walk-round", item });
    else if (tick)
      log({ kind: "correction", corrects: tick.id, text: WALK_ROUND_NAMES[item], takenBack: true });
  };
  return (
    <section aria-label="Walk round" className="border-ink border-t-2 pt-3">
      <h2 className="font-semibold">Walk round with the customer</h2>
      <ul>
        {items.map((item) => (
          <li key={item} className="border-rule border-b">
            {known.has(item) ? (
              <p className="flex min-h-12 items-center justify-between gap-3">
                <span>✓ {WALK_ROUND_NAMES[item]}</span>
                <span className="text-sm text-soft">in the log</span>
              </p>
            ) : (
              <CheckBox
                label={WALK_ROUND_NAMES[item]}
                checked={shown[item] ?? tickOf(desk.log, item) !== undefined}
                onChange={(ticked) => set(item, ticked)}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
