import { useState } from "react";
import type { AccountFault } from "../../device/account.ts";
import { pathOf } from "../../device/api.ts";
import { Button } from "../../ui/Button.tsx";
import { deviceName } from "./deviceName.ts";
import { Section } from "./Section.tsx";
import { change, useAnswer } from "./useAnswer.ts";
import { useMoments } from "./useMoments.ts";

/** Where people are signed in: a lost phone is signed out here. */
export function DeviceList() {
  const { value, fault, load } = useAnswer("listDevices");
  const [refused, setRefused] = useState<AccountFault>();
  const { moment } = useMoments();
  const signOutThere = async (id: string) => {
    setRefused(await change("DELETE", pathOf("signOutDevice", { sessionId: id })));
    load();
  };
  return (
    <Section title="Signed in on" fault={refused ?? fault}>
      <p className="mt-1 text-sm text-soft">
        Lost a phone? Sign it out here: it gets and sends nothing more. What it already holds stays on it,
        behind its own lock.
      </p>
      {value?.devices.length === 0 && <p className="mt-2">No device: the demo needs no sign-in.</p>}
      <ul className="mt-2">
        {value?.devices.map((each) => (
          <li key={each.id} className="flex flex-wrap items-center gap-x-4 border-rule border-t py-2">
            <p className="min-w-0 flex-1">
              {each.person.name}, {deviceName(each.what)}
              <span className="block text-sm text-soft">
                {each.isThis ? "this device" : `last used ${moment(each.seenAt)}`}
              </span>
            </p>
            {!each.isThis && (
              <Button weight="quiet" onClick={() => void signOutThere(each.id)}>
                Sign out
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Section>
  );
}
