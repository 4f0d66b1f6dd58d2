import { keysOfRecord } from "@scutch/core";
import MiniSearch from "minisearch";
import { OTHER_NAMES } from "./otherNames.ts";
import type { Section } from "./section.ts";
import { PAGE_NAMES, type PageName, sectionsOf } from "./sections.ts";
import { sameAs, wordsAsked } from "./words.ts";

export interface Found {
  readonly name: PageName;
  readonly sections: readonly Section[];
}

const NAMES = keysOfRecord(PAGE_NAMES);
/** From so many letters on a word may be one letter off, and may be the beginning of another. */
const FUZZY_FROM = 5;
const PREFIX_FROM = 3;

let built: MiniSearch | undefined;
function index(): MiniSearch {
  if (built) return built;
  built = new MiniSearch({ fields: ["key", "also", "text"], idField: "id" });
  for (const name of NAMES)
    built.addAll(
      sectionsOf(name).map(({ key, text }, i) => ({
        id: `${name} ${i}`,
        key,
        also: OTHER_NAMES[key] ?? "",
        text,
      })),
    );
  return built;
}

function ranked(asked: string, together: "AND" | "OR"): Map<string, number> {
  const queries = wordsAsked(asked).map((word) => ({ combineWith: "OR" as const, queries: sameAs(word) }));
  const results = index().search(
    { combineWith: together, queries },
    {
      prefix: (word) => word.length >= PREFIX_FROM,
      fuzzy: (word) => (word.length >= FUZZY_FROM ? 0.2 : false),
      boost: { key: 3, also: 3 },
    },
  );
  return new Map(results.map(({ id, score }) => [String(id), score]));
}

/**
 * Entries about what was asked, in any order of its words and by what else they are called; the nearest first. Where
 * nothing speaks of all the words, what speaks of some: `all` is false then.
 */
export function findAll(asked: string): { readonly found: readonly Found[]; readonly all: boolean } {
  const every = ranked(asked, "AND");
  const scores = every.size > 0 ? every : ranked(asked, "OR");
  const pages = NAMES.map((name) => {
    const own = sectionsOf(name)
      .map((section, i) => ({ section, score: scores.get(`${name} ${i}`) ?? 0 }))
      .filter(({ score }) => score > 0)
      .toSorted((a, b) => b.score - a.score);
    return { name, sections: own.map(({ section }) => section), best: own[0]?.score ?? 0 };
  });
  return {
    found: pages.filter(({ best }) => best > 0).toSorted((a, b) => b.best - a.best),
    all: every.size > 0,
  };
}
