import { DISPOSAL } from "@scutch/core/care";
import { Entry } from "./Entry.tsx";
import { type Section, searchText } from "./section.ts";

/** What goes where when the job is done. */
export function disposalSections(): Section[] {
  return DISPOSAL.map(({ what, where }) => ({
    key: what,
    text: searchText(what, where, "disposal waste"),
    Body: () => (
      <Entry title={what}>
        <p>{where}</p>
      </Entry>
    ),
  }));
}
