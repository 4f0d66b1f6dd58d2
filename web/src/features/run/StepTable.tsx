import { type JobRun, joinShortSteps, type Step } from "@scutch/core/run";
import { Pin } from "lucide-react";
import { timeAt } from "../../format/time.ts";
import { joinedName, personName, toolName } from "../../shared/run/stepWords.ts";
import { useTimes } from "../../state/useTimes.ts";

interface Props {
  readonly run: JobRun;
  readonly start: number;
  readonly people: number;
  readonly names: readonly string[];
  readonly roomName: (id: string) => string;
  readonly vesselName: (id: string) => string;
  readonly pinned: ReadonlySet<string>;
  readonly onStep?: (step: Step) => void;
}

/** Every step of the run in the order it begins: what stands behind the picture, and what is printed. */
export function StepTable({ run, start, people, names, roomName, vesselName, pinned, onStep }: Props) {
  const { clock } = useTimes();
  const time = (seconds: number) => clock(timeAt(start, seconds / 3600));
  const manyIn = (roomId: string) => run.sections.filter((each) => each.roomId === roomId).length > 1;
  const sectionOf = (id: string) => run.sections.find((each) => each.id === id);
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left text-sm [&_td]:pr-3 [&_th]:pr-3">
        <thead className="text-soft">
          <tr>
            <th className="py-1 font-normal">From</th>
            <th className="font-normal">To</th>
            {people > 1 && <th className="font-normal">Who</th>}
            <th className="font-normal">What</th>
            <th className="font-normal">Clean by</th>
          </tr>
        </thead>
        <tbody>
          {joinShortSteps(run.steps).map((joined) => {
            const [step] = joined;
            const until = joined.at(-1) ?? step;
            const spray = joined.find(({ kind }) => kind === "pre-spray");
            const section = step.sectionId === undefined ? undefined : sectionOf(step.sectionId);
            const part = section && manyIn(section.roomId) ? ` ${section.number}` : "";
            const tools = joined.flatMap((each) => toolName(each, vesselName) ?? []);
            const tool = [...new Set(tools)].join(", ");
            const what = `${joinedName(joined)}${step.roomId ? `, ${roomName(step.roomId)}${part}` : ""}`;
            return (
              <tr key={step.id} className="border-rule border-t print:border-black">
                <td className="py-1 font-mono">{time(step.start)}</td>
                <td className="font-mono">{time(until.end)}</td>
                {people > 1 && <td>{step.who === undefined ? "all" : personName(step.who, names)}</td>}
                <td>
                  {onStep ? (
                    <button
                      type="button"
                      onClick={() => onStep(step)}
                      className="inline-flex min-h-12 items-center gap-1 text-left font-semibold"
                    >
                      {what}
                      {joined.some(({ id }) => pinned.has(id)) && (
                        <Pin aria-label="locked" size={15} className="text-accent" />
                      )}
                    </button>
                  ) : (
                    <strong>{what}</strong>
                  )}
                  {tool && <span className="text-soft print:text-black"> {tool}</span>}
                </td>
                <td className="font-mono">{spray && section ? time(section.cleanDeadline) : ""}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
