import { ROLES, type Role } from "@scutch/contract";
import { pathOf, sendAs } from "../device/api.ts";
import { openSignedIn } from "../device/signedIn.ts";
import { ROLE_WORDS } from "../shared/account/roleWords.ts";
import { selectReach } from "../state/connectionSlice.ts";
import { selectMe } from "../state/crewSlice.ts";
import { useAppSelector } from "../state/store.ts";

async function seeAs(role: Role): Promise<void> {
  const { outcome } = await sendAs(undefined)("PUT", pathOf("chooseDemoRole"), { role });
  if (outcome === "done") await openSignedIn();
}

/** Says that this is the demo, and as whom it is seen; the way to a crew of one’s own. */
export function DemoStrip() {
  const me = useAppSelector(selectMe);
  const reach = useAppSelector(selectReach);
  if (!me?.demo || reach === "signed-out") return null;
  return (
    <div className="flex flex-wrap items-center gap-x-3 border-rule border-b bg-wash px-4 text-sm print:hidden">
      <label className="flex min-h-12 items-center gap-2">
        <span>
          Demo: <span className="max-sm:hidden">you are </span>
          <strong>{me.person.name}</strong>,
        </span>
        <select
          aria-label="See the demo as"
          className="min-h-12 rounded-md border border-rule bg-ground px-2 font-semibold"
          value={me.role}
          onChange={(event) => void seeAs(event.target.value as Role)}
        >
          {ROLES.map((role) => (
            <option key={role} value={role}>
              {ROLE_WORDS[role].name.toLowerCase()}
            </option>
          ))}
        </select>
      </label>
      <a
        href="/start"
        className="inline-flex min-h-12 items-center font-semibold text-accent hover:underline sm:ml-auto"
      >
        Start your own crew
      </a>
    </div>
  );
}
