const SYSTEMS: readonly (readonly [RegExp, string])[] = [
  [/iPad/, "iPad"],
  [/iPhone/, "iPhone"],
  [/Android/, "Android"],
  [/Windows/, "Windows"],
  [/Mac OS X|Macintosh/, "Mac"],
  [/CrOS/, "Chromebook"],
  [/Linux/, "Linux"],
];
/** Most browsers name others too: the first that matches is meant. */
const BROWSERS: readonly (readonly [RegExp, string])[] = [
  [/Edg\w*\//, "Edge"],
  [/Firefox\/|FxiOS\//, "Firefox"],
  [/SamsungBrowser\//, "Samsung Internet"],
  [/Chrome\/|CriOS\//, "Chrome"],
  [/Safari\//, "Safari"],
];

const first = (list: readonly (readonly [RegExp, string])[], text: string) =>
  list.find(([pattern]) => pattern.test(text))?.[1];

/** What a browser calls itself, in words a person knows a phone by. */
export function deviceName(userAgent: string): string {
  const [browser, system] = [first(BROWSERS, userAgent), first(SYSTEMS, userAgent)];
  if (browser && system) return `${browser} on ${system}`;
  return browser ?? system ?? "unknown device";
}
