import { keysOfRecord } from "@scutch/core";
import { Search } from "lucide-react";
import { useDeferredValue, useId } from "react";
import { useSearchParams } from "react-router";
import { inputLook } from "../../ui/FieldFrame.tsx";
import { Empty } from "../../ui/States.tsx";
import { Answer } from "./Answer.tsx";
import { findAll } from "./search.ts";
import { PAGE_NAMES, PAGES, type PageName, sectionsOf } from "./sections.ts";
import { aboutOf } from "./words.ts";

const names = keysOfRecord(PAGE_NAMES);

/** What the rules know, to be read: made from the same data that speaks in the job, searchable, there with no signal. */
export function ReferenceScreen() {
  const searchId = useId();
  const [params, setParams] = useSearchParams();
  const page = names.find((name) => name === params.get("page")) ?? "fibres";
  const asked = params.get("find") ?? "";
  const find = useDeferredValue(asked.trim().toLowerCase());
  const change = (next: { page?: PageName; find?: string }) => {
    const all = { page, find: asked, ...next };
    setParams({ page: all.page, ...(all.find ? { find: all.find } : {}) }, { replace: true });
  };
  const { found, all } =
    find === "" ? { found: [{ name: page, sections: sectionsOf(page) }], all: true } : findAll(find);
  const { origin, fibre, covering } = aboutOf(find);
  // Told on its floor, a spot isn't told again for any floor.
  const answered = origin !== undefined && (fibre ?? covering) !== undefined;
  const count = found.reduce((sum, { sections }) => sum + sections.length, 0);
  return (
    <div className="px-4 pt-4 pb-10 sm:px-7 sm:pt-6">
      <h1 className="font-bold text-2xl">Reference</h1>
      <p className="mt-1 max-w-prose text-soft">
        The rules behind Scutch. Follow the product’s label and safety data sheet first.
      </p>
      <div className="mt-4 max-w-xl">
        <label htmlFor={searchId} className="sr-only">
          Search all pages
        </label>
        <div className="relative">
          <Search aria-hidden size={18} className="absolute top-4 left-3 text-soft" />
          <input
            id={searchId}
            type="search"
            className={`${inputLook(false)} pl-10`}
            value={asked}
            placeholder="red wine on wool, frost, use-by…"
            onChange={(event) => change({ find: event.target.value })}
          />
        </div>
      </div>
      {find === "" && (
        <nav aria-label="Pages of the reference" className="mt-4 flex flex-wrap gap-1.5">
          {names.map((name) => (
            <button
              key={name}
              type="button"
              aria-current={name === page ? "page" : undefined}
              onClick={() => change({ page: name })}
              className={`min-h-12 rounded-md border px-4 font-semibold ${name === page ? "border-ink bg-ink text-ground" : "border-rule"}`}
            >
              {PAGE_NAMES[name]}
            </button>
          ))}
        </nav>
      )}
      <p aria-live="polite" className="sr-only">
        {find === "" ? "" : `${count} found`}
      </p>
      {answered && <Answer origin={origin} fibre={fibre} covering={covering} />}
      {!all && !answered && count > 0 && <p className="mt-4 text-soft">No exact match. Closest results:</p>}
      {count === 0 && (
        <Empty title={`No results for “${asked}”.`}>
          Try a fibre, a product type, a machine part, or a spot’s cause.
        </Empty>
      )}
      {found
        .filter(({ sections }) => sections.length > 0)
        .map(({ name, sections }) => (
          <section key={name} aria-label={PAGE_NAMES[name]} className="mt-6">
            <h2 className={find === "" ? "sr-only" : "font-bold text-xl"}>{PAGE_NAMES[name]}</h2>
            {PAGES[name].intro && <p className="max-w-prose text-soft">{PAGES[name].intro}</p>}
            <div className="mt-2 grid grid-cols-1 gap-x-10 gap-y-1 lg:grid-cols-2">
              {sections
                .filter(({ key }) => !answered || key !== origin)
                .map(({ key, Body }) => (
                  <Body key={key} />
                ))}
            </div>
          </section>
        ))}
    </div>
  );
}
