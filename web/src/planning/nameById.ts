interface Named {
  readonly id: string;
  readonly name: string;
}

/** What one of some things is called; `otherwise` where it isn't among them any more. */
export const nameById = (things: readonly Named[], id: string | undefined, otherwise: string): string =>
  things.find((each) => each.id === id)?.name ?? otherwise;
