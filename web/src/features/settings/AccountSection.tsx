import { useState } from "react";
import { Link } from "react-router";
import { device } from "../../device/db.ts";
import { useDeviceQuery } from "../../device/deviceQuery.ts";
import { signOut } from "../../device/leave.ts";
import { ROLE_WORDS } from "../../shared/account/roleWords.ts";
import { saveUnsent } from "../../shared/account/saveUnsent.ts";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { Button } from "../../ui/Button.tsx";
import { Callout } from "../../ui/Callout.tsx";
import { PinSection } from "./PinSection.tsx";

/** Who is signed in on this device, and the way out. */
export function AccountSection({ onClose }: { readonly onClose: () => void }) {
  const { me, name } = useAppSelector(selectCrew);
  const [isLeaving, setLeaving] = useState(false);
  const waiting = useDeviceQuery(async (db) => (await db.allWaiting()).flat().length, []) ?? 0;
  if (!me) return null;
  const leave = () => void signOut(device()).then(() => location.assign("/sign-in"));
  return (
    <div className="grid gap-2">
      <p>
        <strong>{me.person.name}</strong>
        <span className="text-soft">
          {" "}
          · {ROLE_WORDS[me.role].name}
          {name ? ` at ${name}` : ""}
        </span>
      </p>
      {isLeaving && waiting > 0 && (
        <Callout
          tone="caution"
          title={`${waiting === 1 ? "1 change isn’t" : `${waiting} changes aren’t`} sent yet.`}
        >
          <p>Signing out deletes them from this device. Go online first and they send by themselves.</p>
          <div className="mt-2 flex flex-wrap gap-2">
            <Button onClick={() => void saveUnsent()}>Save them to a file</Button>
            <Button onClick={leave}>Delete them and sign out</Button>
            <Button weight="quiet" onClick={() => setLeaving(false)}>
              Stay signed in
            </Button>
          </div>
        </Callout>
      )}
      <div className="flex flex-wrap items-center gap-x-4">
        <Link
          to="/crew"
          onClick={onClose}
          className="inline-flex min-h-12 items-center font-semibold text-accent hover:underline"
        >
          Crew, devices and password
        </Link>
        {!me.demo && !(isLeaving && waiting > 0) && (
          <Button weight="quiet" onClick={() => (waiting > 0 ? setLeaving(true) : leave())}>
            Sign out
          </Button>
        )}
      </div>
      {!me.demo && <PinSection personId={me.person.id} />}
      {!me.demo && <p className="text-sm text-soft">Signing out takes the crew’s work off this device.</p>}
    </div>
  );
}
