import { expect, test } from "@jest/globals";
import { Signature } from "@scutch/contract";
import fc from "fast-check";
import { signatureOf } from "./SignaturePad.tsx";

const point = fc.record({
  x: fc.double({ min: -20, max: 400, noNaN: true }),
  y: fc.double({ min: -20, max: 400, noNaN: true }),
  pressure: fc.constant(0.5),
  time: fc.nat(),
});
const strokes = fc.array(fc.record({ points: fc.array(point, { minLength: 1, maxLength: 80 }) }), {
  maxLength: 8,
});

test("whatever is drawn, also beside the field, is a signature the contract takes and begins where each stroke did; nothing is none", () => {
  fc.assert(
    fc.property(strokes, (groups) => {
      const signature = signatureOf(groups as never, 350, 160);
      if (groups.length === 0) return expect(signature).toBeUndefined();
      expect(Signature.safeParse(signature).error).toBeUndefined();
      const starts = [...(signature?.path ?? "").matchAll(/M(\d+) (\d+)/g)].map(([, x, y]) => [
        Number(x),
        Number(y),
      ]);
      const inside = (value: number, most: number) => Math.min(most, Math.max(0, Math.round(value)));
      expect(starts).toEqual(
        groups.map(({ points: [first] }) => [inside(first?.x ?? 0, 350), inside(first?.y ?? 0, 160)]),
      );
    }),
    { seed: 6, numRuns: 300 },
  );
});

test("an endless scribble is kept coarser, not refused", () => {
  const points = Array.from({ length: 60_000 }, (_, i) => ({
    x: i % 350,
    y: (i * 7) % 160,
    pressure: 0.5,
    time: i,
  }));
  const signature = signatureOf([{ points }] as never, 350, 160);
  expect(Signature.safeParse(signature).error).toBeUndefined();
  expect(signature?.path.length).toBeGreaterThan(10_000);
});
