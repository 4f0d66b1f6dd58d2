import type { Room } from "@scutch/contract";
import { explainPreSpray, explainResidual } from "@scutch/core/clean";
import type { RoomPlan } from "@scutch/core/plan";
import { ChevronLeft, ChevronRight, X } from "lucide-react";
import { type ReactNode, useEffect, useRef } from "react";
import { useLocation, useSearchParams } from "react-router";
import { formatAmount } from "../../format/units.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { CareStrip } from "../../shared/care/CareStrip.tsx";
import { ExplainedFigure } from "../../shared/explain/ExplainedFigure.tsx";
import { PhotoStrip } from "../../shared/photos/PhotoStrip.tsx";
import { SpotSection } from "../../shared/spots/SpotSection.tsx";
import { useUnits } from "../../state/useUnits.ts";
import { Segmented } from "../../ui/Segmented.tsx";
import { RoomActions } from "./RoomActions.tsx";
import { RoomFloor } from "./RoomFloor.tsx";
import { RoomSize } from "./RoomSize.tsx";

interface Props {
  readonly desk: JobDesk;
  readonly room: Room;
  readonly plan: RoomPlan;
  readonly onClose: () => void;
  readonly onSelect: (roomId: string) => void;
}

const PARTS = [
  { value: "size", name: "Size" },
  { value: "floor", name: "Floor" },
  { value: "spots", name: "Spots" },
  { value: "photos", name: "Photos" },
] as const;
type PartName = (typeof PARTS)[number]["value"];

function StepButton({
  to,
  name,
  icon,
  onSelect,
}: {
  readonly to: Room | undefined;
  readonly name: string;
  readonly icon: ReactNode;
  readonly onSelect: (roomId: string) => void;
}) {
  return (
    <button
      type="button"
      disabled={!to}
      aria-label={to ? `${name}: ${to.name}` : name}
      onClick={() => to && onSelect(to.id)}
      className="grid size-12 shrink-0 place-items-center text-accent disabled:opacity-30"
    >
      {icon}
    </button>
  );
}

/** What there is to say of one room. A change redraws the plan at once and can be undone. */
export function RoomEditor({ desk, room, plan, onClose, onSelect }: Props) {
  const [search, setSearch] = useSearchParams();
  const { state } = useLocation();
  const { job } = desk;
  const part = PARTS.find(({ value }) => value === search.get("part"))?.value ?? "size";
  const open = (value: PartName) =>
    setSearch({ room: room.id, part: value }, { replace: true, preventScrollReset: true, state });
  const top = useRef<HTMLElement>(null);
  // On a phone the room takes the list's place: it is read from its top.
  useEffect(() => {
    if (matchMedia("(width < 64rem)").matches) top.current?.scrollIntoView({ block: "start" });
  }, []);
  const spots = (job.spots ?? []).filter((spot) => spot.roomId === room.id).length;
  return (
    <section
      ref={top}
      aria-label={room.name}
      onKeyDown={(event) => {
        if (event.key === "Escape" && !event.defaultPrevented && !document.querySelector('[role="dialog"]'))
          onClose();
      }}
      className="scroll-mt-2 border-accent border-t-4 bg-paper px-4 pt-3 pb-5"
    >
      <RoomHeader {...{ job, room, onClose, onSelect }} />
      {!room.passage && <RoomUses plan={plan} />}
      <CareStrip desk={desk} room={room} />
      <Segmented
        label="Part of the room"
        labelHidden
        value={part}
        options={PARTS.map(({ value, name }) => ({
          value,
          name: value === "spots" && spots > 0 ? `${name} ${spots}` : name,
        }))}
        onChange={open}
      />
      <div className="mt-3">
        {part === "size" && <RoomSize desk={desk} room={room} />}
        {part === "floor" && <RoomFloor desk={desk} room={room} plan={plan} />}
        {part === "spots" && <SpotSection desk={desk} room={room} />}
        {part === "photos" && <PhotoStrip desk={desk} roomId={room.id} />}
      </div>
      {part === "size" && <RoomActions {...{ desk, room, onClose, onSelect }} />}
    </section>
  );
}

function RoomHeader({ job, room, onClose, onSelect }: Omit<Props, "desk" | "plan"> & Pick<JobDesk, "job">) {
  const place = job.rooms.findIndex((each) => each.id === room.id);
  const [before, after] = [job.rooms[place - 1], job.rooms[place + 1]];
  return (
    <div className="flex flex-wrap items-center">
      <h2 className="min-w-0 flex-1 basis-40 break-words font-bold text-xl">{room.name}</h2>
      <StepButton
        to={before}
        name="Previous room"
        icon={<ChevronLeft aria-hidden size={24} />}
        onSelect={onSelect}
      />
      <StepButton
        to={after}
        name="Next room"
        icon={<ChevronRight aria-hidden size={24} />}
        onSelect={onSelect}
      />
      <button
        type="button"
        aria-label="Close room"
        onClick={onClose}
        className="-mr-3 grid size-12 place-items-center"
      >
        <X aria-hidden size={22} />
      </button>
    </div>
  );
}

/** What a room takes and keeps of the water. */
function RoomUses({ plan }: Pick<Props, "plan">) {
  const units = useUnits();
  return (
    <p className="mb-3 text-sm text-soft">
      Uses{" "}
      <ExplainedFigure label="Pre-spray" working={() => explainPreSpray(plan)} className="font-mono text-ink">
        {formatAmount(units.volume(plan.preSpray))}
      </ExplainedFigure>{" "}
      of pre-spray, leaves{" "}
      <ExplainedFigure label="Residual" working={() => explainResidual(plan)} className="font-mono text-ink">
        {units.massPerArea(plan.residual)}
      </ExplainedFigure>{" "}
      of water.
    </p>
  );
}
