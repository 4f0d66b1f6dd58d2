import type { Shelf } from "@scutch/contract";
import type { ReactNode } from "react";
import { useShelfQuery } from "../../api/scutchApi.ts";
import { Failed, Loading } from "../../ui/States.tsx";

interface Props {
  readonly what: string;
  readonly children: (shelf: Shelf) => ReactNode;
}

/** A page that stands on the shelf and the van: opened, or why it can't be. */
export function WithShelf({ what, children }: Props) {
  const { data, error, refetch } = useShelfQuery();
  if (data) return children(data);
  return (
    <div className="px-4 sm:px-7">
      {error ? (
        <Failed
          code={"code" in error && error.code === "offline" ? "offline" : "not-found"}
          what={what}
          onRetry={() => void refetch()}
        />
      ) : (
        <Loading what={`the ${what}`} />
      )}
    </div>
  );
}
