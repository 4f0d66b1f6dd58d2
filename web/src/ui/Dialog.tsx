import { DialogBackdrop, DialogPanel, DialogTitle, Dialog as HeadlessDialog } from "@headlessui/react";
import { X } from "lucide-react";
import type { ReactNode } from "react";

interface Props {
  readonly open: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** A sheet over the page: from the bottom on a phone, in the middle on a laptop. */
export function Dialog({ open, title, onClose, children }: Props) {
  return (
    <HeadlessDialog open={open} onClose={onClose} className="relative z-30">
      <DialogBackdrop className="fixed inset-0 bg-black/45" />
      <div className="fixed inset-0 flex items-end justify-center sm:items-center sm:p-6">
        <DialogPanel className="max-h-[92dvh] w-full max-w-lg overflow-y-auto border-accent border-t-4 bg-paper p-5 sm:p-6">
          <div className="flex items-start justify-between gap-4">
            <DialogTitle className="font-bold text-xl">{title}</DialogTitle>
            <button
              type="button"
              onClick={onClose}
              aria-label="Close"
              className="-m-3 grid size-12 place-items-center"
            >
              <X aria-hidden size={22} />
            </button>
          </div>
          {children}
        </DialogPanel>
      </div>
    </HeadlessDialog>
  );
}
