import { useMatch } from "react-router";
import { Dialog } from "../ui/Dialog.tsx";

const EVERYWHERE = [["?", "keyboard shortcuts"]] as const;
const TODAY = [["n", "new job"]] as const;
const JOB = [
  ["1 to 6", "survey, mix, run, dry, hand over, log"],
  ["a", "add room (survey)"],
  ["d", "start or finish step (run)"],
  ["u", "undo"],
  ["r", "redo"],
  ["t", "go to Today"],
] as const;

/** The keys that work on the screen one is on. */
export function KeysDialog({ onClose }: { readonly onClose: () => void }) {
  const inJob = useMatch("/jobs/:jobId/*") !== null;
  return (
    <Dialog open title="Keyboard shortcuts" onClose={onClose}>
      <dl className="mt-3">
        {[...(inJob ? JOB : TODAY), ...EVERYWHERE].map(([key, does]) => (
          <div key={key} className="flex gap-4 border-rule border-t py-2">
            <dt className="w-24 font-mono font-bold">{key}</dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
