import { may, type Permission } from "@scutch/contract";
import {
  BookOpen,
  ChartNoAxesColumn,
  Droplets,
  FlaskConical,
  List,
  type LucideIcon,
  MapPin,
  Moon,
  Pipette,
  Ruler,
  Settings2,
  Sun,
  Truck,
} from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { Link, NavLink, Outlet, useMatch } from "react-router";
import { selectMe } from "../state/crewSlice.ts";
import { themeChosen, unitsChosen } from "../state/settingsSlice.ts";
import { useAppDispatch, useAppSelector } from "../state/store.ts";
import { useUnits } from "../state/useUnits.ts";
import { useShortcut } from "../ui/useShortcut.ts";
import { ClosingStrip } from "./ClosingStrip.tsx";
import { ConnectionStrip } from "./ConnectionStrip.tsx";
import { DemoStrip } from "./DemoStrip.tsx";

const KeysDialog = lazy(async () => ({ default: (await import("./KeysDialog.tsx")).KeysDialog }));
const SettingsDialog = lazy(async () => ({
  default: (await import("../features/settings/SettingsDialog.tsx")).SettingsDialog,
}));

interface Place {
  readonly to: string;
  readonly name: string;
  readonly Icon: LucideIcon;
  /** Absent: everybody sees it. */
  readonly needs?: Permission;
}
const PLACES: readonly Place[] = [
  { to: "/", name: "Today", Icon: List },
  { to: "/drying", name: "Drying", Icon: Droplets, needs: "read-log" },
  { to: "/week", name: "Week", Icon: ChartNoAxesColumn, needs: "read-money" },
  { to: "/places", name: "Places", Icon: MapPin },
  { to: "/van", name: "Van", Icon: Truck },
  { to: "/shelf", name: "Shelf", Icon: FlaskConical },
  { to: "/mixer", name: "Mixer", Icon: Pipette },
  { to: "/reference", name: "Reference", Icon: BookOpen },
];

/** What stands round every screen: the rail on a laptop, a bar on a phone, and word of the connection. */
export function Shell() {
  const dispatch = useAppDispatch();
  const theme = useAppSelector((state) => state.settings.theme);
  const units = useUnits().system;
  const [settings, setSettings] = useState(false);
  const [keys, setKeys] = useState(false);
  useShortcut("?", () => setKeys(true));
  const me = useAppSelector(selectMe);
  const places = PLACES.filter(({ needs }) => !needs || !me || may(me.role, needs));
  const atHome = useMatch("/") !== null;
  const railItem = "flex min-h-14 w-full flex-col items-center justify-center gap-1 text-xs font-semibold";
  const toggleUnits = () => dispatch(unitsChosen(units === "metric" ? "us" : "metric"));
  const toggleTheme = () => dispatch(themeChosen(theme === "day" ? "night" : "day"));
  const themeName = theme === "day" ? "Night colours" : "Day colours";
  return (
    <div className="flex min-h-dvh flex-col sm:flex-row">
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:z-40 focus:bg-paper focus:p-3"
      >
        Skip to the job
      </a>
      <nav
        aria-label="Scutch"
        className="sticky top-0 hidden h-dvh w-20 shrink-0 flex-col border-rule border-r p-1.5 sm:flex print:hidden"
      >
        <Link to="/" className="py-3 text-center font-extrabold tracking-tight">
          scutch
        </Link>
        {places.map(({ to, name, Icon }) => (
          <NavLink
            key={to}
            to={to}
            end={to === "/"}
            className={({ isActive }) =>
              `${railItem} rounded-md ${isActive ? "bg-wash text-accent" : "text-soft"}`
            }
          >
            <Icon aria-hidden size={22} />
            {name}
          </NavLink>
        ))}
        <div className="flex-1" />
        <button
          type="button"
          className={`${railItem} text-soft`}
          onClick={toggleUnits}
          aria-label={`Units: ${units === "metric" ? "metric" : "US"}. Switch`}
        >
          <Ruler aria-hidden size={20} />
          {units === "metric" ? "m · L · °C" : "ft · gal · °F"}
        </button>
        <button
          type="button"
          className={`${railItem} text-soft`}
          onClick={toggleTheme}
          aria-label={themeName}
        >
          {theme === "day" ? <Moon aria-hidden size={20} /> : <Sun aria-hidden size={20} />}
          {theme === "day" ? "Night" : "Day"}
        </button>
        <button type="button" className={`${railItem} text-soft`} onClick={() => setSettings(true)}>
          <Settings2 aria-hidden size={20} />
          Settings
        </button>
      </nav>
      <header className="flex flex-wrap items-center justify-between border-rule border-b px-4 sm:hidden print:hidden">
        <Link to="/" className="flex min-h-12 items-center gap-2 font-extrabold tracking-tight">
          {atHome ? "scutch" : "‹ Today"}
        </Link>
        <div className="flex">
          <button
            type="button"
            onClick={toggleUnits}
            className="min-h-12 px-3 font-semibold text-sm text-soft"
            aria-label={`Units: ${units === "metric" ? "metric" : "US"}. Switch`}
          >
            {units === "metric" ? "m · L" : "ft · gal"}
          </button>
          <Link to="/reference" aria-label="Reference" className="grid size-12 place-items-center text-soft">
            <BookOpen aria-hidden size={20} />
          </Link>
          <button
            type="button"
            onClick={() => setSettings(true)}
            aria-label="Settings"
            className="-mr-3 grid size-12 place-items-center text-soft"
          >
            <Settings2 aria-hidden size={20} />
          </button>
        </div>
      </header>
      <div className="min-w-0 flex-1">
        {atHome && (
          <nav aria-label="Main menu" className="flex flex-wrap border-rule border-b sm:hidden print:hidden">
            {/* Reference has its sign in the header. */}
            {places.slice(1, -1).map(({ to, name }) => (
              <Link
                key={to}
                to={to}
                className="grid min-h-12 flex-1 place-items-center px-1 font-semibold text-accent text-sm"
              >
                {name}
              </Link>
            ))}
          </nav>
        )}
        <DemoStrip />
        <ClosingStrip />
        <ConnectionStrip />
        <main id="main">
          <Outlet />
        </main>
      </div>
      {settings && (
        <Suspense fallback={null}>
          <SettingsDialog open onClose={() => setSettings(false)} />
        </Suspense>
      )}
      {keys && (
        <Suspense fallback={null}>
          <KeysDialog onClose={() => setKeys(false)} />
        </Suspense>
      )}
    </div>
  );
}
