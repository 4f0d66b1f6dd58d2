import { runLogged, type StepDoubt } from "@scutch/core/log";
import { Link } from "react-router";
import type { JobDesk } from "../../../planning/desk.ts";
import { STEP_NAMES } from "../../../shared/run/stepWords.ts";
import { Callout } from "../../../ui/Callout.tsx";

const SAID: Record<StepDoubt["code"], string> = {
  "ended-before-begun": "ended before it began: a clock was wrong. Its end counts, its beginning doesn’t.",
  "done-twice": "was said to be done twice. The first counts.",
  "done-and-skipped": "was done and passed over. Done counts.",
  "run-started-twice": "The job was begun twice. The first counts.",
};

/** What the log says that can't have been, for those who know: the wrong one is struck out in the log. */
export function Doubts({
  desk,
  roomName,
}: {
  readonly desk: JobDesk;
  readonly roomName: (id: string) => string;
}) {
  const { doubts } = runLogged(desk.log);
  if (doubts.length === 0) return null;
  const nameOf = (doubt: StepDoubt) => {
    const entry = desk.log.find(({ id }) => id === doubt.entryIds[0]);
    if (!entry || !("does" in entry)) return "";
    return `${STEP_NAMES[entry.does]}${entry.roomId ? `, ${roomName(entry.roomId)}` : ""} `;
  };
  return (
    <Callout tone="caution" title="The log doesn’t agree with itself.">
      {doubts.map((doubt) => (
        <p key={`${doubt.code} ${doubt.step}`}>
          {nameOf(doubt)}
          {SAID[doubt.code]}
        </p>
      ))}
      <Link to="../log?kind=steps" relative="path" className="font-semibold text-accent underline">
        Strike out what is wrong
      </Link>
    </Callout>
  );
}
