/** PDFs read back by a reader that had no part in making them. */
import { readFile } from "node:fs/promises";
import type { Download } from "@playwright/test";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";

/** The text of a PDF that was saved, page by page in one piece. */
export async function pdfText(download: Download): Promise<string> {
  const data = new Uint8Array(await readFile(await download.path()));
  const pdf = await getDocument({ data }).promise;
  const pages: string[] = [];
  for (let i = 1; i <= pdf.numPages; i++) {
    const { items } = await (await pdf.getPage(i)).getTextContent();
    pages.push(items.map((item) => ("str" in item ? item.str : "")).join(""));
  }
  return pages.join("");
}

/** Text without its spaces and line ends, which differ from one medium to another. */
export const unspaced = (text: string): string => text.replaceAll(/\s+/g, "");
