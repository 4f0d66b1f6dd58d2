import { cautionSections } from "./cautionPage.tsx";
import { disposalSections } from "./disposalPage.tsx";
import { fibreSections } from "./fibrePage.tsx";
import { problemSections } from "./problemPage.tsx";
import { ruleSections } from "./rulePage.tsx";
import type { Section } from "./section.ts";
import { soilSections } from "./soilPage.tsx";
import { spotSections } from "./spotPage.tsx";
import { techniqueSections, waySections, workSections } from "./workPage.tsx";

export const PAGE_NAMES = {
  fibres: "Fibres",
  floors: "Floors and soil",
  ways: "Special floors",
  problems: "What went wrong",
  work: "Methods",
  how: "How to",
  rules: "Safe combinations",
  spots: "Spots",
  cautions: "Never together",
  disposal: "Disposal",
} as const;
export type PageName = keyof typeof PAGE_NAMES;

export const PAGES: Readonly<
  Record<PageName, { readonly intro?: string; readonly sections: () => Section[] }>
> = {
  fibres: { sections: fibreSections },
  floors: { sections: soilSections },
  ways: {
    intro: "Floors and soils with their own steps. Follow the label, the floor’s maker and local code first.",
    sections: waySections,
  },
  problems: {
    intro: "What it comes from and what helps. Try anything in a hidden spot first.",
    sections: problemSections,
  },
  work: { sections: workSections },
  how: { intro: "Each step by hand, as the step card shows it.", sections: techniqueSections },
  rules: {
    intro:
      "Every product trait has one verdict per material. An unknown fibre counts as the most delicate likely one.",
    sections: ruleSections,
  },
  spots: { intro: "Gentle to strong, one step at a time, rinsed between steps.", sections: spotSections },
  cautions: {
    intro: "Never in one sprayer. On one floor: only where it says so.",
    sections: cautionSections,
  },
  disposal: { intro: "Local code decides.", sections: disposalSections },
};

const made = new Map<PageName, Section[]>();
/** A page's entries, made once. */
export function sectionsOf(name: PageName): Section[] {
  const known = made.get(name) ?? PAGES[name].sections();
  made.set(name, known);
  return known;
}
