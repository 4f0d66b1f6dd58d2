import type { Role } from "@scutch/contract";
import { CircleHelp, CloudOff, HardDrive, Lock, RefreshCw } from "lucide-react";
import { lazy, type ReactNode, Suspense, useSyncExternalStore } from "react";
import { useDeviceQuery } from "../device/deviceQuery.ts";
import { isSendable } from "../device/requests.ts";
import { openSignedIn } from "../device/signedIn.ts";
import { failedCalculations, onCalculationFailed } from "../planning/failedCalculations.ts";
import { saveUnsent } from "../shared/account/saveUnsent.ts";
import {
  type ConnectionState,
  selectDeviceLost,
  selectReach,
  selectUpdate,
} from "../state/connectionSlice.ts";
import { selectHeldClash, selectUnstored } from "../state/pendingSlice.ts";
import { refusalRead, selectRefused } from "../state/refusalSlice.ts";
import { useAppDispatch, useAppSelector } from "../state/store.ts";
import { Button } from "../ui/Button.tsx";

const takeUpdate = async () => (await import("./updates.ts")).takeUpdate();
const ClashPanels = lazy(async () => ({ default: (await import("./ConflictPanels.tsx")).ConflictPanels }));
const AsidePanel = lazy(async () => ({ default: (await import("./DeadLetterPanel.tsx")).DeadLetterPanel }));

const CalculationFailed = lazy(async () => ({
  default: (await import("./CalculationFailed.tsx")).CalculationFailed,
}));

const changes = (count: number) => (count === 1 ? "1 change" : `${count} changes`);
const keptHere = (count: number) =>
  count > 0
    ? `${changes(count)} saved on this device and will send when you’re online.`
    : "Keep working: everything is saved on this device.";

const keptUnsent = (count: number) =>
  count > 0 ? `${changes(count)} saved here and not sent.` : "Nothing here waits to be sent.";

const SENTENCES: Record<Exclude<ConnectionState, "ok">, (waiting: number) => string> = {
  offline: (waiting) => `You’re offline. ${keptHere(waiting)}`,
  "server-fault": (waiting) => `The server has a problem. ${keptHere(waiting)}`,
  "signed-out": (waiting) =>
    `You are signed out. ${waiting > 0 ? `${changes(waiting)} saved here and will send when you sign in.` : "Sign in to see the crew’s work."}`,
  "update-needed": (waiting) =>
    `This app is out of date. ${waiting > 0 ? `${changes(waiting)} saved here and will send after you update.` : "Update to send changes."}`,
  "wrong-crew": (waiting) => `You don’t belong to this crew any more. ${keptUnsent(waiting)}`,
  "other-person": (waiting) => `Someone else is signed in on this device. ${keptUnsent(waiting)}`,
};

/** What the person’s role doesn’t allow: nothing was changed. */
const REFUSED: Readonly<Record<Role, string>> = {
  owner: "Not changed.",
  technician: "Not changed: prices and crew settings are the owner’s.",
  trainee: "Not changed: as a trainee you look and practise. Open Practice to try this step by step.",
  bookkeeper: "Not changed: as a bookkeeper you change prices, payments, customers and hand-over.",
};

/** What can’t be sent in these states may never be: it can be saved to a file. */
const LEFT_OUT: readonly ConnectionState[] = ["signed-out", "wrong-crew", "other-person"];

/** Whether what was done here has reached the server, what can't be sent or kept, and what has to be decided. */
export function ConnectionStrip() {
  const reach = useAppSelector(selectReach);
  const unstored = useAppSelector(selectUnstored);
  const update = useAppSelector(selectUpdate);
  const lost = useAppSelector(selectDeviceLost);
  const failed = useSyncExternalStore(onCalculationFailed, failedCalculations);
  const heldClash = useAppSelector(selectHeldClash);
  const found = useDeviceQuery(async (db) => {
    const all = (await db.allWaiting()).flat();
    return {
      waiting: all.filter(isSendable).length,
      aside: all.some(({ trouble }) => trouble?.aside),
      clashing: (await db.jobs.where("clashing").equals(1).count()) > 0,
    };
  }, []);
  const dispatch = useAppDispatch();
  const refused = useAppSelector(selectRefused);
  const clashing = found?.clashing || heldClash;
  return (
    <>
      <div aria-live="polite" className="sticky top-0 z-20 print:hidden">
        {lost && (
          <Line tone="stop" icon={<HardDrive aria-hidden size={18} className="shrink-0" />}>
            The browser deleted the jobs saved on this device. Changes that weren’t sent are lost. Sent
            changes are on the server.
            <Button weight="quiet" onClick={() => location.reload()}>
              Open again
            </Button>
          </Line>
        )}
        {unstored > 0 && (
          <Line tone="stop" icon={<HardDrive aria-hidden size={18} className="shrink-0" />}>
            This device can’t save {unstored === 1 ? "the last change" : `the last ${unstored} changes`}: it’s
            full, or another window has a newer version. Keep this window open and free up space.
          </Line>
        )}
        {reach !== "ok" && (
          <Line tone="caution" icon={<CloudOff aria-hidden size={18} className="shrink-0" />}>
            {SENTENCES[reach](found?.waiting ?? 0)}
            {reach === "update-needed" && (
              <Button weight="quiet" onClick={() => void takeUpdate()}>
                Update now
              </Button>
            )}
            {reach === "signed-out" && (
              <Button weight="quiet" onClick={() => location.assign("/sign-in")}>
                Sign in
              </Button>
            )}
            {(reach === "wrong-crew" || reach === "other-person") && (
              <Button weight="quiet" onClick={() => void openSignedIn()}>
                Open what you’re signed in to
              </Button>
            )}
            {LEFT_OUT.includes(reach) && (found?.waiting ?? 0) > 0 && (
              <Button weight="quiet" onClick={() => void saveUnsent()}>
                Save unsent changes to a file
              </Button>
            )}
          </Line>
        )}
        {refused && (
          <Line tone="caution" icon={<Lock aria-hidden size={18} className="shrink-0" />}>
            {REFUSED[refused]}
            <Button weight="quiet" onClick={() => dispatch(refusalRead())}>
              Close
            </Button>
          </Line>
        )}
        {update && (
          <Line tone="advice" icon={<RefreshCw aria-hidden size={18} className="shrink-0" />}>
            Update ready. Install it when your hands are free.
            <Button weight="quiet" onClick={() => void takeUpdate()}>
              Install update
            </Button>
          </Line>
        )}
        {(clashing || found?.aside) && (
          <Line tone="caution" icon={<CircleHelp aria-hidden size={18} className="shrink-0" />}>
            Something needs your decision.
            <Button weight="quiet" onClick={() => scrollTo({ top: 0 })}>
              Review
            </Button>
          </Line>
        )}
      </div>
      {/* In the flow of the page, so that they don't cover what is being worked on. */}
      <Suspense fallback={null}>
        <div className="grid gap-2 print:hidden">
          {clashing && <ClashPanels />}
          {found?.aside && <AsidePanel />}
          {failed > 0 && <CalculationFailed />}
        </div>
      </Suspense>
    </>
  );
}

const LOOK = { stop: "bg-stop-wash", caution: "bg-caution-wash", advice: "bg-wash" } as const;

function Line({
  tone,
  icon,
  children,
}: {
  readonly tone: keyof typeof LOOK;
  readonly icon: ReactNode;
  readonly children: ReactNode;
}) {
  return (
    <div
      role={tone === "stop" ? "alert" : undefined}
      className={`flex flex-wrap items-center gap-x-2 border-rule border-b px-4 py-2 text-sm ${LOOK[tone]}`}
    >
      {icon}
      <p className="flex min-w-0 flex-1 flex-wrap items-center gap-x-3">{children}</p>
    </div>
  );
}
