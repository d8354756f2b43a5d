import { type OffsetTable, sectionAt, type Triangles } from '../src/core/hull/index.ts';

/** Points up each section, and stations along the hull, of the demo's invented mesh. */
const UP = 24;
const ALONG = 120;

/** A skin over both sides of a form, and its transom, open at the sheer, in millimetres, x forward, y to port, z up. */
export function meshOfForm(form: OffsetTable): Triangles {
  const [first, last] = [form.stationsM[0] as number, form.stationsM.at(-1) as number];
  const rings = Array.from({ length: ALONG + 1 }, (_, i) => {
    const x = first + ((last - first) * i) / ALONG;
    const section = sectionAt(form, x);
    return Array.from({ length: UP + 1 }, (_, k) => {
      const at = (k / UP) * (section.length - 1);
      const [low, high] = [section[Math.floor(at)], section[Math.ceil(at)]];
      const t = at - Math.floor(at);
      const mix = (a = 0, b = a) => a + t * (b - a);
      return [x * 1000, mix(low?.y, high?.y) * 1000, mix(low?.z, high?.z) * 1000] as const;
    });
  });
  const faces: number[] = [];
  type P = readonly [number, number, number];
  const quad = (a: P, b: P, c: P, d: P) => faces.push(...a, ...b, ...c, ...a, ...c, ...d);
  const port = (p: P): P => p;
  const starboard = ([x, y, z]: P): P => [x, -y, z];
  for (let i = 0; i < ALONG; i++) {
    for (let k = 0; k < UP; k++) {
      const [a, b, c, d] = [rings[i]?.[k], rings[i + 1]?.[k], rings[i + 1]?.[k + 1], rings[i]?.[k + 1]] as [
        P,
        P,
        P,
        P,
      ];
      quad(port(b), port(a), port(d), port(c));
      quad(starboard(a), starboard(b), starboard(c), starboard(d));
    }
  }
  for (let k = 0; k < UP; k++) {
    const [a, b] = [rings[0]?.[k], rings[0]?.[k + 1]] as [P, P];
    quad(port(a), starboard(a), starboard(b), port(b));
  }
  return Float32Array.from(faces);
}
