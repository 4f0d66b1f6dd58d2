/** Text to look in and to look for: without case and accents. */
export const searchText = (text: string): string =>
  text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();
