import { DialogPanel, DialogTitle, Dialog as HeadlessDialog } from "@headlessui/react";
import { X } from "lucide-react";
import { type ReactNode, useState } from "react";
import { useBackCloses } from "../../ui/Dialog.tsx";
import { CustomerPageView } from "./CustomerPageView.tsx";
import { type CustomerPage, pageText } from "./customerPage.ts";
import { lettersWithoutFont } from "./fontRuns.ts";
import { SendPage } from "./SendPage.tsx";

interface Props {
  readonly page: CustomerPage;
  readonly onClose: () => void;
  /** What the customer decides, under the page. */
  readonly children?: ReactNode;
}

/** A page that fills the screen, for the customer to hold: nothing of the crew’s is on it. */
export function CustomerSheet({ page, onClose, children }: Props) {
  useBackCloses(true, onClose);
  const [missing] = useState(() => lettersWithoutFont(pageText(page)));
  return (
    <HeadlessDialog open onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 overflow-y-auto bg-paper print:static">
        <DialogPanel className="min-h-full px-5 pt-3 pb-16 text-lg sm:px-8 print:p-0">
          <DialogTitle className="sr-only">{page.title}</DialogTitle>
          <div className="mx-auto flex max-w-2xl justify-end print:hidden">
            <button
              type="button"
              onClick={onClose}
              aria-label="Close"
              className="-mr-3 grid size-12 place-items-center text-soft"
            >
              <X aria-hidden size={22} />
            </button>
          </div>
          <CustomerPageView page={page} />
          <div className="mx-auto mt-6 grid max-w-2xl gap-4 print:hidden">
            {children}
            <SendPage page={page} missing={missing} />
          </div>
        </DialogPanel>
      </div>
    </HeadlessDialog>
  );
}
