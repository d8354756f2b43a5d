import type { CurvePoint, OvercoatRule } from '../../core/cure/index.ts';
import type { ByMethod } from '../../core/system/index.ts';

/** Cells of a data sheet's row that hold more than one figure. Reading one throws a RangeError that names the place. */

/** Times over temperature, as `10:1200 20:600`: °C and minutes. */
export const tableText = (points: readonly CurvePoint[] | null | undefined): string =>
  (points ?? []).map((p) => `${p.tempC}:${p.minutes}`).join(' ');

export function readTable(text: string, where: string): CurvePoint[] {
  return text
    .trim()
    .split(/\s+/)
    .filter(Boolean)
    .map((pair) => {
      const [tempC, minutes] = pair.split(':').map(Number);
      if (!Number.isFinite(tempC) || !Number.isFinite(minutes)) {
        throw new RangeError(`${where}: “${pair}” isn’t a temperature and minutes, for example 20:600`);
      }
      return { tempC: tempC as number, minutes: minutes as number };
    });
}

export const overcoatText = (rule: OvercoatRule): string =>
  [
    `by=${rule.by}`,
    `min=${tableText(rule.min)}`,
    rule.chemicalMax && `max=${tableText(rule.chemicalMax)}`,
    rule.keyGrit !== null && `grit=${rule.keyGrit}`,
    rule.thumb && `thumb=${tableText(rule.thumb.opens)}..${tableText(rule.thumb.closes)}`,
  ]
    .filter(Boolean)
    .join(' ');

export function readOvercoat(text: string, where: string): OvercoatRule {
  const fields = new Map(
    text
      .split(/\s+(?=(?:by|min|max|grit|thumb)=)/)
      .map((part): [string, string] => [
        part.slice(0, part.indexOf('=')).trim(),
        part.slice(part.indexOf('=') + 1),
      ]),
  );
  const [opens, closes] = fields.get('thumb')?.split('..') ?? [];
  return {
    by: fields.get('by') ?? 'any',
    min: readTable(fields.get('min') ?? '', where),
    chemicalMax: fields.has('max') ? readTable(fields.get('max') as string, where) : null,
    thumb:
      opens !== undefined && closes !== undefined
        ? { opens: readTable(opens, where), closes: readTable(closes, where) }
        : null,
    keyGrit: fields.has('grit') ? Number(fields.get('grit')) : null,
  };
}

/** `airless-spray 100-150-200 5%`: least, typical and most film, µm dry, and the thinner's limit; `-` where as for all. */
export const byMethodText = ({ method, film, thinnerMax }: ByMethod): string =>
  [
    method,
    film ? `${film.min}-${film.typical}-${film.max}` : '-',
    thinnerMax === null ? '' : `${Number((thinnerMax * 100).toFixed(6))}%`,
  ]
    .filter(Boolean)
    .join(' ');

export function readByMethod(text: string, where: string): ByMethod {
  const [method = '', figures = '-', thinner] = text.split(/\s+/);
  const [min, typical, max] = figures.split('-').map(Number);
  const film =
    figures === '-'
      ? null
      : { min: min ?? Number.NaN, typical: typical ?? Number.NaN, max: max ?? Number.NaN };
  if (film && !Object.values(film).every(Number.isFinite)) {
    throw new RangeError(`${where}: “${figures}” isn’t minimum-typical-maximum, for example 50-75-100`);
  }
  return {
    method: method as ByMethod['method'],
    film,
    thinnerMax: thinner === undefined ? null : Number((Number.parseFloat(thinner) / 100).toFixed(8)),
  };
}
