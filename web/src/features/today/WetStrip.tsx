import { freeWaterAt, wetShare } from "@scutch/core/drying";
import { wetColour } from "../../format/wetness.ts";
import type { Planned } from "../../planning/computePlan.ts";

/** A job's rooms side by side, wide as their floors, shaded by how wet they are now. Rooms still to do are outlined. */
export function WetStrip({ planned, now }: { readonly planned: Planned; readonly now: number }) {
  const { work, result, startMs } = planned;
  const hours = (now - startMs) / 3_600_000;
  return (
    <div className="flex h-7 w-full gap-px" aria-hidden>
      {work.rooms.map((room, i) => {
        if (room.passage) return null;
        const course = result?.rooms[i]?.course;
        const wet =
          room.finishLogged && course ? wetShare(freeWaterAt(course, hours), room.residual) : undefined;
        return (
          <div
            key={room.id}
            className={wet === undefined ? "border border-rule border-dashed" : ""}
            style={{
              flexGrow: room.area,
              flexBasis: 0,
              ...(wet === undefined ? {} : { background: wetColour(wet) }),
            }}
          />
        );
      })}
    </div>
  );
}
