import { Button } from "../../../ui/Button.tsx";
import { Dialog } from "../../../ui/Dialog.tsx";
import { NoteDialog } from "./SayDialog.tsx";
import { clockOf, TickingClock } from "./Ticking.tsx";

const REASONS = ["Not needed here", "Customer doesn’t want it", "No time", "Couldn’t reach it"];
const OWN_STEPS = [
  "Mist with water",
  "Vacuum again",
  "New spot found",
  "Fetch something from the van",
  "Talk with the customer",
];

/** What is asked before it is logged. */
export type StepQuestion = "skip" | "early" | "hand" | "own";

interface Props {
  readonly asking: StepQuestion;
  readonly what: string;
  readonly others: readonly { readonly who: number; readonly name: string }[];
  /** When its dwell is over, ms since 1970. */
  readonly readyAt: number | undefined;
  readonly onSkip: (reason: string) => void;
  readonly onHand: (to: number) => void;
  readonly onOwn: (what: string) => void;
  readonly onStart: () => void;
  readonly onClose: () => void;
}

/** Why it is passed over, to whom it goes, or whether a dwell is really cut short. */
export function StepPrompt({
  asking,
  what,
  others,
  readyAt,
  onSkip,
  onHand,
  onOwn,
  onStart,
  onClose,
}: Props) {
  if (asking === "skip")
    return (
      <NoteDialog
        title={`Skip: ${what}`}
        hint="It’s logged as not done."
        usual={REASONS}
        other="Other reason"
        take="Skip"
        maxLength={500}
        onSay={onSkip}
        onClose={onClose}
      />
    );
  if (asking === "own")
    return (
      <NoteDialog
        title="Add a step"
        hint="Starts now and is logged. Later steps shift."
        usual={OWN_STEPS}
        other="Other"
        take="Start step"
        maxLength={120}
        onSay={onOwn}
        onClose={onClose}
      />
    );
  if (asking === "hand")
    return (
      <Dialog open title={`Give to: ${what}`} onClose={onClose}>
        <div className="mt-3 grid gap-2">
          {others.map(({ who, name }) => (
            <Button key={who} onClick={() => onHand(who)}>
              Give to {name}
            </Button>
          ))}
        </div>
      </Dialog>
    );
  if (readyAt === undefined) return null;
  return (
    <Dialog open title="Dwell time isn’t up." onClose={onClose}>
      <p className="mt-2">
        <strong className="font-mono text-3xl">
          <TickingClock>{(ms) => clockOf((readyAt - ms) / 1000)}</TickingClock>
        </strong>{" "}
        left of the label’s dwell time. Less dwell cleans less.
      </p>
      <div className="mt-4 flex flex-wrap gap-2">
        <Button weight="main" onClick={onClose}>
          Wait
        </Button>
        <Button onClick={onStart}>Start anyway (logged)</Button>
      </div>
    </Dialog>
  );
}
