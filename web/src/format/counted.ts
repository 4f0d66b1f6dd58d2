/** A count with the name of what is counted: “1 room”, “3 rooms”. */
export const counted = (count: number, one: string, many: string): string =>
  `${count} ${count === 1 ? one : many}`;
