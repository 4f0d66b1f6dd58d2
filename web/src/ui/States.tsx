import type { ReactNode } from "react";
import { Button } from "./Button.tsx";

export function Loading({ what }: { readonly what: string }) {
  return (
    <p role="status" className="py-10 text-soft">
      Opening {what}…
    </p>
  );
}

export function Empty({ title, children }: { readonly title: string; readonly children?: ReactNode }) {
  return (
    <div className="max-w-prose py-8">
      <h2 className="font-bold text-xl">{title}</h2>
      <div className="mt-1 text-soft">{children}</div>
    </div>
  );
}

/** Something couldn't be opened: why, and the way on. */
export function Failed({
  code,
  what,
  onRetry,
}: {
  readonly code: "offline" | "not-found" | "newer" | "unreadable";
  readonly what: string;
  readonly onRetry: () => void;
}) {
  return (
    <div role="alert" className="max-w-prose py-8">
      <h2 className="font-bold text-xl">
        {
          {
            offline: `You’re offline, and the ${what} isn’t on this device yet.`,
            "not-found": `This ${what} doesn’t exist.`,
            newer: `This ${what} was saved by a newer version of the app.`,
            unreadable: `This ${what} is damaged on the server.`,
          }[code]
        }
      </h2>
      <p className="mt-1 mb-4 text-soft">
        {
          {
            offline: "Open it once online and it will work offline.",
            "not-found": "It may belong to another crew, or the address is wrong.",
            newer: "It is safe. To open it, go online and reload the app to update it.",
            unreadable: "Its log is safe. Save its raw file from Today.",
          }[code]
        }
      </p>
      {code === "offline" && <Button onClick={onRetry}>Try again</Button>}
    </div>
  );
}
