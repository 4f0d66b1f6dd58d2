import type { Endpoints } from "@scutch/contract";
import { useCallback, useEffect, useState } from "react";
import { type AccountFault, outcomeOf } from "../../device/account.ts";
import { type Answer, pathOf } from "../../device/api.ts";
import { session } from "../../device/session.ts";

type Readable = {
  [K in keyof Endpoints]: Endpoints[K] extends { readonly method: "get" } ? K : never;
}[keyof Endpoints];

/** What the server says now. Accounts aren't kept on the device: who may do what is asked where it is decided. */
export function useAnswer<K extends Readable>(name: K) {
  const [state, setState] = useState<{ readonly value?: Answer<K>; readonly fault?: AccountFault }>({});
  const load = useCallback(() => {
    void outcomeOf<Answer<K>>(session().send("GET", pathOf(name))).then(setState);
  }, [name]);
  useEffect(load, [load]);
  return { ...state, load };
}

/** Asks the server to change something; what went wrong is the answer. */
export async function change(
  method: "PUT" | "POST" | "DELETE",
  path: string,
  body?: object,
): Promise<AccountFault | undefined> {
  const outcome = await outcomeOf(session().send(method, path, body));
  return "fault" in outcome ? outcome.fault : undefined;
}
