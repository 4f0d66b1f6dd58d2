import { device } from "../../device/db.ts";
import { openSignedIn } from "../../device/signedIn.ts";
import { ROLE_WORDS } from "../../shared/account/roleWords.ts";
import { Button } from "../../ui/Button.tsx";
import { Section } from "./Section.tsx";
import { useAnswer } from "./useAnswer.ts";

/** The other crews of this person, each with its own work on this device. */
export function CrewChoice() {
  const { value } = useAnswer("readMe");
  const others = value?.crews.filter(({ id }) => id !== device().crewId) ?? [];
  if (others.length === 0) return null;
  return (
    <Section title="Your other crews">
      <ul className="mt-1">
        {others.map((crew) => (
          <li key={crew.id} className="flex items-center justify-between gap-3">
            <span>
              {crew.name} <span className="text-soft">· {ROLE_WORDS[crew.role].name}</span>
            </span>
            <Button weight="quiet" onClick={() => void openSignedIn(crew.id)}>
              Open
            </Button>
          </li>
        ))}
      </ul>
    </Section>
  );
}
