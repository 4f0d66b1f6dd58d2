import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { expect, test } from "@jest/globals";
import { unpackFont } from "./unpackFont.ts";

const font = (file: string) => {
  const path = `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${file}.woff`;
  return new Uint8Array(readFileSync(createRequire(import.meta.url).resolve(path))).buffer;
};

/** The sum of a table's bytes as big-endian words (OpenType 1.9, “Calculating checksums”). */
function checksum(sfnt: DataView, from: number, length: number): number {
  let sum = 0;
  for (let i = 0; i < length; i += 4) sum = (sum + sfnt.getUint32(from + i)) >>> 0;
  return sum;
}

test.each(["latin-400-normal", "latin-700-normal", "latin-ext-400-normal", "latin-ext-700-normal"])(
  "%s is unpacked to tables that have the checksums its maker gave them",
  async (file) => {
    const bytes = await unpackFont(font(file));
    const sfnt = new DataView(bytes.buffer);
    const count = sfnt.getUint16(4);
    expect(count).toBeGreaterThan(8);
    for (let i = 0; i < count; i++) {
      const at = 12 + 16 * i;
      const tag = String.fromCharCode(...bytes.slice(at, at + 4));
      const [stated, offset, length] = [4, 8, 12].map((field) => sfnt.getUint32(at + field));
      // Of "head" all but its own field for the whole file, at byte 8.
      const own = tag === "head" ? sfnt.getUint32((offset as number) + 8) : 0;
      expect([tag, (checksum(sfnt, offset as number, length as number) - own) >>> 0]).toEqual([tag, stated]);
    }
  },
);

test("what isn't a WOFF font is refused", async () => {
  await expect(unpackFont(new ArrayBuffer(100))).rejects.toThrow("not a WOFF font");
  await expect(unpackFont(new ArrayBuffer(3))).rejects.toThrow("not a WOFF font");
});
