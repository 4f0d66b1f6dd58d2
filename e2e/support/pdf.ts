/** PDFs read back by a reader that had no part in making them. */
import { readFile } from "node:fs/promises";
import type { Download } from "@playwright/test";
import { getDocument, OPS } from "pdfjs-dist/legacy/build/pdf.mjs";

const opened = async (download: Download) =>
  getDocument({ data: new Uint8Array(await readFile(await download.path())) }).promise;

/** How many pictures a PDF draws; a signature is lines. */
export async function pdfImages(download: Download): Promise<number> {
  const pdf = await opened(download);
  let count = 0;
  for (let i = 1; i <= pdf.numPages; i++) {
    const { fnArray } = await (await pdf.getPage(i)).getOperatorList();
    count += fnArray.filter((each) => each === OPS.paintImageXObject).length;
  }
  return count;
}

/** The text of a PDF that was saved, page by page in one piece. */
export async function pdfText(download: Download): Promise<string> {
  const pdf = await opened(download);
  const pages: string[] = [];
  for (let i = 1; i <= pdf.numPages; i++) {
    const { items } = await (await pdf.getPage(i)).getTextContent();
    pages.push(items.map((item) => ("str" in item ? item.str : "")).join(""));
  }
  return pages.join("");
}

/** Text without its spaces and line ends, which differ from one medium to another. */
export const unspaced = (text: string): string => text.replaceAll(/\s+/g, "");
