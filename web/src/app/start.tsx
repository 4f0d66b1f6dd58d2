import type { CrewId } from "@scutch/contract";
import { StrictMode, useEffect, useState } from "react";
import { Provider } from "react-redux";
import { sendAs } from "../device/api.ts";
import { followChanges } from "../device/changeFeed.ts";
import { firstAsk, firstIdle } from "../device/firstSight.ts";
import { askCrew, type CrewAnswer, keepCrew, pullCrew } from "../device/pull.ts";
import { rememberCrew, rememberedCrew } from "../device/rememberedCrew.ts";
import { type Session, startSession } from "../device/session.ts";
import { noteConnection, selectReach, updateFound } from "../state/connectionSlice.ts";
import { selectUnstored } from "../state/pendingSlice.ts";
import { keepSettings, loadSettings, settingsLoaded } from "../state/settingsSlice.ts";
import { makeStore, type Store } from "../state/store.ts";
import { Button } from "../ui/Button.tsx";
import { App } from "./App.tsx";

/** While the server can’t be reached it is looked for this often, ms. */
const LOOK_AGAIN = 15_000;

/** The crew to open: remembered by this device, or heard of just now. */
interface Opened {
  readonly id: CrewId;
  readonly heard?: { readonly answer: CrewAnswer; readonly askedAt: number };
}
function remembered(): Opened | undefined {
  const id = rememberedCrew();
  return id && { id };
}

/** Opens a crew's work on this device, and keeps it in step with the server while the page is open. */
function open({ id: crewId, heard }: Opened, store: Store): Session {
  const session = startSession(crewId, store);
  const { db, lanes } = session;
  store.dispatch(settingsLoaded(loadSettings(crewId)));
  document.documentElement.dataset.theme = store.getState().settings.theme;
  let kept = store.getState().settings;
  let reach = selectReach(store.getState());
  store.subscribe(() => {
    const { settings } = store.getState();
    const before = reach;
    reach = selectReach(store.getState());
    // The server answers again: send what waits now, not after its pause.
    if (before !== "ok" && reach === "ok") lanes.sendNow();
    if (settings === kept) return;
    kept = settings;
    keepSettings(crewId, settings);
    document.documentElement.dataset.theme = settings.theme;
  });
  // What an earlier visit couldn't send goes now, and whenever there is reason to think the server is back.
  const meet = async () => {
    lanes.sendNow();
    noteConnection(store, await pullCrew(db, sendAs(undefined)));
  };
  if (heard) void keepCrew(db, heard.answer, heard.askedAt).then((result) => noteConnection(store, result));
  else void firstAsk().then(meet);
  addEventListener("online", () => void meet());
  addEventListener("offline", () => noteConnection(store, "offline"));
  setInterval(() => {
    if (selectReach(store.getState()) !== "ok") void meet();
  }, LOOK_AGAIN);
  document.addEventListener("visibilitychange", () => {
    if (document.visibilityState === "visible") void meet();
  });
  // What lives in this page alone goes with it: leaving asks first.
  addEventListener("beforeunload", (event) => {
    if (selectUnstored(store.getState()) > 0) event.preventDefault();
  });
  void firstIdle().then(async () => {
    followChanges(session);
    // Else a device short of room may throw the database away.
    void navigator.storage?.persist?.().catch(() => false);
    const { followUpdates } = await import("./updates.ts");
    followUpdates(() => store.dispatch(updateFound()));
  });
  return session;
}

/** The app, once it is known whose work it is: remembered from last time, else asked. */
export function Start() {
  const [store] = useState(makeStore);
  const [crew, setCrew] = useState(remembered);
  const [offline, setOffline] = useState(false);
  const [opened, setOpened] = useState(false);
  const [round, setRound] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again in a new round
  useEffect(() => {
    if (crew) return;
    setOffline(false);
    const askedAt = Date.now();
    void askCrew(sendAs(undefined)).then((answer) => {
      if (typeof answer === "string") return setOffline(true);
      rememberCrew(answer.crew.id);
      setCrew({ id: answer.crew.id, heard: { answer, askedAt } });
    });
  }, [crew, round]);
  useEffect(() => {
    if (!crew) return;
    open(crew, store);
    setOpened(true);
  }, [crew, store]);
  if (opened)
    return (
      <StrictMode>
        <Provider store={store}>
          <App />
        </Provider>
      </StrictMode>
    );
  if (!offline)
    return (
      <p role="status" className="p-8 text-soft">
        Opening…
      </p>
    );
  return (
    <div role="alert" className="mx-auto max-w-prose p-8">
      <h1 className="font-bold text-2xl">You’re offline, and nothing is saved on this device yet.</h1>
      <p className="mt-2 mb-4 text-soft">Open the app once online and today’s jobs will work offline.</p>
      <Button weight="main" onClick={() => setRound((before) => before + 1)}>
        Try again
      </Button>
    </div>
  );
}
