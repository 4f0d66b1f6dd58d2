import type { Shelf } from "@scutch/contract";
import type { ReactNode } from "react";
import { usePull } from "../../device/deviceQuery.ts";
import { useLocalShelf } from "../../device/localRecords.ts";
import { pullShelf } from "../../device/pull.ts";
import { Failed, Loading } from "../../ui/States.tsx";

interface Props {
  readonly what: string;
  readonly children: (shelf: Shelf) => ReactNode;
}

/** A page that stands on the shelf and the van: opened, or why it can't be. */
export function WithShelf({ what, children }: Props) {
  const shelf = useLocalShelf();
  const { state, again } = usePull("shelf", ({ db, send }) => pullShelf(db, send));
  if (shelf) return children(shelf);
  return (
    <div className="px-4 sm:px-7">
      {shelf === null && state !== "asking" && state !== "kept" ? (
        <Failed code="offline" what={what} onRetry={again} />
      ) : (
        <Loading what={`the ${what}`} />
      )}
    </div>
  );
}
