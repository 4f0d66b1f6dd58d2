import { lazy, StrictMode, Suspense, useEffect, useState } from "react";
import { Provider } from "react-redux";
import { followChanges } from "../device/changeFeed.ts";
import { firstAsk, firstIdle } from "../device/firstSight.ts";
import { finishSignOut, forgetSettled } from "../device/leave.ts";
import { hasPin } from "../device/pin.ts";
import { keepCrew, pullCrew } from "../device/pull.ts";
import {
  CREW_KEY,
  isSigningOut,
  type RememberedCrew,
  rememberCrew,
  rememberedCrew,
} from "../device/rememberedCrew.ts";
import { type Session, startSession } from "../device/session.ts";
import { askWhoIsSignedIn, enter, type Opened } from "../device/signedIn.ts";
import { noteConnection, selectReach, updateFound } from "../state/connectionSlice.ts";
import { crewRead, selectMe } from "../state/crewSlice.ts";
import { selectUnstored } from "../state/pendingSlice.ts";
import { keepSettings, loadSettings, settingsLoaded } from "../state/settingsSlice.ts";
import { makeStore, type Store } from "../state/store.ts";
import { Button } from "../ui/Button.tsx";
import { App } from "./App.tsx";
import { DOOR_PAGES } from "./doorPages.ts";

const LockScreen = lazy(async () => ({
  default: (await import("../features/lock/LockScreen.tsx")).LockScreen,
}));
const DoorScreen = lazy(async () => ({
  default: (await import("../features/door/DoorScreen.tsx")).DoorScreen,
}));

/** While the server can’t be reached it is looked for this often, ms. */
const LOOK_AGAIN = 15_000;

/** What stands in the way of opening anything. */
type Held = "offline" | "signed-out";

/** Pages that are for those who come from outside, whoever is signed in. */
const isDoor = () => DOOR_PAGES.some((page) => page === location.pathname);

function remembered(): Opened | undefined {
  const crew = isSigningOut() || isDoor() ? undefined : rememberedCrew();
  return crew && { crew };
}

/** Whose PIN this device asks for before it opens what it remembers. */
function lockOf(found: Opened | Held | undefined) {
  const person = typeof found === "object" && !found.heard ? found.crew.person : undefined;
  return person && hasPin(person.id) ? person : undefined;
}

/** Whose work the server opens for this browser, or what stands in the way. */
async function askWho(): Promise<Opened | Held> {
  if (isSigningOut() && !(await finishSignOut().catch(() => false))) return "offline";
  if (isDoor()) return "signed-out";
  const found = await askWhoIsSignedIn();
  if (typeof found === "object") return found;
  return found === "signed-out" ? "signed-out" : "offline";
}

/** Out of sight for longer than this, the PIN is asked for again, ms. */
const AWAY = 15 * 60_000;
function lockWhenAway({ person }: RememberedCrew): void {
  let hiddenAt: number | undefined;
  document.addEventListener("visibilitychange", () => {
    const isHidden = document.visibilityState === "hidden";
    const wasAway = hiddenAt !== undefined && Date.now() - hiddenAt > AWAY;
    hiddenAt = isHidden ? Date.now() : undefined;
    if (!isHidden && wasAway && person && hasPin(person.id)) location.reload();
  });
}

const beginAgain = () => location.reload();

/** Somebody else signed in or out in another tab, or what this person may do has changed: the page begins again with what holds now. */
function followPerson({ db, store }: Session, crew: RememberedCrew): void {
  addEventListener("storage", ({ key }: StorageEvent) => {
    if (key === null || (key === CREW_KEY && rememberedCrew()?.database !== crew.database)) location.reload();
  });
  let role = crew.role;
  store.subscribe(() => {
    const me = selectMe(store.getState());
    if (!me || me.role === role) return;
    const before = role;
    role = me.role;
    rememberCrew({ ...crew, person: me.person, role: me.role, ...(me.demo ? { demo: true } : {}) });
    // What a role may see comes and goes with it.
    if (before !== undefined) void forgetSettled(db).then(beginAgain, beginAgain);
  });
}

/** Opens a crew's work on this device, and keeps it in step with the server while the page is open. */
function open({ crew, heard }: Opened, store: Store): Session {
  const crewId = crew.id;
  const session = startSession(crew, store);
  if (crew.person && crew.role)
    store.dispatch(crewRead({ me: { person: crew.person, role: crew.role, demo: crew.demo === true } }));
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
    noteConnection(store, await pullCrew(db, session.send));
  };
  if (heard) {
    // Who signs in again may have left something unsent.
    lanes.sendNow();
    void keepCrew(db, heard.answer, heard.askedAt).then((result) => noteConnection(store, result));
  } else void firstAsk().then(meet);
  followPerson(session, crew);
  lockWhenAway(crew);
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

/** The app, once it is known whose work it is: remembered from last time, else asked; or the way in. */
export function Start() {
  const [store] = useState(makeStore);
  const [found, setFound] = useState<Opened | Held | undefined>(remembered);
  const [opened, setOpened] = useState(false);
  const [isLocked, setLocked] = useState(() => lockOf(found) !== undefined);
  const [round, setRound] = useState(0);
  const crew = typeof found === "object" ? found : undefined;
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again in a new round
  useEffect(() => {
    if (crew) return;
    setFound(undefined);
    void askWho().then(setFound);
  }, [crew === undefined, round]);
  useEffect(() => {
    if (!crew || isLocked) return;
    open(crew, store);
    setOpened(true);
  }, [crew, store, isLocked]);
  // Without loading the page again: on a phone that takes as long as all the rest.
  const goIn = async (crewId?: string) => {
    const entered = await enter(crewId);
    history.replaceState(null, "", "/");
    setFound(entered ?? "offline");
  };
  const locked = isLocked ? lockOf(found) : undefined;
  if (locked)
    return (
      <Suspense fallback={null}>
        <LockScreen person={locked} onOpen={() => setLocked(false)} />
      </Suspense>
    );
  if (opened)
    return (
      <StrictMode>
        <Provider store={store}>
          <App />
        </Provider>
      </StrictMode>
    );
  if (found === "signed-out")
    return (
      <StrictMode>
        <Suspense fallback={null}>
          <DoorScreen onSignedIn={(crewId) => void goIn(crewId)} />
        </Suspense>
      </StrictMode>
    );
  if (found !== "offline")
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
