import type { Shelf } from "@scutch/contract";
import { totalGear } from "../../planning/gearStanding.ts";
import { gearWords } from "../../planning/gearWords.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import type { BoardJob } from "./BoardJobReader.tsx";

interface Props {
  readonly out: BoardJob;
  readonly shelf: Shelf;
  readonly place: string;
  readonly now: number;
}

/** A job’s gear: what stands there, when it can be fetched, and that it was. */
export function GearOut({ out: { job, gear, fetchAt }, shelf, place, now }: Props) {
  const { about } = useTimes();
  const log = useLogging({ job, shelf });
  const fetched = () => {
    const [first, ...others] = gear.map(({ roomId }) => ({
      kind: "air-changed" as const,
      roomId,
      airMovers: [],
      dehumidifierLitresPerDay: 0,
    }));
    if (first) log(first, undefined, others);
  };
  return (
    <li className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-rule border-t px-4 py-3">
      <span className="min-w-0 flex-1 basis-56">
        <strong className="font-semibold">{place}</strong>
        <span className="block">
          {gearWords(totalGear(gear))}, fetch{" "}
          {fetchAt === undefined ? (
            <span className="text-caution-ink">not within 4 days</span>
          ) : (
            <>
              {fetchAt <= now ? "now, dry since " : "from "}
              <span className="font-mono">{about(fetchAt, now)}</span>
            </>
          )}
        </span>
      </span>
      <Button onClick={fetched}>Mark fetched</Button>
    </li>
  );
}
