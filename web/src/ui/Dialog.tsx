import { DialogBackdrop, DialogPanel, DialogTitle, Dialog as HeadlessDialog } from "@headlessui/react";
import { X } from "lucide-react";
import { createContext, type ReactNode, useContext, useEffect, useRef } from "react";

interface Props {
  readonly open: boolean;
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

const Aside = createContext<ReactNode>(null);
/** What every dialog inside shows at its foot, since nothing behind it can be reached. */
export const DialogAside = Aside.Provider;

const TEXT = "input:not([type=checkbox], [type=radio], [type=file], [type=date], [type=time]), textarea";
const CONTROL = "input, textarea, select, [role=radio]";
/** Once the dialog itself has taken the focus, ms. */
const FOCUS_AFTER = 30;
/** A step back is on its way: what opens meanwhile takes its own step when it has arrived. */
let leaving = false;

/**
 * The phone's Back closes what lies on top before it leaves the page: an open dialog is a step of its own in the history,
 * which goes when it is closed by other means.
 */
export function useBackCloses(open: boolean, onClose: () => void): void {
  const close = useRef(onClose);
  useEffect(() => {
    close.current = onClose;
  });
  useEffect(() => {
    if (!open) return;
    // Unlike any an earlier visit left in the history.
    const mark = Math.random();
    const isTop = () => (history.state as { dialog?: number } | null)?.dialog === mark;
    let pushed = false;
    let left = false;
    const push = () => {
      history.pushState({ ...(history.state as object | null), dialog: mark }, "");
      pushed = true;
    };
    const onPop = () => {
      if (!pushed) return push();
      // One that was opened on top of this one was closed.
      if (isTop()) return;
      left = true;
      close.current();
    };
    if (!leaving) push();
    addEventListener("popstate", onPop);
    return () => {
      removeEventListener("popstate", onPop);
      if (left || !pushed || !isTop()) return;
      leaving = true;
      const arrived = () => {
        leaving = false;
      };
      // Before any dialog hears of it.
      addEventListener("popstate", arrived, { once: true, capture: true });
      history.back();
    };
  }, [open]);
}

/** A sheet over the page: from the bottom on a phone, in the middle on a laptop. */
export function Dialog({ open, title, onClose, children }: Props) {
  const aside = useContext(Aside);
  const panel = useRef<HTMLDivElement>(null);
  // Where the first thing to say is text, it can be typed at once; a list isn't opened for anybody. `data-first` names another.
  useEffect(() => {
    if (!open) return;
    const timer = setTimeout(() => {
      const named = panel.current?.querySelector<HTMLElement>("[data-first]");
      const first = panel.current?.querySelector<HTMLElement>(CONTROL);
      if (named) named.focus();
      else if (first?.matches(TEXT)) first.focus();
    }, FOCUS_AFTER);
    return () => clearTimeout(timer);
  }, [open]);
  useBackCloses(open, onClose);
  return (
    <HeadlessDialog open={open} onClose={onClose} className="relative z-30">
      <DialogBackdrop className="fixed inset-0 bg-black/45" />
      <div className="fixed inset-0 flex items-end justify-center sm:items-center sm:p-6">
        <DialogPanel
          ref={panel}
          className="max-h-[92dvh] w-full max-w-lg overflow-y-auto border-accent border-t-4 bg-paper p-5 sm:p-6"
        >
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
          <div className="sticky -bottom-5 -mx-5 sm:-bottom-6 sm:-mx-6">{aside}</div>
        </DialogPanel>
      </div>
    </HeadlessDialog>
  );
}
