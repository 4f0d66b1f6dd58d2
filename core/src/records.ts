/** The keys of a record that has no others, with their type. */
export const keysOfRecord = <K extends string>(record: Readonly<Record<K, unknown>>) =>
  Object.keys(record) as K[];

/** Its entries likewise. */
export const entriesOfRecord = <K extends string, V>(record: Readonly<Record<K, V>>) =>
  Object.entries(record) as [K, V][];

/** A record with a value for each of some keys. */
export const recordOf = <K extends string, V>(keys: readonly K[], each: (key: K) => V) =>
  Object.fromEntries(keys.map((key) => [key, each(key)])) as Record<K, V>;

/** Names of things by their ids. */
export const namesById = <Id extends string>(things: readonly { readonly id: Id; readonly name: string }[]) =>
  Object.fromEntries(things.map(({ id, name }) => [id, name])) as Record<Id, string>;

/** Whether some text is one of the words of a list. */
export const isOneOf = <T extends string>(words: readonly T[], text: string): text is T =>
  words.some((word) => word === text);
