const WOFF = 0x774f4646;
const HEADER = { woff: 44, sfnt: 12 } as const;
const RECORD = { woff: 20, sfnt: 16 } as const;
const aligned = (length: number) => (length + 3) & ~3;

/** What the browser's own zlib makes of a packed table. */
async function inflated(packed: Uint8Array<ArrayBuffer>): Promise<Uint8Array> {
  const stream = new Blob([packed]).stream().pipeThrough(new DecompressionStream("deflate"));
  return new Uint8Array(await new Response(stream).arrayBuffer());
}

/**
 * A WOFF font (W3C, WOFF File Format 1.0) as the OpenType file in it. The PDF writer would unpack each table in JavaScript each
 * time it reads one, which takes longer than the whole page.
 *
 * @throws RangeError where it isn't a WOFF font.
 */
export async function unpackFont(woff: ArrayBuffer): Promise<Uint8Array> {
  const from = new DataView(woff);
  if (woff.byteLength < HEADER.woff || from.getUint32(0) !== WOFF) throw new RangeError("not a WOFF font");
  const count = from.getUint16(12);
  const tables = await Promise.all(
    Array.from({ length: count }, async (_, i) => {
      const at = HEADER.woff + i * RECORD.woff;
      const [tag, offset, packed, length, checksum] = [0, 4, 8, 12, 16].map((field) =>
        from.getUint32(at + field),
      ) as [number, number, number, number, number];
      const bytes = new Uint8Array(woff, offset, packed);
      return { tag, checksum, bytes: packed < length ? await inflated(bytes) : bytes };
    }),
  );
  const start = HEADER.sfnt + count * RECORD.sfnt;
  const sfnt = new Uint8Array(start + tables.reduce((sum, { bytes }) => sum + aligned(bytes.length), 0));
  const to = new DataView(sfnt.buffer);
  const power = Math.floor(Math.log2(count));
  to.setUint32(0, from.getUint32(4));
  to.setUint16(4, count);
  to.setUint16(6, 16 * 2 ** power);
  to.setUint16(8, power);
  to.setUint16(10, 16 * (count - 2 ** power));
  let offset = start;
  tables.forEach(({ tag, checksum, bytes }, i) => {
    const at = HEADER.sfnt + i * RECORD.sfnt;
    [tag, checksum, offset, bytes.length].forEach((value, field) => {
      to.setUint32(at + 4 * field, value);
    });
    sfnt.set(bytes, offset);
    offset += aligned(bytes.length);
  });
  return sfnt;
}
