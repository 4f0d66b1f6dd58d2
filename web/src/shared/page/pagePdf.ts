import latin from "@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url";
import latinBold from "@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url";
import latinExt from "@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url";
import latinExtBold from "@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url";
import type { Content, TableCell } from "pdfmake/interfaces";
import type { Block, CustomerPage } from "./customerPage.ts";
import { fontRuns } from "./fontRuns.ts";
import { unpackFont } from "./unpackFont.ts";

const here = (path: string) => new URL(path, location.href).href;
const SOFT = "#625e50";
const RULE = "#d9d0be";

/** Text in the fonts that have its letters. */
const text = (said: string, style: Readonly<Record<string, unknown>> = {}): Content => ({
  text: fontRuns(said).map(({ text: part, font }) => ({ text: part, font })),
  ...style,
});

/** Pictures of a page as data addresses, by address; one that can’t be read any more is left out. */
async function picturesOf({ blocks }: CustomerPage): Promise<ReadonlyMap<string, string>> {
  const urls = blocks.flatMap((block) =>
    block.kind === "photos" ? block.pairs.flatMap(({ before, after }) => [before, after]) : [],
  );
  const read = await Promise.all(
    [...new Set(urls)].map(async (url) => {
      if (url === undefined) return undefined;
      const picture = await jpegOf(url).catch(() => undefined);
      return picture === undefined ? undefined : ([url, picture] as const);
    }),
  );
  return new Map(read.filter((pair) => pair !== undefined));
}

const PICTURE_WIDTH = 800;

/** A picture as a JPEG small enough for a page: a PDF takes no WebP. */
async function jpegOf(url: string): Promise<string> {
  const image = new Image();
  image.src = url;
  await image.decode();
  const scale = Math.min(1, PICTURE_WIDTH / image.naturalWidth);
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(image.naturalWidth * scale));
  canvas.height = Math.max(1, Math.round(image.naturalHeight * scale));
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas.toDataURL("image/jpeg", 0.8);
}

function blockContent(block: Block, pictures: ReadonlyMap<string, string>): Content[] {
  switch (block.kind) {
    case "heading":
      return [
        text(block.text, { bold: true, fontSize: 12, margin: [0, 10, 0, 2] }),
        ...(block.note ? [text(block.note, { color: SOFT })] : []),
      ];
    case "figure":
      return [
        text(block.label, { color: SOFT, margin: [0, 6, 0, 0] }),
        text(block.figure, { bold: true, fontSize: 28 }),
        ...(block.note ? [text(block.note, { color: SOFT })] : []),
      ];
    case "rows":
      return [
        {
          layout: { hLineWidth: () => 0.5, vLineWidth: () => 0, hLineColor: () => RULE },
          table: {
            widths: ["*", "auto"],
            body: block.rows.map(({ label, value, weight }): TableCell[] => [
              text(label, weight === "strong" ? { bold: true } : { color: SOFT }) as TableCell,
              text(value, {
                alignment: "right",
                ...(weight === "strong" ? { bold: true } : weight === "soft" ? { color: SOFT } : {}),
              }) as TableCell,
            ]),
          },
        },
      ];
    case "text":
      return [text(block.text, { margin: [0, 4, 0, 0] })];
    case "list":
      return [{ ul: block.items.map((item) => text(item)) }];
    case "photos":
      return block.pairs.map(
        (pair): Content => ({
          unbreakable: true,
          margin: [0, 4, 0, 4],
          stack: [
            {
              columnGap: 8,
              columns: (["before", "after"] as const).map((moment) => ({
                stack: [pictureContent(pair[moment], pictures), text(moment, { color: SOFT })],
              })),
            },
            text(pair.caption, { color: SOFT }),
          ],
        }),
      );
    case "signature":
      return [{ unbreakable: true, margin: [0, 10, 0, 0], stack: signatureContent(block) }];
  }
}

function pictureContent(url: string | undefined, pictures: ReadonlyMap<string, string>): Content {
  const picture = url === undefined ? undefined : pictures.get(url);
  return picture === undefined ? text("no photo", { color: SOFT }) : { image: picture, fit: [250, 180] };
}

function signatureContent({ caption, signature }: Extract<Block, { kind: "signature" }>): Content[] {
  if (!signature) return [text(caption, { color: SOFT })];
  const { width, height, path } = signature;
  const stroke = Math.max(2, width / 150);
  return [
    {
      svg: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}"><path d="${path}" fill="none" stroke="#20241f" stroke-width="${stroke}" stroke-linecap="round" stroke-linejoin="round"/></svg>`,
      fit: [200, 70],
    },
    text(caption, { color: SOFT }),
  ];
}

const FONTS = { latin, latinBold, latinExt, latinExtBold };

/** The fonts unpacked, in base64, by name. */
async function readFonts(): Promise<Record<string, string>> {
  const read = Object.entries(FONTS).map(async ([name, path]) => {
    const answer = await fetch(here(path));
    if (!answer.ok) throw new Error(`font ${name}: ${answer.status}`);
    const bytes = await unpackFont(await answer.arrayBuffer());
    return [name, btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(""))] as const;
  });
  return Object.fromEntries(await Promise.all(read));
}

async function makeWriter() {
  const [{ default: pdfMake }, fonts] = await Promise.all([import("pdfmake/build/pdfmake.js"), readFonts()]);
  pdfMake.setUrlAccessPolicy((url: string) => url.startsWith(location.origin));
  pdfMake.addVirtualFileSystem(fonts);
  pdfMake.addFonts({
    Latin: { normal: "latin", bold: "latinBold" },
    Extended: { normal: "latinExt", bold: "latinExtBold" },
  });
  return pdfMake;
}
let writer: ReturnType<typeof makeWriter> | undefined;

/** The PDF writer with its fonts; tried again after a failure. */
function loadWriter(): ReturnType<typeof makeWriter> {
  writer ??= makeWriter().catch((cause: unknown) => {
    writer = undefined;
    throw cause;
  });
  return writer;
}
const defaultStyle = { font: "Latin", fontSize: 10, lineHeight: 1.2 } as const;

/** Writes a word, so that the writer, its fonts and its code are ready when a page is asked for. */
export async function warmUp(): Promise<void> {
  const pdfMake = await loadWriter();
  await pdfMake
    .createPdf({ defaultStyle, content: [text("ready"), text("ready", { bold: true })] })
    .getBlob();
}

/** The page as a PDF on A4 paper, made on this device. */
export async function pagePdf(page: CustomerPage): Promise<Blob> {
  const [pdfMake, pictures] = await Promise.all([loadWriter(), picturesOf(page)]);
  return pdfMake
    .createPdf({
      pageSize: "A4",
      pageMargins: [48, 44, 48, 44],
      info: { title: page.title, author: page.from },
      defaultStyle,
      content: [
        {
          columns: [
            text(page.from, { bold: true }),
            text(page.contact ?? "", { alignment: "right", color: SOFT }),
          ],
        },
        text(page.title, { bold: true, fontSize: 18, margin: [0, 10, 0, 0] }),
        text(page.facts.join(" · "), { color: SOFT }),
        ...page.blocks.flatMap((block) => blockContent(block, pictures)),
      ],
    })
    .getBlob();
}
