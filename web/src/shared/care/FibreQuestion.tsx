import type { Room } from "@scutch/contract";
import { isHardFloor, LIKELY_ANSWERS } from "@scutch/core/care";
import { DEFAULTS } from "@scutch/core/plan";
import { Link } from "react-router";
import { FIBRE_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";

interface Props {
  readonly desk: JobDesk;
  /** Rooms of one covering whose fibre nobody has said. */
  readonly rooms: readonly Room[];
  /** A mix waits for the answer. */
  readonly waits: boolean;
}

/** Which fibre it is, with the two likely answers to tap and the way to any other. */
export function FibreQuestion({ desk, rooms, waits }: Props) {
  const [first] = rooms;
  if (!first) return null;
  const covering = first.covering ?? DEFAULTS.covering;
  if (isHardFloor(covering) || LIKELY_ANSWERS[covering].length === 0) return null;
  const ids: readonly string[] = rooms.map(({ id }) => id);
  const say = (fibre: Room["fibre"]) =>
    void desk.edit((job) => ({
      ...job,
      rooms: job.rooms.map((room) => (ids.includes(room.id) ? { ...room, fibre } : room)),
    }));
  const names = rooms.map(({ name }) => name).join(", ");
  return (
    <Callout tone="caution" title={`Which fibre is the carpet in ${names}?`}>
      {waits ? "This mix could damage a likely fibre. Pick the fibre before you mix." : "Fibre not set."}
      <div className="mt-2 flex flex-wrap items-center gap-2 print:hidden">
        {LIKELY_ANSWERS[covering].map((fibre) => (
          <Button key={fibre} onClick={() => say(fibre)}>
            {FIBRE_NAMES[fibre]}
          </Button>
        ))}
        <Link
          to={`../survey?room=${first.id}&part=floor`}
          relative="path"
          className="min-h-12 content-center px-2 font-semibold text-accent underline"
        >
          Other fibre, or a fibre test
        </Link>
      </div>
    </Callout>
  );
}
