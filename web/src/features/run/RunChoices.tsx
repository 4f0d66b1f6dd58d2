import { DEFAULT_CIRCUITS, DEFAULT_ROLES, MAX_PEOPLE } from "@scutch/core/plan";
import { ArrowUp, Trash2 } from "lucide-react";
import { useId, useState } from "react";
import { newUuid } from "../../device/newId.ts";
import { counted } from "../../format/counted.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { moveItem } from "../../planning/moveItem.ts";
import { personName } from "../../shared/run/stepWords.ts";
import { useAppSelector } from "../../state/store.ts";
import { useTimes } from "../../state/useTimes.ts";
import { Button } from "../../ui/Button.tsx";
import { CheckBox, ChoiceField } from "../../ui/ChoiceField.tsx";
import { FieldError, inputLook } from "../../ui/FieldFrame.tsx";
import { MomentField } from "../../ui/MomentField.tsx";
import { Segmented } from "../../ui/Segmented.tsx";
import { MAX_CIRCUITS } from "./runChange.ts";

const LENGTHS = [10, 15, 20, 30, 45, 60].map((minutes) => ({ value: minutes * 60, name: `${minutes} min` }));

/** How the job is run, in a line. */
export function choicesText({ job: { run = {}, breaks = [], rooms } }: JobDesk): string {
  const promises = rooms.filter(({ walkOnBy }) => walkOnBy !== undefined).length;
  return [
    counted(run.people ?? 1, "person", "people"),
    counted(run.circuits ?? DEFAULT_CIRCUITS, "circuit", "circuits"),
    ...(run.fansRunning ? ["fans on"] : []),
    ...(breaks.length > 0 ? [counted(breaks.length, "break", "breaks")] : []),
    ...(promises > 0 ? [counted(promises, "promised time", "promised times")] : []),
  ].join(" · ");
}

/** How the job is run: hands, circuits, fans, breaks and what was promised. Each change plans it again. */
export function RunChoices({ desk }: { readonly desk: JobDesk }) {
  const { job, edit } = desk;
  const run = job.run ?? {};
  const people = run.people ?? 1;
  const names = useAppSelector((state) => state.crew.settings?.people) ?? [];
  const set = (change: Partial<typeof run>) =>
    edit((before) => {
      const next = { ...before.run, ...change };
      return {
        ...before,
        run: Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined)),
      };
    });
  const counts = (most: number) =>
    Array.from({ length: most }, (_, i) => ({ value: i + 1, name: String(i + 1) }));
  return (
    <section aria-label="Run settings" className="grid items-start gap-x-8 gap-y-4 lg:grid-cols-2">
      <div className="grid gap-4">
        <Segmented
          label="Crew"
          value={people}
          assumed={run.people === undefined}
          options={counts(MAX_PEOPLE)}
          onChange={(people) => set({ people })}
        />
        {people > 1 && (
          <Segmented
            label="Who cleans (the other sprays)"
            value={run.roles ?? DEFAULT_ROLES}
            assumed={run.roles === undefined}
            options={[
              { value: "first-cleans" as const, name: personName(0, names) },
              { value: "second-cleans" as const, name: personName(1, names) },
              { value: "none" as const, name: "Either" },
            ]}
            onChange={(roles) => set({ roles })}
          />
        )}
        <Segmented
          label="Circuits for motors"
          value={run.circuits ?? DEFAULT_CIRCUITS}
          assumed={run.circuits === undefined}
          options={counts(MAX_CIRCUITS)}
          onChange={(circuits) => set({ circuits })}
        />
        <CheckBox
          label="Ceiling fans run while we work"
          checked={run.fansRunning ?? false}
          onChange={(fansRunning) => set({ fansRunning: fansRunning || undefined })}
        />
        <CheckBox
          label="Vacuum every room first"
          checked={run.vacuumFirst ?? false}
          onChange={(vacuumFirst) => set({ vacuumFirst: vacuumFirst || undefined })}
        />
        <Breaks desk={desk} />
        <Promises desk={desk} />
      </div>
      <Order desk={desk} />
    </section>
  );
}

/** The rooms in the order worked; the walk-out stays the person's to keep. */
function Order({ desk: { job, edit, work } }: { readonly desk: JobDesk }) {
  const worked = job.rooms.flatMap((room, place) => (room.passage ? [] : [{ room, place }]));
  if (worked.length < 2) return null;
  return (
    <div className="grid gap-1">
      <h3 className="font-semibold">Cleaning order</h3>
      <ol className="border-rule border-b">
        {worked.map(({ room, place }, i) => (
          <li key={room.id} className="flex items-center gap-2 border-rule border-t">
            <span className="w-6 text-center font-mono text-soft">{i + 1}</span>
            <span className="min-w-0 flex-1">{room.name}</span>
            <button
              type="button"
              disabled={i === 0}
              aria-label={`${room.name} earlier`}
              className="grid size-12 place-items-center text-accent disabled:text-rule"
              onClick={() =>
                edit((before) => ({
                  ...before,
                  rooms: moveItem(before.rooms, place, (worked[i - 1]?.place ?? place) - place),
                }))
              }
            >
              <ArrowUp aria-hidden size={20} />
            </button>
          </li>
        ))}
      </ol>
      {(work.walkOut?.conflicts.length ?? 0) > 0 && (
        <p className="text-caution-ink text-sm">This order crosses a cleaned room. Fix it in Survey.</p>
      )}
    </div>
  );
}

function Breaks({ desk: { job, edit, startMs, work } }: { readonly desk: JobDesk }) {
  const [fault, setFault] = useState<string>();
  const { clock24 } = useTimes();
  const breaks = job.breaks ?? [];
  const outside = work.run.outcome === "planned" ? work.run.inactiveBreaks : [];
  const change = (next: typeof breaks) => setFault(edit((before) => ({ ...before, breaks: next })));
  return (
    <div className="grid gap-2">
      <h3 className="font-semibold">Breaks</h3>
      {breaks.map((each, i) => (
        <div key={each.id} className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
          <MomentField
            label="From"
            type="time"
            value={each.at}
            onChange={(at) => change(breaks.map((other, k) => (k === i ? { ...other, at } : other)))}
          />
          <ChoiceField
            label="Length"
            value={each.length}
            options={
              LENGTHS.some(({ value }) => value === each.length)
                ? LENGTHS
                : [...LENGTHS, { value: each.length, name: `${Math.round(each.length / 60)} min` }]
            }
            onChange={(length) => change(breaks.map((other, k) => (k === i ? { ...other, length } : other)))}
          />
          <button
            type="button"
            aria-label={`Remove the break at ${each.at}`}
            className="grid size-12 place-items-center text-stop"
            onClick={() => change(breaks.filter((_, k) => k !== i))}
          >
            <Trash2 aria-hidden size={20} />
          </button>
          {outside.includes(each.id) && (
            <p className="col-span-full text-sm text-soft">Outside this run: it changes nothing.</p>
          )}
        </div>
      ))}
      <Button
        weight="quiet"
        className="justify-self-start"
        onClick={() =>
          change([...breaks, { id: newUuid(), at: clock24(startMs + 2 * 3_600_000), length: 15 * 60 }])
        }
      >
        Add break
      </Button>
      <FieldError sentence={fault} />
    </div>
  );
}

function Promises({ desk: { job, work, edit } }: { readonly desk: JobDesk }) {
  const id = useId();
  const rooms = work.rooms.filter(({ passage }) => !passage);
  const promised = job.rooms.filter(({ walkOnBy }) => walkOnBy !== undefined);
  const set = (roomId: string, walkOnBy: string | undefined) =>
    edit((before) => ({
      ...before,
      rooms: before.rooms.map((room) => {
        if (room.id !== roomId) return room;
        const { walkOnBy: _, ...rest } = room;
        return walkOnBy === undefined ? rest : { ...rest, walkOnBy };
      }),
    }));
  const open = rooms.filter((room) => promised.every((each) => each.id !== room.id));
  return (
    <div className="grid gap-2">
      <h3 className="font-semibold">Promised touch-dry times</h3>
      {promised.map((room) => (
        <div key={room.id} className="grid grid-cols-[1fr_8rem_auto] items-center gap-2">
          <label htmlFor={`${id}${room.id}`}>{room.name}</label>
          <input
            id={`${id}${room.id}`}
            type="time"
            className={inputLook(false)}
            value={room.walkOnBy ?? ""}
            onChange={({ target }) => target.value && void set(room.id, target.value)}
          />
          <button
            type="button"
            aria-label={`Remove promised time for ${room.name}`}
            className="grid size-12 place-items-center text-stop"
            onClick={() => set(room.id, undefined)}
          >
            <Trash2 aria-hidden size={20} />
          </button>
        </div>
      ))}
      {open.length > 0 && (
        <ChoiceField
          label="Add promised time for"
          value={undefined}
          options={open.map(({ id: value, name }) => ({ value, name }))}
          onChange={(roomId) => void set(roomId, "17:00")}
        />
      )}
    </div>
  );
}
