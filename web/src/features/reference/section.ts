import type { ComponentType } from "react";

/** One entry of a page: what it is found by, in lower case, and how it is drawn. */
export interface Section {
  readonly key: string;
  readonly text: string;
  readonly Body: ComponentType;
}

/** What an entry is found by: all its words. */
export const searchText = (...words: readonly (string | undefined)[]) =>
  words.filter(Boolean).join(" ").toLowerCase();
