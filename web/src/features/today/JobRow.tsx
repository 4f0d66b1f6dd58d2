import { lazy, type ReactNode, Suspense } from "react";
import { placeOf } from "../../planning/place.ts";
import { ZoneContext } from "../../state/useTimes.ts";
import type { JobRowProps } from "./jobRowProps.ts";
import { stateOf } from "./jobState.ts";
import { Row } from "./Row.tsx";
import { UnreadableRow } from "./UnreadableRow.tsx";
import { useTurn } from "./useTurn.ts";

/** Brings planning, drying and the care rules with it: the list stands without. */
const PlannedRow = lazy(async () => ({ default: (await import("./PlannedRow.tsx")).PlannedRow }));

/** A job of these days: where it stands, and the one hour that matters. Only one begun lately is dried. */
export function JobRow(props: JobRowProps) {
  const { listed, shelf, now, jobPath } = props;
  const known = listed.begun ?? listed.today;
  const state = stateOf(listed, undefined, now);
  if (listed.unreadable && !known) return <UnreadableRow {...{ listed, shelf }} />;
  const to = jobPath(listed.id, state.kind);
  const at = (row: ReactNode) => <ZoneContext value={placeOf(listed, shelf).zone}>{row}</ZoneContext>;
  if (!known) return at(<Row {...{ listed, shelf, now, to, state }} />);
  // Whether a finished job still dries is told with its plan.
  const waiting = (
    <Row {...{ listed, shelf, now, to }} state={state.kind === "dry" ? undefined : state} next={"\u00a0"} />
  );
  return at(
    <InTurn waiting={waiting}>
      <PlannedRow {...props} {...{ known, waiting }} />
    </InTurn>,
  );
}

function InTurn({ waiting, children }: { readonly waiting: ReactNode; readonly children: ReactNode }) {
  return useTurn() ? <Suspense fallback={waiting}>{children}</Suspense> : waiting;
}
