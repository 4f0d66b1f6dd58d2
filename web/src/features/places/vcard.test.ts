import { expect, test } from "@jest/globals";
import fc from "fast-check";
import ICAL from "ical.js";
import { type CardPerson, peopleFromVcards, peopleToVcards } from "./vcard.ts";

/** A name, a remark: as people type them, with all that has to be escaped. */
const words = fc
  .string({ unit: fc.constantFrom(..."abÅł,;:\\\"'€ 中😀\n-"), minLength: 1, maxLength: 90 })
  .map((text) => text.trim().replaceAll(/\s*\n\s*/g, "\n"))
  .filter((text) => text !== "" && !/^(tel|mailto):/i.test(text));
const person: fc.Arbitrary<CardPerson> = fc
  .record({
    name: words,
    phone: fc.option(words, { nil: undefined }),
    mail: fc.option(words, { nil: undefined }),
    note: fc.option(words, { nil: undefined }),
  })
  .map(
    (said) => Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined)) as never,
  );

/** What a reader that had no part in writing finds in a card. */
function readElsewhere(text: string): readonly CardPerson[] {
  if (text === "") return [];
  const parsed = ICAL.parse(text) as unknown[];
  const cards = (typeof parsed[0] === "string" ? [parsed] : parsed) as [
    string,
    [string, object, string, unknown][],
  ][];
  return cards.map(([, properties]) => {
    const of = (name: string) => properties.find(([each]) => each === name)?.[3];
    const said = { name: of("fn"), phone: of("tel"), mail: of("email"), note: of("note") };
    return Object.fromEntries(Object.entries(said).filter(([, value]) => value !== undefined)) as never;
  });
}

test("people written as vCards are read by another reader and by ours as they were, in lines no longer than the standard has them", () => {
  fc.assert(
    fc.property(fc.array(person, { maxLength: 4 }), (people) => {
      const text = peopleToVcards(people);
      expect(readElsewhere(text)).toEqual(people);
      expect(peopleFromVcards(text)).toEqual({ people, nameless: 0 });
      for (const line of text.split("\r\n"))
        expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    }),
    { seed: 4, numRuns: 400 },
  );
});

test("a card shaped as the example of RFC 6350, section 8, and a card of version 3.0 with folded and grouped lines are read", () => {
  const example = [
    "BEGIN:VCARD",
    "VERSION:4.0",
    "FN:Wren Calloway",
    "N:Calloway;Wren;;;ing. jr,M.Sc.",
    "BDAY:--0203",
    "GENDER:M",
    "LANG;PREF=1:fr",
    "ORG;TYPE=work:Saltmarsh Clinic",
    "ADR;TYPE=work:;Suite 2;11 Dune Road;Saltmarsh;;QH1 2SC;Nowhere",
    'TEL;VALUE=uri;TYPE="work,voice";PREF=1:tel:+44-1632-960-114;ext=102',
    'TEL;VALUE=uri;TYPE="work,cell,voice,video,text":tel:+44-1632-960-115',
    "EMAIL;TYPE=work:wren@saltmarsh.example",
    "URL;TYPE=home:http://saltmarsh.example",
    "END:VCARD",
  ].join("\r\n");
  expect(peopleFromVcards(example).people).toEqual([
    {
      name: "Wren Calloway",
      phone: "+44-1632-960-114;ext=102",
      mail: "wren@saltmarsh.example",
      address: "Suite 2, 11 Dune Road, Saltmarsh, QH1 2SC, Nowhere",
    },
  ]);
  const older =
    "BEGIN:VCARD\nVERSION:3.0\nN:Ashby;Rowan;;;\nitem1.TEL;TYPE=CELL:01632\n  960114\nNOTE:Dog\\, two cats\\nRing twice\nEND:VCARD\nBEGIN:VCARD\nVERSION:3.0\nTEL:1\nEND:VCARD\n";
  expect(peopleFromVcards(older)).toEqual({
    people: [{ name: "Rowan Ashby", phone: "01632 960114", note: "Dog, two cats\nRing twice" }],
    nameless: 1,
  });
  expect(peopleFromVcards("not a card").people).toEqual([]);
});
