import { Customer, CustomerId, type Shelf, Site, SiteId } from "@scutch/contract";
import { FileDown, FileUp } from "lucide-react";
import { useState } from "react";
import { addRecords } from "../../device/changes.ts";
import { deviceZone } from "../../device/deviceZone.ts";
import { newId } from "../../device/newId.ts";
import { Button } from "../../ui/Button.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { FileButton } from "../../ui/FileButton.tsx";
import { saveFile } from "../../ui/saveFile.ts";
import { placesFromCsv, placesToCsv } from "./placeCsv.ts";
import { peopleFromVcards, peopleToVcards } from "./vcard.ts";

interface Added {
  readonly sites: readonly Site[];
  readonly customers: readonly Customer[];
  readonly known: number;
  readonly nameless?: number;
}

/** People of a vCard file as customers; one with an address gets a place there. Known by their name they are left as they are. */
function fromVcards(text: string, { customers, sites }: Shelf): Added {
  const { people, nameless } = peopleFromVcards(text);
  const added: { sites: Site[]; customers: Customer[] } = { sites: [], customers: [] };
  let known = 0;
  for (const { name, phone, mail, note, address } of people) {
    const isName = (each: { readonly name?: string }) => each.name?.toLowerCase() === name.toLowerCase();
    const customer = Customer.safeParse({
      id: newId(CustomerId),
      name: name.slice(0, 120),
      ...(phone ? { phone: phone.slice(0, 60) } : {}),
      ...(mail ? { mail: mail.slice(0, 120) } : {}),
      ...(note ? { note: note.slice(0, 1000) } : {}),
    });
    if ([...customers, ...added.customers].some(isName) || !customer.success) known++;
    else {
      added.customers.push(customer.data);
      const site = Site.safeParse({
        id: newId(SiteId),
        name: name.slice(0, 120),
        address: (address ?? "").slice(0, 300),
        zone: deviceZone(),
        customerId: customer.data.id,
      });
      if (site.success && ![...sites, ...added.sites].some(isName)) added.sites.push(site.data);
    }
  }
  return { ...added, known, nameless };
}

/** Customers out as a table or as cards for an address book, and in from either. */
export function PlaceFiles({ shelf }: { readonly shelf: Shelf }) {
  const [said, setSaid] = useState<string>();
  const [faults, setFaults] = useState<readonly string[]>([]);
  const exportCards = () => {
    const cards = shelf.customers.flatMap(({ id, name, phone, mail, note }) => {
      if (name === undefined) return [];
      const { address } = shelf.sites.find(({ customerId }) => customerId === id) ?? {};
      return [
        {
          uid: id,
          name,
          ...(phone ? { phone } : {}),
          ...(mail ? { mail } : {}),
          ...(note ? { note } : {}),
          ...(address ? { address } : {}),
        },
      ];
    });
    saveFile("customers.vcf", peopleToVcards(cards), "text/vcard");
  };
  const take = async ({ sites, customers, known, nameless = 0 }: Added) => {
    await addRecords([
      ...customers.map((value) => ({ kind: "customer" as const, value })),
      ...sites.map((value) => ({ kind: "site" as const, value })),
    ]);
    setSaid(
      [
        `${sites.length} places and ${customers.length} customers added.`,
        known > 0 && `${known} known by their name left as they are.`,
        nameless > 0 && `${nameless} without a name left out.`,
      ]
        .filter(Boolean)
        .join(" "),
    );
  };
  const read = async (file: File | undefined) => {
    setSaid(undefined);
    setFaults([]);
    if (!file) return;
    const text = await file.text();
    if (/^\uFEFF?\s*BEGIN:VCARD/i.test(text)) return take(fromVcards(text, shelf));
    const result = placesFromCsv(text, shelf);
    if (result.ok) return take(result);
    setFaults(result.faults.slice(0, 8).map(({ line, sentence }) => `Line ${line}: ${sentence}`));
  };
  return (
    <section aria-label="Files" className="grid gap-3 border-ink border-t-2 pt-3">
      <h2 className="font-semibold">Files</h2>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => saveFile("places.csv", placesToCsv(shelf.sites, shelf.customers), "text/csv")}>
          <FileDown aria-hidden size={20} /> Table (CSV)
        </Button>
        <Button onClick={exportCards}>
          <FileDown aria-hidden size={20} /> Cards (vCard)
        </Button>
        <FileButton accept=".csv,.vcf,text/csv,text/vcard" onFile={(file) => void read(file)}>
          <FileUp aria-hidden size={20} /> Import a table or cards
        </FileButton>
      </div>
      <p className="text-sm text-soft">Key safe codes are in none of these files.</p>
      {said && <p role="status">{said}</p>}
      {faults.length > 0 && <p>Nothing was imported. Correct the file and try again.</p>}
      {faults.map((fault) => (
        <FieldError key={fault} sentence={fault} />
      ))}
    </section>
  );
}
