import { MAX_PLANNED_AIR, type PlannedAir } from "@scutch/contract";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { newUuid } from "../../device/newId.ts";
import { quantityReader } from "../../format/readers.ts";
import { WINDOW_NAMES } from "../../format/words.ts";
import type { JobDesk } from "../../planning/desk.ts";
import { useTimes } from "../../state/useTimes.ts";
import { useUnits } from "../../state/useUnits.ts";
import { Button } from "../../ui/Button.tsx";
import { CheckBox, ChoiceField } from "../../ui/ChoiceField.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { MomentField } from "../../ui/MomentField.tsx";
import { QuantityField } from "../../ui/QuantityField.tsx";

const HOUR = 3_600_000;
/** The crew is gone by then, and windows are often shut, h after the start. */
const USUAL_HOUR = 6;
const ALL_ROOMS = "all";
const SETPOINT = 16;

type What = "shut" | "ajar" | "one-open" | "cross-ventilated" | "heating-off" | "setpoint" | "gear-out";
const CHOICES: readonly { readonly value: What; readonly name: string }[] = [
  ...(["shut", "ajar", "one-open", "cross-ventilated"] as const).map((value) => ({
    value,
    name: `Windows: ${WINDOW_NAMES[value].toLowerCase()}`,
  })),
  { value: "heating-off", name: "Heating off" },
  { value: "setpoint", name: "Heating set to" },
  { value: "gear-out", name: "Our gear is taken away" },
];

const whatOf = ({ windows, heating, gearOut }: PlannedAir): What =>
  gearOut ? "gear-out" : (windows ?? (heating === false ? "heating-off" : "setpoint"));

const saidBy = (what: What): Pick<PlannedAir, "windows" | "heating" | "setpoint" | "gearOut"> => {
  switch (what) {
    case "heating-off":
      return { heating: false };
    case "setpoint":
      return { heating: true, setpoint: SETPOINT };
    case "gear-out":
      return { gearOut: true };
    default:
      return { windows: what };
  }
};

/** What will be switched while the rooms dry: windows at night, heating set back, gear fetched. */
export function PlannedAirList({ desk: { job, edit, startMs } }: { readonly desk: JobDesk }) {
  const [fault, setFault] = useState<string>();
  const { clock24 } = useTimes();
  const units = useUnits();
  const planned = job.plannedAir ?? [];
  const change = (next: readonly PlannedAir[]) =>
    setFault(edit((before) => ({ ...before, plannedAir: [...next] })));
  const put = (i: number, next: PlannedAir) => change(planned.map((each, k) => (k === i ? next : each)));
  const rooms = [
    { value: ALL_ROOMS, name: "All rooms" },
    ...job.rooms.filter(({ passage }) => !passage).map(({ id, name }) => ({ value: id as string, name })),
  ];
  return (
    <div className="grid gap-3">
      <h3 className="font-semibold">Changes by the hour</h3>
      {planned.length === 0 && (
        <p className="text-soft">
          None. Add what happens later: windows closed at night, heating turned down, gear fetched.
        </p>
      )}
      {planned.map((each, i) => {
        const { id, at, daily, roomId } = each;
        const what = whatOf(each);
        const rest = { id, at, ...(daily ? { daily } : {}), ...(roomId ? { roomId } : {}) };
        return (
          <div key={id} className="grid grid-cols-[7rem_1fr_auto] items-end gap-2 border-rule border-t pt-2">
            <MomentField
              label="At"
              type="time"
              value={at}
              onChange={(next) => put(i, { ...each, at: next })}
            />
            <ChoiceField
              label="What"
              value={what}
              options={CHOICES}
              onChange={(next) => put(i, { ...rest, ...saidBy(next) })}
            />
            <button
              type="button"
              aria-label={`Remove the change at ${at}`}
              className="grid size-12 place-items-center text-stop"
              onClick={() => change(planned.filter((_, k) => k !== i))}
            >
              <Trash2 aria-hidden size={20} />
            </button>
            <CheckBox
              label="Every day"
              checked={daily ?? false}
              onChange={(checked) => {
                const { daily: _, ...once } = each;
                put(i, checked ? { ...once, daily: true } : once);
              }}
            />
            <div className="grid grid-cols-2 gap-2">
              <ChoiceField
                label="Where"
                value={roomId ?? ALL_ROOMS}
                options={rooms}
                onChange={(next) => {
                  const { roomId: _, ...everywhere } = each;
                  const room = job.rooms.find((known) => known.id === next);
                  put(i, room ? { ...everywhere, roomId: room.id } : everywhere);
                }}
              />
              {what === "setpoint" && (
                <QuantityField
                  label="Temperature"
                  value={each.setpoint}
                  assumed={SETPOINT}
                  show={units.temperature}
                  read={quantityReader("temperature", units.bare.temperature)}
                  onChange={(setpoint) =>
                    edit(
                      (before) => ({
                        ...before,
                        plannedAir: planned.map((other) =>
                          other.id === id
                            ? { ...rest, heating: true, setpoint: setpoint ?? SETPOINT }
                            : other,
                        ),
                      }),
                      units.temperature,
                    )
                  }
                />
              )}
            </div>
          </div>
        );
      })}
      {planned.length < MAX_PLANNED_AIR && (
        <Button
          weight="quiet"
          className="justify-self-start"
          onClick={() =>
            change([
              ...planned,
              { id: newUuid(), at: clock24(Math.ceil(startMs / HOUR + USUAL_HOUR) * HOUR), windows: "shut" },
            ])
          }
        >
          Add a change
        </Button>
      )}
      <FieldError sentence={fault} />
    </div>
  );
}
