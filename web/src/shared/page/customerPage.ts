import type { Signature } from "@scutch/contract";

/** A line with its value at the right. `weight`: strong for a sum or a name, soft for what belongs to the line above. */
export interface PageRow {
  readonly label: string;
  readonly value: string;
  readonly weight?: "strong" | "soft";
}

/** A photo taken before the work beside one taken after it; addresses of pictures. */
export interface PhotoPair {
  readonly caption: string;
  readonly before?: string;
  readonly after?: string;
}

/** A part of a page, the same on screen, on paper, in a PDF and as text. */
export type Block =
  | { readonly kind: "heading"; readonly text: string; readonly note?: string }
  /** The one big figure. */
  | { readonly kind: "figure"; readonly label: string; readonly figure: string; readonly note?: string }
  | { readonly kind: "rows"; readonly rows: readonly PageRow[] }
  | { readonly kind: "text"; readonly text: string }
  | { readonly kind: "list"; readonly items: readonly string[] }
  | { readonly kind: "photos"; readonly pairs: readonly PhotoPair[] }
  | { readonly kind: "signature"; readonly caption: string; readonly signature?: Signature };

/** What a customer gets to read, with nothing of the crew’s own in it. */
export interface CustomerPage {
  readonly title: string;
  /** The crew, and how to reach it. */
  readonly from: string;
  readonly contact?: string;
  /** The day and what else stands under the title. */
  readonly facts: readonly string[];
  readonly blocks: readonly Block[];
}

/** The page as plain text, to send in a message. */
export function pageText(page: CustomerPage): string {
  const head = [page.from, page.contact, "", page.title, page.facts.join(" · ")];
  const body = page.blocks.flatMap(blockText);
  return [...head.filter((line) => line !== undefined), ...body].join("\n").trim();
}

function blockText(block: Block): readonly string[] {
  switch (block.kind) {
    case "heading":
      return ["", block.text.toUpperCase(), ...(block.note ? [block.note] : [])];
    case "figure":
      return ["", `${block.label}: ${block.figure}`, ...(block.note ? [block.note] : [])];
    case "rows":
      return block.rows.map(({ label, value }) => (value === "" ? label : `${label}: ${value}`));
    case "text":
      return [block.text];
    case "list":
      return block.items.map((item) => `- ${item}`);
    // A message carries no pictures.
    case "photos":
      return [];
    case "signature":
      return ["", block.caption];
  }
}
