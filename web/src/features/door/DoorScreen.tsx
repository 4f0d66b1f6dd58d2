import { useEffect, useState } from "react";
import { readDoor } from "../../device/account.ts";
import { deviceZone } from "../../device/deviceZone.ts";
import { idle } from "../../device/firstSight.ts";
import type { DoorFacts, DoorProps, Way } from "./door.ts";
import { JoinForm } from "./JoinForm.tsx";
import { NewPasswordForm } from "./NewPasswordForm.tsx";
import { SignInForm } from "./SignInForm.tsx";
import { StartForm } from "./StartForm.tsx";

/** ms. */
const WARM_UP = 3000;
const CLOSED: DoorFacts = { demo: false, start: false, passkeys: false, mail: false };
const wayAt = (pathname: string): Way => {
  const way = pathname.slice(1);
  return way === "join" || way === "start" || way === "new-password" ? way : "sign-in";
};

/** The way in: signing in, joining with an invite, starting a crew, setting a new password. */
export function DoorScreen({ onSignedIn }: Pick<DoorProps, "onSignedIn">) {
  const [way, setWay] = useState(() => wayAt(location.pathname));
  const [door, setDoor] = useState<DoorFacts>();
  // What a link brought along: a code or a token, which doesn't stay in the address.
  const [brought] = useState(() => location.hash.slice(1));
  useEffect(() => {
    history.replaceState(null, "", `/${way}`);
  }, [way]);
  // Asked while the person types: the first screen behind the door needs it, and it takes a slow phone a while.
  useEffect(() => void idle(WARM_UP).then(deviceZone), []);
  useEffect(() => {
    void readDoor().then((outcome) => setDoor("value" in outcome ? outcome.value : CLOSED));
  }, []);
  if (!door)
    return (
      <p role="status" className="p-8 text-soft">
        Opening…
      </p>
    );
  const common = { door, onWay: setWay, onSignedIn };
  return (
    <div className="mx-auto min-h-dvh max-w-md px-5 py-8 sm:py-16">
      <p className="font-extrabold text-xl tracking-tight">scutch</p>
      <main className="mt-6 border-ink border-t-2 pt-6">
        {way === "sign-in" && <SignInForm {...common} />}
        {way === "join" && <JoinForm {...common} brought={brought} />}
        {way === "start" && <StartForm {...common} />}
        {way === "new-password" && <NewPasswordForm {...common} token={brought} />}
      </main>
    </div>
  );
}
