import type { Room, RoomId } from "@scutch/contract";
import { namesById } from "@scutch/core";
import { type Covering, isHardFloor, LIKELY_ANSWERS } from "@scutch/core/care";
import { METHODS } from "@scutch/core/clean";
import { DEFAULTS, defaultMethod } from "@scutch/core/plan";
import { useState } from "react";
import { COVERING_NAMES, FIBRE_NAMES, METHOD_NAMES, WINDOW_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { ChoiceField, optionsOf } from "../../ui/ChoiceField.tsx";
import { MultiSelect } from "../../ui/MultiSelect.tsx";
import { Segmented } from "../../ui/Segmented.tsx";

const SOILS = [1, 2, 3, 4, 5] as const;
const MIXED = "";

/** What rooms say alike of a field; undefined where they differ or nobody has said. */
function alike<K extends keyof Room>(rooms: readonly Room[], field: K): Room[K] | undefined {
  const [first] = rooms;
  return first && rooms.every((room) => room[field] === first[field]) ? first[field] : undefined;
}

/** What was said of one covering doesn't hold for another kind. */
function coveredWith(room: Room, covering: Covering): Room {
  const was = room.covering ?? DEFAULTS.covering;
  return isHardFloor(covering) === isHardFloor(was)
    ? { ...room, covering }
    : { ...room, covering, method: undefined, fibre: undefined, pileHeight: undefined };
}

/** What holds for all rooms said once, for some of them where some are chosen; one room's own exceptions come after. */
export function AllRooms({ desk }: { readonly desk: JobDesk }) {
  const { job, edit } = desk;
  const [some, setSome] = useState<RoomId[]>();
  const cleaned = job.rooms.filter(({ passage }) => !passage);
  const chosen = some ? cleaned.filter(({ id }) => some.includes(id)) : cleaned;
  if (cleaned.length < 2) return null;
  const ids = new Set(chosen.map(({ id }) => id));
  const each = (change: (room: Room) => Room) =>
    void edit((before) => ({
      ...before,
      rooms: before.rooms.map((room) => (ids.has(room.id) ? change(room) : room)),
    }));
  const set = (change: Partial<Room>) => each((room) => ({ ...room, ...change }));
  const carpets = chosen.filter((room) => !isHardFloor(room.covering ?? DEFAULTS.covering));
  // Coir is plant fibre whatever is said of the rest.
  const fibrous = carpets.filter(({ covering: of }) => of !== "coir");
  const covering = alike(chosen, "covering");
  const likely = LIKELY_ANSWERS[carpetOf(fibrous) ?? "cut-pile"];
  const oneCarpet = carpets.length > 1 && carpets[0]?.carpet !== undefined && alike(carpets, "carpet");
  const sayOneCarpet = (one: boolean) => {
    const name = one ? (carpets[0]?.carpet ?? `Carpet of ${carpets[0]?.name}`.slice(0, 120)) : undefined;
    each((room) => (carpets.some(({ id }) => id === room.id) ? { ...room, carpet: name } : room));
  };
  return (
    <section
      aria-label="Set all rooms"
      className="grid gap-3 border-accent border-t-4 bg-paper px-4 pt-3 pb-4"
    >
      <h2 className="font-bold text-lg">
        {some ? `Set ${chosen.length} of ${cleaned.length} rooms` : `Set all ${cleaned.length} rooms`}
      </h2>
      <Segmented<"all" | "some">
        label="Which rooms"
        labelHidden
        value={some ? "some" : "all"}
        options={[
          { value: "all", name: "All rooms" },
          { value: "some", name: "Some" },
        ]}
        onChange={(value) => setSome(value === "some" ? [] : undefined)}
      />
      {some && (
        <MultiSelect
          label="Tap the rooms to set"
          names={namesById(cleaned)}
          chosen={some}
          onChange={setSome}
        />
      )}
      {chosen.length > 0 && (
        <>
          {fibrous.length > 0 && likely.length > 0 && (
            <div className="grid grid-cols-[2fr_1fr] items-end gap-2">
              <Segmented
                label="Fibre"
                value={alike(fibrous, "fibre") ?? MIXED}
                options={likely.map((fibre) => ({ value: fibre as string, name: FIBRE_NAMES[fibre] }))}
                onChange={(fibre) => each((room) => withFibre(room, fibrous, fibre as Room["fibre"]))}
              />
              <ChoiceField
                label="or other"
                value={alike(fibrous, "fibre")}
                options={optionsOf(FIBRE_NAMES)}
                onChange={(fibre) => each((room) => withFibre(room, fibrous, fibre))}
              />
            </div>
          )}
          <Segmented
            label="Soil level, 1 dusty to 5 caked"
            value={alike(chosen, "soil") ?? 0}
            options={SOILS.map((soil) => ({ value: soil as number, name: String(soil) }))}
            onChange={(soil) => set({ soil: SOILS.find((value) => value === soil) })}
          />
          <Segmented
            label="Windows"
            value={alike(chosen, "windows") ?? MIXED}
            options={optionsOf(WINDOW_NAMES).map(({ value, name }) => ({ value: value as string, name }))}
            onChange={(windows) => set({ windows: windows as Room["windows"] })}
          />
          {carpets.length > 1 && (
            <Segmented<"yes" | "no" | "">
              label={`Same carpet in ${carpets.length === 2 ? "both" : `all ${carpets.length}`}? One dye test covers it`}
              value={oneCarpet ? "yes" : alike(carpets, "carpet") === undefined ? "" : "no"}
              options={[
                { value: "yes", name: "Same carpet" },
                { value: "no", name: "Different" },
              ]}
              onChange={(answer) => sayOneCarpet(answer === "yes")}
            />
          )}
          <div className="grid grid-cols-2 gap-2">
            <ChoiceField
              label="Floor type"
              value={covering}
              options={optionsOf(COVERING_NAMES)}
              onChange={(value) => each((room) => coveredWith(room, value))}
            />
            <ChoiceField
              label="Method"
              value={alike(chosen, "method")}
              options={METHODS.filter(
                (method) =>
                  method !== "spinner" || defaultMethod(covering ?? DEFAULTS.covering) === "spinner",
              ).map((method) => ({ value: method, name: METHOD_NAMES[method] }))}
              onChange={(method) => set({ method })}
            />
          </div>
        </>
      )}
    </section>
  );
}

/** The covering some carpets have alike, where it isn't a hard floor. */
function carpetOf(rooms: readonly Room[]): keyof typeof LIKELY_ANSWERS | undefined {
  const covering = alike(rooms, "covering") ?? DEFAULTS.covering;
  return isHardFloor(covering) ? undefined : covering;
}

const withFibre = (room: Room, carpets: readonly Room[], fibre: Room["fibre"]): Room =>
  carpets.some(({ id }) => id === room.id) ? { ...room, fibre } : room;
