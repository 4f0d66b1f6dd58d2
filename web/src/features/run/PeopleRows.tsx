import { itemAt, lastOf } from "@scutch/core";
import type { Step, StepKind } from "@scutch/core/run";
import { timeAt } from "../../format/time.ts";
import { personName, stepName } from "../../shared/run/stepWords.ts";
import type { Axis } from "./useAxis.ts";

interface Props {
  readonly steps: readonly Step[];
  readonly people: number;
  readonly names: readonly string[];
  readonly roomName: (id: string) => string;
  readonly start: number;
  readonly axis: Axis;
  readonly y: number;
  readonly narrow: boolean;
  readonly pinned: ReadonlySet<string>;
  readonly onStep: (step: Step) => void;
}

export const PERSON = 34;
const NARROW_LABEL = 18;
/** Width of a letter in a block, px. */
const LETTER = 6.6;

export const heightOfPeople = (people: number, narrow: boolean) =>
  people * (PERSON + (narrow ? NARROW_LABEL : 0));

/** Who does what: a row a person, a block a step, as long as it takes. */
export function PeopleRows({
  steps,
  people,
  names,
  roomName,
  start,
  axis,
  y,
  narrow,
  pinned,
  onStep,
}: Props) {
  const { x, left } = axis;
  const row = PERSON + (narrow ? NARROW_LABEL : 0);
  return Array.from({ length: people }, (_, who) => {
    const top = y + who * row + (narrow ? NARROW_LABEL : 0);
    const own = steps.filter((step) => step.who === who || step.kind === "break");
    return (
      <g key={personName(who, names)}>
        <text
          x={narrow ? 8 : left - 12}
          y={narrow ? top - 5 : top + 21}
          textAnchor={narrow ? "start" : "end"}
          className="fill-ink font-bold text-[15px]"
        >
          {personName(who, names)}
        </text>
        <g clipPath="url(#run-hours)">
          {own.map((step) => {
            const from = x(timeAt(start, step.start / 3600));
            const width = x(timeAt(start, step.end / 3600)) - from;
            return (
              // biome-ignore lint/a11y/noStaticElementInteractions: a wider target for what the table of steps also does
              <rect
                key={step.id}
                x={from}
                width={Math.max(1, width - 0.5)}
                y={top}
                height={PERSON - 6}
                fill={FILL[step.kind]}
                stroke={pinned.has(step.id) ? "var(--accent)" : "var(--rule)"}
                strokeWidth={pinned.has(step.id) ? 3 : 0.75}
                className="cursor-pointer"
                onClick={() => onStep(step)}
              >
                <title>{`${stepName(step)}${step.roomId ? `, ${roomName(step.roomId)}` : ""}`}</title>
              </rect>
            );
          })}
          {together(own).map((group) => {
            const first = itemAt(group, 0);
            const from = x(timeAt(start, first.start / 3600));
            const width = x(timeAt(start, lastOf(group).end / 3600)) - from;
            const said = groupText(group, roomName, Math.floor((width - 8) / LETTER));
            return said === "" ? null : (
              <text
                key={first.id}
                x={from + 4}
                y={top + 19}
                className="pointer-events-none fill-ink font-semibold text-[12px]"
                stroke="var(--paper)"
                strokeWidth={2.5}
                strokeOpacity={0.7}
                paintOrder="stroke"
              >
                {said}
              </text>
            );
          })}
        </g>
      </g>
    );
  });
}

/** What is in the hand shows by tone: dry work darker, rest pale. */
const PLAIN = "var(--paper)";
const PALE = "color-mix(in srgb, var(--rule) 35%, var(--paper))";
const SPRAY = "color-mix(in srgb, var(--color-wet-1) 55%, var(--paper))";
const VACUUM = "color-mix(in srgb, var(--rule) 70%, var(--paper))";
const FILL: Readonly<Record<StepKind, string>> = {
  furniture: PLAIN,
  vacuum: VACUUM,
  edges: PLAIN,
  bag: PLAIN,
  "pre-spot": PLAIN,
  "pre-spray": SPRAY,
  "re-mist": SPRAY,
  agitate: PLAIN,
  clean: "var(--wash)",
  pad: PLAIN,
  spots: PLAIN,
  odour: PLAIN,
  groom: PLAIN,
  fans: PLAIN,
  "last-vacuum": VACUUM,
  "set-up": PALE,
  rinse: PLAIN,
  fill: PLAIN,
  "tank-trip": PLAIN,
  break: "var(--ground)",
  "pack-up": PALE,
  own: PLAIN,
};

/** Steps that follow one another in one room, so that its name is told once over them. */
function together(steps: readonly Step[]): Step[][] {
  const groups: Step[][] = [];
  for (const step of steps) {
    const last = groups.at(-1)?.at(-1);
    const goesOn =
      last && last.roomId === step.roomId && step.start - last.end < 60 && step.roomId !== undefined;
    if (goesOn) groups.at(-1)?.push(step);
    else groups.push([step]);
  }
  return groups;
}

function groupText(group: readonly Step[], roomName: (id: string) => string, letters: number): string {
  const [first] = group;
  if (!first) return "";
  const short = stepName(first).toLowerCase();
  const room = first.roomId === undefined ? undefined : roomName(first.roomId);
  const texts =
    room === undefined ? [short] : group.length === 1 ? [`${short} ${room}`, room, short] : [room];
  return texts.find((text) => text.length <= letters) ?? "";
}
