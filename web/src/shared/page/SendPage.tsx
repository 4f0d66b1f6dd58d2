import { FileText, Printer, Share2 } from "lucide-react";
import { useEffect, useState } from "react";
import { Button } from "../../ui/Button.tsx";
import { FieldError } from "../../ui/FieldFrame.tsx";
import { fileName, saveFile } from "../../ui/saveFile.ts";
import { type CustomerPage, pageText } from "./customerPage.ts";

interface Props {
  readonly page: CustomerPage;
  /** Letters that a PDF can’t draw. */
  readonly missing: readonly string[];
}

/** ms; the sheet is drawn first. */
const AFTER_OPENING = 500;

/** Sends a page as text, saves it as a PDF or prints it; all of it works offline. */
export function SendPage({ page, missing }: Props) {
  const [said, setSaid] = useState<string>();
  const [error, setError] = useState<string>();
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    // While the customer reads the page. A failure shows when the PDF is asked for.
    const waiting = setTimeout(
      () => void import("./pagePdf.ts").then(({ warmUp }) => warmUp()).catch(() => undefined),
      AFTER_OPENING,
    );
    return () => clearTimeout(waiting);
  }, []);
  const send = async () => {
    const text = pageText(page);
    setError(undefined);
    try {
      if ("share" in navigator) {
        await navigator.share({ title: page.title, text });
        return;
      }
      await copied(text);
      setSaid("Copied. Paste it into a message.");
    } catch (cause) {
      // The share sheet was closed: that is no fault.
      if (cause instanceof DOMException && cause.name === "AbortError") return;
      setError("Couldn’t send or copy it. Save the PDF instead.");
    }
  };
  const save = async () => {
    setError(undefined);
    setBusy(true);
    try {
      const { pagePdf } = await import("./pagePdf.ts");
      saveFile(`${fileName(page.title)}.pdf`, await pagePdf(page));
      setSaid("PDF saved.");
    } catch {
      setError("Couldn’t make the PDF. Print the page instead.");
    } finally {
      setBusy(false);
    }
  };
  return (
    <div>
      <div className="grid grid-cols-3 gap-2">
        <Button onClick={() => void send()}>
          <Share2 aria-hidden size={20} /> Send
        </Button>
        <Button onClick={() => void save()} disabled={busy}>
          <FileText aria-hidden size={20} /> PDF
        </Button>
        <Button onClick={() => print()}>
          <Printer aria-hidden size={20} /> Print
        </Button>
      </div>
      <p role="status" className="mt-2 min-h-6 text-base text-soft">
        {busy ? "Making the PDF…" : said}
      </p>
      {missing.length > 0 && (
        <p className="text-base text-caution-ink">
          The PDF has no letters for {missing.slice(0, 6).join(" ")}: it shows question marks. Print the page
          to keep them.
        </p>
      )}
      <FieldError sentence={error} />
    </div>
  );
}

/** Copies text. A page without HTTPS has no clipboard of its own: the older way still works there. */
async function copied(text: string): Promise<void> {
  if (navigator.clipboard) return navigator.clipboard.writeText(text);
  const field = document.createElement("textarea");
  field.value = text;
  (document.querySelector("dialog, [role=dialog]") ?? document.body).append(field);
  field.select();
  const done = document.execCommand("copy");
  field.remove();
  if (!done) throw new Error("not copied");
}
