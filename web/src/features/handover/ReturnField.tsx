import { useTimes } from "../../state/useTimes.ts";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { useNow } from "../../ui/useNow.ts";
import type { Return, useReturnChoice } from "./useReturnChoice.ts";

/** Whether the page says that the crew comes back, and what for. */
export function ReturnField({ returns, chosen, onPick }: ReturnType<typeof useReturnChoice>) {
  const { about } = useTimes();
  const now = useNow();
  if (returns.length === 0) return null;
  return (
    <ChoiceField<Return["kind"] | "none">
      label="We come back"
      value={chosen?.kind ?? "none"}
      options={[
        ...returns.map(({ kind, at, why }) => ({ value: kind, name: `about ${about(at, now)} ${why}` })),
        { value: "none", name: "no" },
      ]}
      onChange={onPick}
      hint="The customer reads this on the page."
    />
  );
}
