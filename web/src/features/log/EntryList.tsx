import { type LogEntry, mayWrite } from "@scutch/contract";
import { countedFills, retractedIds, roomRecords, sameTap } from "@scutch/core/log";
import { type ReactNode, useId, useState } from "react";
import { useSearchParams } from "react-router";
import type { JobDesk } from "../../planning/desk.ts";
import { nameById } from "../../planning/nameById.ts";
import { entryText, roomOf } from "../../shared/logging/entryText.ts";
import { useLogging } from "../../shared/logging/useLogging.ts";
import { midSentence, phaseName } from "../../shared/run/stepWords.ts";
import { selectMe } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { CheckBox, ChoiceField } from "../../ui/ChoiceField.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { inputLook } from "../../ui/FieldFrame.tsx";
import { Empty } from "../../ui/States.tsx";
import { useInSight } from "../../ui/useInSight.ts";
import { foldSteps, type LogLine } from "./foldSteps.ts";
import { useSearch } from "./useSearch.ts";

type Kind = LogEntry["kind"];
/** Kinds of entries as one looks for them: several under one name. */
const KINDS: Readonly<Record<string, { readonly name: string; readonly kinds: readonly Kind[] }>> = {
  all: { name: "Everything", kinds: [] },
  fills: { name: "Fills and products", kinds: ["fill-made", "product-used"] },
  readings: {
    name: "Readings",
    kinds: ["reading", "air-reading", "air-logged", "air-changed", "water-measured"],
  },
  finished: { name: "Rooms finished", kinds: ["room-finished"] },
  tests: { name: "Floor tests", kinds: ["dye-test", "tile-test", "override"] },
  spots: { name: "Spots", kinds: ["spot-attempt", "spot-skipped"] },
  steps: {
    name: "Run steps",
    kinds: ["run-started", "step-started", "step-done", "step-skipped", "step-handed"],
  },
  customer: {
    name: "Customer",
    kinds: ["quote-given", "quote-agreed", "payment", "walk-round", "handed-over", "second-look"],
  },
  notes: { name: "Notes", kinds: ["note"] },
};

const speaksOf = (entry: LogEntry, roomId: string) =>
  roomOf(entry) === roomId || (entry.kind === "water-measured" && entry.roomIds.some((id) => id === roomId));

/** Entries, the newest first. One that was wrong is struck out by a correction, never changed. */
const chosenKind = (said: string | null) => (said !== null && KINDS[said] ? said : "all");

export function EntryList({ desk, now }: { readonly desk: JobDesk; readonly now: number }) {
  const { about } = useTimes();
  const [correcting, setCorrecting] = useState<LogEntry>();
  const [search, setSearch] = useSearchParams();
  const kind = chosenKind(search.get("kind"));
  const room = search.get("room") ?? "";
  const [slips, setSlips] = useState(false);
  const { typed, setTyped, found } = useSearch(desk);
  const searchId = useId();
  const taken = retractedIds(desk.log);
  const slipped = new Set(
    desk.log.flatMap((entry) => (entry.kind === "correction" && entry.takenBack ? [entry.corrects] : [])),
  ).size;
  const struck = new Set(desk.log.flatMap((entry) => (entry.kind === "correction" ? [entry.corrects] : [])));
  const look = (change: Record<string, string>) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [key, value] of Object.entries(change))
          if (value === "" || value === "all") next.delete(key);
          else next.set(key, value);
        return next;
      },
      { replace: true, preventScrollReset: true },
    );
  const counted = new Set(countedFills(desk.log).map(({ id }) => id));
  const byId = new Map<string, LogEntry>(desk.log.map((entry) => [entry.id, entry]));
  const wanted = (entry: LogEntry): boolean => {
    const told = entry.kind === "correction" ? (byId.get(entry.corrects) ?? entry) : entry;
    const { kinds = [] } = KINDS[kind] ?? {};
    return (
      (kinds.length === 0 || kinds.includes(told.kind)) &&
      (room === "" || speaksOf(told, room)) &&
      (found?.has(entry.id) ?? true)
    );
  };
  const shown = desk.log.filter((entry) => wanted(entry) && (slips || !taken.has(entry.id))).toReversed();
  const gone = (desk.job.former ?? []).filter(({ id }) => desk.job.rooms.every((each) => each.id !== id));
  const rooms = [...desk.job.rooms, ...gone];
  const { drawn, end } = useInSight(`${kind} ${room} ${typed}`);
  // Someone who picks "Run steps", or looks for a word, wants each of them.
  const isAlone = (entry: LogEntry) => kind === "steps" || found !== undefined || struck.has(entry.id);
  const lines = foldSteps(shown, isAlone);
  if (desk.log.length === 0 && desk.newer.length === 0)
    return (
      <Empty title="Nothing logged yet.">Fills mixed in Mix and rooms finished in Dry appear here.</Empty>
    );
  const lineOf = (entry: LogEntry) => (
    <EntryLine
      key={entry.id}
      {...{ entry, desk, now }}
      isStruck={struck.has(entry.id)}
      isDouble={entry.kind === "fill-made" && !struck.has(entry.id) && !counted.has(entry.id)}
      onCorrect={setCorrecting}
    />
  );
  return (
    <>
      <div className="mb-3 grid grid-cols-2 gap-3 print:hidden">
        <ChoiceField
          label="Show"
          value={kind}
          options={Object.entries(KINDS).map(([value, { name }]) => ({ value, name }))}
          onChange={(value) => look({ kind: value })}
        />
        <ChoiceField<string>
          label="Room"
          value={room}
          options={[{ value: "", name: "All rooms" }, ...rooms.map(({ id, name }) => ({ value: id, name }))]}
          onChange={(value) => look({ room: value })}
        />
      </div>
      <div className="mb-3 print:hidden">
        <label htmlFor={searchId} className="text-sm text-soft">
          Find in the log
        </label>
        <input
          id={searchId}
          type="search"
          className={inputLook(false)}
          placeholder="a product, a person, a word"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
      </div>
      {shown.length === 0 && (
        <p className="py-3 text-soft">
          {found ? "Nothing in the log says that." : "No entries of this kind yet."}
        </p>
      )}
      <ol className="border-rule border-b">
        {lines
          .slice(0, drawn)
          .map((line) =>
            line.kind === "entry" ? (
              lineOf(line.entry)
            ) : (
              <FoldedSteps
                key={line.entries[0]?.id}
                {...{ line, now, lineOf }}
                room={nameById(rooms, line.roomId, "A room")}
                isPrinted={drawn === Number.POSITIVE_INFINITY}
              />
            ),
          )}
      </ol>
      {drawn < lines.length && (
        <div ref={end} className="py-3 text-soft">
          {lines.length - drawn} earlier lines
        </div>
      )}
      {taken.size > 0 && (
        <Button weight="quiet" className="print:hidden" onClick={() => setSlips(!slips)}>
          {slips ? "Hide undone entries" : `Show ${slipped} undone`}
        </Button>
      )}
      {desk.newer.length > 0 && (
        <p className="mt-3 text-soft">
          Newer than this app:{" "}
          {desk.newer.map(({ at, by }) => `${about(Date.parse(at), now)}${by ? ` by ${by}` : ""}`).join(", ")}
          . It is safe; update the app to read it.
        </p>
      )}
      {correcting && (
        <CorrectionDialog desk={desk} entry={correcting} onClose={() => setCorrecting(undefined)} />
      )}
    </>
  );
}

function EntryLine({
  entry,
  desk,
  now,
  isStruck,
  isDouble,
  onCorrect,
}: {
  readonly entry: LogEntry;
  readonly desk: JobDesk;
  readonly now: number;
  readonly isStruck: boolean;
  readonly isDouble: boolean;
  readonly onCorrect: (entry: LogEntry) => void;
}) {
  const { about, clock, dayOf } = useTimes();
  const { what, said } = entryText(entry, desk, useUnits());
  const me = useAppSelector(selectMe);
  const time = Date.parse(entry.at);
  return (
    <li className="flex flex-wrap items-start gap-x-3 border-rule border-t py-2.5">
      <span className="min-w-20 font-mono text-soft">
        {dayOf(time) === dayOf(now) ? clock(time) : about(time, now)}
      </span>
      <div className={`min-w-0 flex-1 basis-40 ${isStruck ? "text-soft line-through" : ""}`}>
        <span className="font-semibold">{what}</span>
        {entry.by && <span className="text-soft"> · {entry.by}</span>}
        {entry.importedBy && <span className="text-soft"> · imported by {entry.importedBy}</span>}
        <p className="break-words">{said}</p>
        {isDouble && <p className="text-caution-ink">Logged twice. Only the later entry counts.</p>}
      </div>
      {entry.kind !== "correction" && !isStruck && (!me || mayWrite(me.role, entry.kind)) && (
        <Button
          weight="quiet"
          className="ml-auto text-sm print:hidden"
          aria-label={`Cross out: ${what}`}
          onClick={() => onCorrect(entry)}
        >
          Cross out
        </Button>
      )}
    </li>
  );
}

/** Each phase of a room with the time it took: "vacuum 10:05–10:12". */
function phasesText(entries: readonly LogEntry[], clock: (time: number) => string): readonly string[] {
  const phases = roomRecords(entries).flatMap((record) => record.phases);
  if (phases.length === 0) return ["started"];
  return phases.map((phase) => {
    const { from, to, done, skipped } = phase;
    const name = midSentence(phaseName(phase));
    if (done === 0 || from === undefined || to === undefined) return `${name} skipped`;
    const times = clock(from) === clock(to) ? clock(to) : `${clock(from)}–${clock(to)}`;
    return `${name} ${times}${skipped > 0 ? ", partly skipped" : ""}`;
  });
}

/** The steps of one room in one line, which opens. */
function FoldedSteps({
  line,
  room,
  now,
  lineOf,
  isPrinted,
}: {
  readonly line: Extract<LogLine, { kind: "steps" }>;
  readonly room: string;
  readonly now: number;
  readonly lineOf: (entry: LogEntry) => ReactNode;
  readonly isPrinted: boolean;
}) {
  const [open, setOpen] = useState(false);
  const { about, clock, dayOf } = useTimes();
  const times = line.entries.map(({ at }) => Date.parse(at));
  const from = Math.min(...times);
  const phases = phasesText(line.entries, clock);
  return (
    <li className="border-rule border-t">
      <button
        type="button"
        aria-expanded={open}
        className="grid min-h-12 w-full grid-cols-[5rem_1fr_auto] items-start gap-x-3 py-2.5 text-left"
        onClick={() => setOpen(!open)}
      >
        <span className="font-mono text-soft">
          {dayOf(from) === dayOf(now) ? clock(from) : about(from, now)}
        </span>
        <span>
          <span className="font-semibold">{room}</span>
          <span className="block">{phases.join(", ")}</span>
        </span>
        <span className="px-2 font-semibold text-accent text-sm print:hidden">
          {open ? "Hide steps" : "Show steps"}
        </span>
      </button>
      {(open || isPrinted) && (
        <ol className={`pl-4 ${open ? "" : "hidden print:block"}`}>{line.entries.map(lineOf)}</ol>
      )}
    </li>
  );
}

function CorrectionDialog({
  desk,
  entry,
  onClose,
}: {
  readonly desk: JobDesk;
  readonly entry: LogEntry;
  readonly onClose: () => void;
}) {
  const units = useUnits();
  const log = useLogging(desk);
  const [text, setText] = useState("");
  const together = sameTap(desk.log, entry);
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const strike = () => {
    const others = together.filter(({ id }) => !kept.has(id));
    const [first, ...rest] = [entry, ...others].map(
      ({ id }) => ({ kind: "correction", corrects: id, text: text.trim() }) as const,
    );
    if (first) log(first, undefined, rest);
    onClose();
  };
  const { what, said } = entryText(entry, desk, units);
  const keep = (id: string, stays: boolean) =>
    setKept((before) => {
      const next = new Set(before);
      if (stays) next.add(id);
      else next.delete(id);
      return next;
    });
  return (
    <Dialog open title="Cross out with a reason" onClose={onClose}>
      <p className="mt-2">
        <strong>{what}</strong>: {said}
      </p>
      {together.length > 0 && (
        <fieldset className="mt-3">
          <legend className="text-sm text-soft">Logged with the same tap. Cross out too:</legend>
          {together.map((each) => {
            const line = entryText(each, desk, units);
            return (
              <CheckBox
                key={each.id}
                label={line.said ? `${line.what}: ${line.said}` : line.what}
                checked={!kept.has(each.id)}
                onChange={(checked) => keep(each.id, !checked)}
              />
            );
          })}
        </fieldset>
      )}
      <label className="mt-3 block text-sm text-soft">
        Reason and correct details
        <textarea
          rows={3}
          maxLength={2000}
          className={`${inputLook(false)} py-2 text-base`}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </label>
      <p className="my-3 text-sm text-soft">
        It stays in the log, crossed out, with your correction beside it.
      </p>
      <Button weight="main" disabled={text.trim() === ""} onClick={strike}>
        Cross out
      </Button>
    </Dialog>
  );
}
