import { lazy, Suspense, useEffect, useLayoutEffect, useRef } from "react";
import { BrowserRouter, Navigate, Route, Routes, useLocation, useNavigationType } from "react-router";
import { firstIdle, noteFirstSight } from "../device/firstSight.ts";
import { TodayScreen } from "../features/today/TodayScreen.tsx";
import { useMay } from "../state/useMay.ts";
import { Loading } from "../ui/States.tsx";
import { ErrorBoundary, NoSuchPage } from "./ErrorBoundary.tsx";
import { fetchPhases, jobPath, PHASES, type Phase, phaseAt } from "./phases.ts";
import { Shell } from "./Shell.tsx";

const jobScreen = async () => ({ default: (await import("./JobScreen.tsx")).JobScreen });
const JobScreen = lazy(jobScreen);
const ShelfScreen = lazy(async () => ({
  default: (await import("../features/shelf/ShelfScreen.tsx")).ShelfScreen,
}));
const VanScreen = lazy(async () => ({ default: (await import("../features/van/VanScreen.tsx")).VanScreen }));
const WeekScreen = lazy(async () => ({
  default: (await import("../features/week/WeekScreen.tsx")).WeekScreen,
}));
const DryingScreen = lazy(async () => ({
  default: (await import("../features/drying/DryingScreen.tsx")).DryingScreen,
}));
const PlacesScreen = lazy(async () => ({
  default: (await import("../features/places/PlacesScreen.tsx")).PlacesScreen,
}));
const PlaceScreen = lazy(async () => ({
  default: (await import("../features/places/PlaceScreen.tsx")).PlaceScreen,
}));
const MixerScreen = lazy(async () => ({
  default: (await import("../features/mixer/MixerScreen.tsx")).MixerScreen,
}));
const PracticeScreen = lazy(async () => ({
  default: (await import("../features/run/practice/PracticeScreen.tsx")).PracticeScreen,
}));
const PriceScreen = lazy(async () => ({
  default: (await import("../features/price/PriceScreen.tsx")).PriceScreen,
}));
const QuoteScreen = lazy(async () => ({
  default: (await import("../features/quote/QuoteScreen.tsx")).QuoteScreen,
}));
const CrewScreen = lazy(async () => ({
  default: (await import("../features/crew/CrewScreen.tsx")).CrewScreen,
}));
const ReferenceScreen = lazy(async () => ({
  default: (await import("../features/reference/ReferenceScreen.tsx")).ReferenceScreen,
}));

/** A page opened by a link starts at its top; gone back to, the browser puts it where it was. */
function ScrollToTop() {
  const { pathname } = useLocation();
  const how = useNavigationType();
  const last = useRef(pathname);
  useLayoutEffect(() => {
    if (last.current !== pathname && how === "PUSH") scrollTo(0, 0);
    last.current = pathname;
  }, [pathname, how]);
  return null;
}

/** The addresses of the app. Today comes with the first load; the others when asked for, or from the offline copy. */
export function App() {
  useEffect(() => {
    // Opened at a job, its screen is fetched while the job is read.
    void phaseAt(location.pathname)
      ?.fetch()
      .catch(() => undefined);
    // What is likely next; the offline copy, where there is one, has it anyway.
    void firstIdle()
      .then(jobScreen)
      .then(() => fetchPhases(firstIdle))
      .catch(() => undefined);
  }, []);
  return (
    <BrowserRouter>
      <ScrollToTop />
      <Routes>
        <Route path="/" element={<Shell />}>
          <Route index element={<TodayScreen jobPath={jobPath} />} />
          <Route path="jobs/:jobId" element={<Page what="the job" lasting screen={<JobScreen />} />}>
            <Route index element={<Navigate to={PHASES[0]?.path ?? ""} replace />} />
            <Route path="price" element={<Page what="the price" screen={<PriceScreen />} />} />
            <Route path="quote" element={<Page what="the quote" screen={<QuoteScreen />} />} />
            <Route path="practice" element={<Page what="practice" screen={<PracticeScreen />} />} />
            {PHASES.map((phase) => (
              <Route
                key={phase.path}
                path={phase.path}
                element={<Page what="the page" screen={<PhaseScreen phase={phase} />} />}
              />
            ))}
          </Route>
          <Route path="shelf" element={<Page what="the shelf" screen={<ShelfScreen />} />} />
          <Route path="van" element={<Page what="the van" screen={<VanScreen />} />} />
          <Route path="week" element={<Page what="the week" screen={<WeekScreen />} />} />
          <Route path="drying" element={<Page what="what is drying" screen={<DryingScreen />} />} />
          <Route path="places" element={<Page what="the places" screen={<PlacesScreen />} />} />
          <Route path="places/:siteId" element={<Page what="the place" screen={<PlaceScreen />} />} />
          <Route path="mixer" element={<Page what="the mixer" screen={<MixerScreen />} />} />
          <Route path="reference" element={<Page what="the reference" screen={<ReferenceScreen />} />} />
          <Route path="crew" element={<Page what="the crew" screen={<CrewScreen />} />} />
          <Route path="*" element={<NoSuchPage />} />
        </Route>
      </Routes>
    </BrowserRouter>
  );
}

/** A phase’s screen; for who can’t read the log, Hand over in place of what tells from it. */
function PhaseScreen({ phase: { Screen, needsLog } }: { readonly phase: Phase }) {
  const readsLog = useMay("read-log");
  return readsLog || !needsLog ? <Screen /> : <Navigate to="../hand-over" relative="path" replace />;
}

interface PageProps {
  readonly what: string;
  readonly screen: React.ReactNode;
  /** Stays while the pages inside it change. */
  readonly lasting?: boolean;
}

function Page({ what, screen, lasting = false }: PageProps) {
  const { pathname } = useLocation();
  useEffect(() => {
    if (!lasting) noteFirstSight();
  }, [lasting]);
  const opening = (
    <div className="px-4 sm:px-7">
      <Loading what={what} />
    </div>
  );
  return (
    <ErrorBoundary key={lasting ? what : pathname}>
      <Suspense fallback={opening}>{screen}</Suspense>
    </ErrorBoundary>
  );
}
