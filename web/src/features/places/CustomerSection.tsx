import {
  type Customer,
  CustomerId,
  forgottenSite,
  REACHED_BY,
  type Shelf,
  type Site,
} from "@scutch/contract";
import { useState } from "react";
import { saveRecord } from "../../device/changes.ts";
import { newId } from "../../device/newId.ts";
import { forgetNames } from "../../device/pull.ts";
import { session } from "../../device/session.ts";
import { Button } from "../../ui/Button.tsx";
import { ChoiceField } from "../../ui/ChoiceField.tsx";
import { Dialog } from "../../ui/Dialog.tsx";
import { TextField } from "./TextField.tsx";

const REACHED_BY_NAMES = { phone: "Phone call", message: "Message", mail: "Mail" } as const;

interface Props {
  readonly shelf: Shelf;
  readonly site: Site;
}

/** Who lives or works at a place, and how to reach them. */
export function CustomerSection({ shelf, site }: Props) {
  const customer = shelf.customers.find(({ id, forgotten }) => id === site.customerId && !forgotten);
  const others = shelf.customers.filter(({ name }) => name !== undefined);
  const link = (customerId: Customer["id"]) => saveRecord("site", { ...site, customerId }, site);
  const add = () => {
    const made: Customer = { id: newId(CustomerId) };
    saveRecord("customer", made);
    link(made.id);
  };
  return (
    <section aria-label="Customer" className="grid content-start gap-3 border-ink border-t-2 pt-3">
      <h2 className="font-semibold">Customer</h2>
      {customer ? (
        <CustomerFields key={customer.id} shelf={shelf} customer={customer} />
      ) : (
        <>
          <Button className="justify-self-start" onClick={add}>
            Add a customer
          </Button>
          {others.length > 0 && (
            <ChoiceField
              label="Or one you know"
              value={undefined}
              options={others.map(({ id, name = "" }) => ({ value: id, name }))}
              onChange={link}
            />
          )}
        </>
      )}
    </section>
  );
}

function CustomerFields({ shelf, customer }: { readonly shelf: Shelf; readonly customer: Customer }) {
  const [isDeleting, setDeleting] = useState(false);
  const set = (change: Partial<Customer>) => saveRecord("customer", { ...customer, ...change }, customer);
  return (
    <>
      <TextField
        label="Customer’s name"
        value={customer.name}
        most={120}
        onChange={(name) => set({ name })}
      />
      <TextField label="Phone" value={customer.phone} most={60} onChange={(phone) => set({ phone })} />
      <TextField label="Mail" value={customer.mail} most={120} onChange={(mail) => set({ mail })} />
      <ChoiceField
        label="Likes to be reached by"
        value={customer.reachedBy}
        options={REACHED_BY.map((value) => ({ value, name: REACHED_BY_NAMES[value] }))}
        onChange={(reachedBy) => set({ reachedBy })}
      />
      <TextField label="Note" value={customer.note} most={1000} onChange={(note) => set({ note })} />
      <div className="flex flex-wrap gap-2 print:hidden">
        {customer.phone && (
          <a
            href={`tel:${customer.phone.replaceAll(/[^+\d]/g, "")}`}
            className="inline-flex min-h-12 items-center rounded-md border border-rule bg-paper px-4 font-semibold hover:border-accent"
          >
            Call
          </a>
        )}
        <Button weight="quiet" className="text-stop" onClick={() => setDeleting(true)}>
          Delete this customer
        </Button>
      </div>
      {isDeleting && <DeleteDialog shelf={shelf} customer={customer} onClose={() => setDeleting(false)} />}
    </>
  );
}

function DeleteDialog({
  shelf,
  customer,
  onClose,
}: {
  readonly shelf: Shelf;
  readonly customer: Customer;
  readonly onClose: () => void;
}) {
  const places = shelf.sites.filter(({ customerId }) => customerId === customer.id);
  const remove = () => {
    saveRecord("customer", { id: customer.id, forgotten: true }, customer);
    for (const place of places) saveRecord("site", forgottenSite(place), place);
    void forgetNames(session().db, places);
    onClose();
  };
  return (
    <Dialog open title={`Delete ${customer.name ?? "this customer"}?`} onClose={onClose}>
      <p className="mt-2">
        Name, phone, mail, address, key safe, and the name and signature on quotes and hand-overs go, on every
        device.
        {places.length > 0 &&
          ` ${places.length === 1 ? "The place keeps" : `${places.length} places keep`} their rooms and figures without a name.`}
      </p>
      <p className="mt-2 text-soft">
        You can’t undo it. Notes in logs, job titles and photos stay: check them for names yourself.
      </p>
      <Button className="mt-4 text-stop" onClick={remove}>
        Delete for good
      </Button>
    </Dialog>
  );
}
