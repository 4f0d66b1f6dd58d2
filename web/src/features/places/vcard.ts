/** People as vCard 4.0 (RFC 6350): written so that any address book reads it, read tolerantly, 3.0 too. */

export interface CardPerson {
  readonly uid?: string;
  readonly name: string;
  readonly phone?: string;
  readonly mail?: string;
  readonly address?: string;
  readonly note?: string;
}

/** Escapes a value that is a single text. Semicolons need no escape there (RFC 6350, 3.4). */
const escaped = (text: string) =>
  text
    .replaceAll("\\", "\\\\")
    .replaceAll(",", "\\,")
    .replaceAll(/\r\n?|\n/g, "\\n");
/** Escapes one part of a value that has several, parted by semicolons. */
const escapedPart = (text: string) => escaped(text).replaceAll(";", "\\;");
const unescaped = (text: string) =>
  text.replaceAll(/\\(.)/g, (_, letter: string) => (letter === "n" || letter === "N" ? "\n" : letter));

/** Bytes of a line at most, without its end (RFC 6350, 3.2). */
const LONGEST = 75;
const bytesOf = (letter: string) => new TextEncoder().encode(letter).length;

/** A line broken so that none is longer than the standard has it, never inside a letter. */
function folded(line: string): string {
  const parts: string[] = [""];
  let bytes = 0;
  for (const letter of line) {
    const size = bytesOf(letter);
    if (bytes + size > LONGEST) {
      parts.push(" ");
      bytes = 1;
    }
    parts[parts.length - 1] += letter;
    bytes += size;
  }
  return parts.join("\r\n");
}

export function peopleToVcards(people: readonly CardPerson[]): string {
  const cards = people.map(({ uid, name, phone, mail, address, note }) =>
    [
      "BEGIN:VCARD",
      "VERSION:4.0",
      ...(uid ? [`UID:urn:uuid:${uid}`] : []),
      `FN:${escaped(name)}`,
      ...(phone ? [`TEL;VALUE=text:${escaped(phone)}`] : []),
      ...(mail ? [`EMAIL:${escaped(mail)}`] : []),
      ...(address ? [`ADR:;;${escapedPart(address)};;;;`] : []),
      ...(note ? [`NOTE:${escaped(note)}`] : []),
      "END:VCARD",
    ]
      .map(folded)
      .join("\r\n"),
  );
  return cards.length === 0 ? "" : `${cards.join("\r\n")}\r\n`;
}

/** A property's value, cut at semicolons that aren’t escaped. */
const partsOf = (value: string): readonly string[] =>
  (value.match(/(?:\\.|[^;\\])*(?:;|$)/gs) ?? [])
    .slice(0, -1)
    .map((part) => unescaped(part.replace(/;$/, "")).trim());

interface Property {
  readonly name: string;
  readonly value: string;
}

function propertyOf(line: string): Property | undefined {
  // Up to the first colon that isn't inside quotes: what stands before it are the name and its parameters.
  const match = /^(?:[\w-]+\.)?([\w-]+)(?:;(?:"[^"]*"|[^":])*)?:(.*)$/s.exec(line);
  return match?.[1] === undefined ? undefined : { name: match[1].toUpperCase(), value: match[2] ?? "" };
}

/** People of a vCard file; a card without a name is left out and counted. */
export function peopleFromVcards(text: string): {
  readonly people: readonly CardPerson[];
  readonly nameless: number;
} {
  const lines = text
    .replace(/^\uFEFF/, "")
    .replaceAll(/\r\n?|\n/g, "\n")
    .replaceAll(/\n[ \t]/g, "")
    .split("\n");
  const people: CardPerson[] = [];
  let nameless = 0;
  let card: Map<string, string> | undefined;
  for (const line of lines) {
    const property = propertyOf(line);
    if (!property) continue;
    const { name, value } = property;
    if (name === "BEGIN" && value.trim().toUpperCase() === "VCARD") card = new Map();
    else if (name === "END" && card) {
      const person = personOf(card);
      if (person) people.push(person);
      else nameless++;
      card = undefined;
    } else if (card && !card.has(name)) card.set(name, value);
  }
  return { people, nameless };
}

function personOf(card: ReadonlyMap<string, string>): CardPerson | undefined {
  const plain = (name: string) => {
    const text = unescaped(card.get(name) ?? "").trim();
    return text === "" ? undefined : text;
  };
  const [family = "", given = ""] = partsOf(card.get("N") ?? "");
  const name = plain("FN") ?? [given, family].filter(Boolean).join(" ");
  if (name === "") return undefined;
  const address = partsOf(card.get("ADR") ?? "")
    .filter(Boolean)
    .join(", ");
  const phone = plain("TEL")?.replace(/^tel:/i, "");
  const mail = plain("EMAIL")?.replace(/^mailto:/i, "");
  const note = plain("NOTE");
  const uid = /^urn:uuid:(.+)$/i.exec(card.get("UID") ?? "")?.[1];
  return {
    name,
    ...(uid ? { uid } : {}),
    ...(phone ? { phone } : {}),
    ...(mail ? { mail } : {}),
    ...(address ? { address } : {}),
    ...(note ? { note } : {}),
  };
}
