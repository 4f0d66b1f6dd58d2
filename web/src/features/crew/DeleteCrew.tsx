import { CLOSING_DAYS } from "@scutch/contract";
import { useState } from "react";
import { outcomeOf } from "../../device/account.ts";
import { type Answer, pathOf } from "../../device/api.ts";
import { pullCrew } from "../../device/pull.ts";
import { session } from "../../device/session.ts";
import { faultText } from "../../shared/account/faultText.ts";
import { useSubmit } from "../../shared/account/useSubmit.ts";
import { selectCrew } from "../../state/crewSlice.ts";
import { useAppSelector } from "../../state/store.ts";
import { Button } from "../../ui/Button.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { TextInput } from "../../ui/TextInput.tsx";

/** Has the whole crew deleted after a while in which it can be kept. */
export function DeleteCrew() {
  const { name = "", closesAt } = useAppSelector(selectCrew);
  const [isAsking, setAsking] = useState(false);
  const form = useSubmit(
    (field) =>
      outcomeOf<Answer<"closeCrew">>(
        session().send("POST", pathOf("closeCrew"), { name: field("crew-name") }),
      ),
    () => {
      const { db, send } = session();
      void pullCrew(db, send);
      setAsking(false);
    },
  );
  if (closesAt) return null;
  const { fault } = form;
  return (
    <div>
      <Button onClick={() => setAsking(true)}>Delete the crew</Button>
      <Dialog open={isAsking} title={`Delete ${name}?`} onClose={() => setAsking(false)}>
        <form className="grid gap-4" onSubmit={form.onSubmit}>
          <p>
            In {CLOSING_DAYS} days everything is deleted for good: jobs, logs, photos, customers, shelf and
            van. People who are in no other crew lose their account.
          </p>
          <p>
            Until then all goes on as before, everyone sees the day, and any owner can keep the crew. Export
            the data first if you want to keep a copy.
          </p>
          <TextInput
            label={`Enter the crew’s name to confirm: ${name}`}
            name="crew-name"
            autoComplete="off"
            error={
              fault &&
              (fault.why === "field" ? "This isn’t the crew’s name. Enter it as shown." : faultText(fault))
            }
          />
          <Button type="submit" disabled={form.isSending}>
            Delete in {CLOSING_DAYS} days
          </Button>
        </form>
      </Dialog>
    </div>
  );
}
