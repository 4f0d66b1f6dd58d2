import { CircleHelp, CloudOff, HardDrive, RefreshCw } from "lucide-react";
import { lazy, type ReactNode, Suspense } from "react";
import { useDeviceQuery } from "../device/deviceQuery.ts";
import { isSendable } from "../device/requests.ts";
import { type ConnectionState, selectReach, selectUpdate } from "../state/connectionSlice.ts";
import { selectUnstored } from "../state/pendingSlice.ts";
import { useAppSelector } from "../state/store.ts";
import { Button } from "../ui/Button.tsx";
import { openOtherCrew } from "./otherCrew.ts";

const takeUpdate = async () => (await import("./updates.ts")).takeUpdate();
const ClashPanels = lazy(async () => ({ default: (await import("./ConflictPanels.tsx")).ConflictPanels }));
const AsidePanel = lazy(async () => ({ default: (await import("./DeadLetterPanel.tsx")).DeadLetterPanel }));

const changes = (count: number) => (count === 1 ? "1 change is" : `${count} changes are`);
const keptHere = (count: number) =>
  count > 0
    ? `${changes(count)} kept on this device and sent when it is back.`
    : "Go on working: everything is kept on this device.";

const SENTENCES: Record<Exclude<ConnectionState, "ok">, (waiting: number) => string> = {
  offline: (waiting) => `No connection. ${keptHere(waiting)}`,
  "server-fault": (waiting) => `The server has a fault. ${keptHere(waiting)}`,
  "signed-out": (waiting) =>
    `You are signed out. ${waiting > 0 ? `${changes(waiting)} kept here and sent when you sign in.` : "Sign in to go on with the crew’s work."}`,
  "update-needed": (waiting) =>
    `This app is too old for the server. ${waiting > 0 ? `${changes(waiting)} kept here and sent once it is up to date.` : "Bring it up to date to send anything."}`,
  "wrong-crew": (waiting) =>
    `The server works for another crew now. ${waiting > 0 ? `${changes(waiting)} kept here under this crew’s name, and not sent.` : "What is here of this crew stays here."}`,
};

/** Whether what was done here has reached the server, what can't be sent or kept, and what has to be decided. */
export function ConnectionStrip() {
  const reach = useAppSelector(selectReach);
  const unstored = useAppSelector(selectUnstored);
  const update = useAppSelector(selectUpdate);
  const found = useDeviceQuery(async (db) => {
    const all = (await db.allWaiting()).flat();
    return {
      waiting: all.filter(isSendable).length,
      aside: all.some(({ trouble }) => trouble?.aside),
      clashing: (await db.jobs.where("clashing").equals(1).count()) > 0,
    };
  }, []);
  return (
    <>
      <div aria-live="polite" className="sticky top-0 z-20 print:hidden">
        {unstored > 0 && (
          <Line tone="stop" icon={<HardDrive aria-hidden size={18} className="shrink-0" />}>
            This device can’t keep {unstored === 1 ? "the last change" : `the last ${unstored} changes`}: it
            is full, or another window has a newer version open. It stays in this window and is sent as soon
            as it can be. Don’t close the window; make room on the device.
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
            {reach === "wrong-crew" && (
              <Button weight="quiet" onClick={() => void openOtherCrew()}>
                Open that crew’s work
              </Button>
            )}
          </Line>
        )}
        {update && (
          <Line tone="advice" icon={<RefreshCw aria-hidden size={18} className="shrink-0" />}>
            A newer version is here. Take it when nothing is in your hands.
            <Button weight="quiet" onClick={() => void takeUpdate()}>
              Take it now
            </Button>
          </Line>
        )}
        {(found?.clashing || found?.aside) && (
          <Line tone="caution" icon={<CircleHelp aria-hidden size={18} className="shrink-0" />}>
            There is something to decide.
            <Button weight="quiet" onClick={() => scrollTo({ top: 0 })}>
              Look at it
            </Button>
          </Line>
        )}
      </div>
      {/* In the flow of the page, so that they don't cover what is being worked on. */}
      <Suspense fallback={null}>
        <div className="grid gap-2 print:hidden">
          {found?.clashing && <ClashPanels />}
          {found?.aside && <AsidePanel />}
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
