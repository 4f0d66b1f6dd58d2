import type { Dimension } from "../quantity/index.ts";
import { keysOfRecord, recordOf } from "../records.ts";

/** How a figure is to be shown: a dimension with units people choose, or a kind that has none. */
export type FigureKind = Dimension | "strength" | "ratio" | "count" | "flux" | "hours" | "smallVolume";

export interface Figure {
  readonly name: string;
  readonly value: number;
  readonly kind: FigureKind;
  /** True where nobody has said it and a default stands in. */
  readonly assumed?: boolean;
}

export const figure = (name: string, value: number, kind: FigureKind, assumed = false): Figure => ({
  name,
  value,
  kind,
  assumed,
});

/** How a computed number came about: everything a person needs to do it again by hand, and what it hangs on most. */
export interface Explanation {
  readonly result: Figure;
  readonly formula: string;
  readonly inputs: readonly Figure[];
  readonly steps: readonly Figure[];
  /** Key in docs/sources.md. */
  readonly source: string;
  /** Relative change of the result for a tenth more of each input, largest first; inputs that change nothing are left out. */
  readonly sensitivity: readonly { readonly name: string; readonly change: number }[];
}

interface Explained<K extends string> {
  readonly name: string;
  readonly kind: FigureKind;
  readonly formula: string;
  readonly source: string;
  readonly inputs: Readonly<Record<K, Omit<Figure, "name"> & { readonly name: string }>>;
  /** The computation itself, so that the working can't say something else than the number. NaN: no number at this input. */
  readonly compute: (x: Readonly<Record<K, number>>) => number;
  readonly steps?: (x: Readonly<Record<K, number>>) => readonly Figure[];
}

/** A tenth more of an input; temperatures, whose zero isn't nothing, by 2 K. */
function raised(kind: FigureKind, value: number): number {
  return kind === "temperature" ? value + 2 : value * 1.1;
}

/** Runs a computation and its neighbours, and writes down how it went. */
export function explain<K extends string>(explained: Explained<K>): Explanation {
  const keys = keysOfRecord(explained.inputs);
  const x = recordOf(keys, (key) => explained.inputs[key].value);
  const value = explained.compute(x);
  const sensitivity = keys
    .map((key) => {
      const { name, kind } = explained.inputs[key];
      const moved = explained.compute({ ...x, [key]: raised(kind, x[key]) });
      return { name, change: moved / value - 1 };
    })
    .filter(({ change }) => Number.isFinite(change) && Math.abs(change) > 1e-4)
    .sort((a, b) => Math.abs(b.change) - Math.abs(a.change));
  return {
    result: { name: explained.name, value, kind: explained.kind },
    formula: explained.formula,
    inputs: keys.map((key) => explained.inputs[key]),
    steps: explained.steps?.(x) ?? [],
    source: explained.source,
    sensitivity,
  };
}
