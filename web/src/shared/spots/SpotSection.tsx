import { type Room, type Spot, SpotId } from "@scutch/contract";
import { attemptsOn } from "@scutch/core/log";
import { useState } from "react";
import { newId } from "../../device/newId.ts";
import { NATURE_NAMES } from "../../format/careWords.ts";
import { ORIGIN_SHORT } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { RoomMap } from "./RoomMap.tsx";
import { SpotDialog } from "./SpotDialog.tsx";
import { guideOf } from "./spotGuide.ts";

/** A spot nobody has said anything of yet: as wide as a hand. */
const FIRST = { across: 0.1, origin: "unknown", known: "guessed", nature: "not-sure", age: "old" } as const;

/** The spots of a room on its plan. A tap on the plan puts one there; a tap on one opens how to work it. */
export function SpotSection({ desk, room }: { readonly desk: JobDesk; readonly room: Room }) {
  const [opened, setOpened] = useState<Spot["id"]>();
  const spots = (desk.job.spots ?? []).filter((spot) => spot.roomId === room.id);
  const put = (x: number, y: number) => {
    const spot: Spot = { ...FIRST, id: newId(SpotId), roomId: room.id, x, y };
    const refused = desk.edit((before) => ({ ...before, spots: [...(before.spots ?? []), spot] }));
    if (!refused) setOpened(spot.id);
  };
  const spot = spots.find(({ id }) => id === opened);
  return (
    <div className="grid gap-3">
      <p className="text-sm text-soft">Tap the plan to place a spot.</p>
      <RoomMap room={room} spots={spots} onPut={put} onOpen={setOpened} />
      <ul>
        {spots.map((each, i) => {
          const { outcome } = guideOf(desk, each);
          const tried = attemptsOn(desk.log, each.id).length;
          return (
            <li key={each.id} className="border-rule border-t">
              <button
                type="button"
                onClick={() => setOpened(each.id)}
                className="flex min-h-14 w-full items-center justify-between gap-3 text-left"
              >
                <span>
                  <span className="mr-2 font-mono text-soft">{String.fromCharCode(65 + (i % 26))}</span>
                  <strong>{ORIGIN_SHORT[each.origin]}</strong>
                  <span className="text-soft"> · {NATURE_NAMES[each.nature].toLowerCase()}</span>
                </span>
                <span className="text-right text-sm text-soft">
                  {outcome.kind === "clean"
                    ? "gone"
                    : outcome.kind === "stop"
                      ? "left as is"
                      : tried > 0
                        ? `step ${tried + 1}`
                        : "not tried"}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      {spot && (
        <SpotDialog key={spot.id} desk={desk} room={room} spot={spot} onClose={() => setOpened(undefined)} />
      )}
    </div>
  );
}
