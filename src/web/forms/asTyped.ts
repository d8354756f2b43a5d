import { figure } from '../../core/units/index.ts';

/** A refusal of a fraction as the field has it, in per cent: "thinner (fraction) 0.6 …" → "thinner (%) 60 …". */
export function asTyped(message: string): string {
  const [label, rest] = message.split('(fraction)');
  if (rest === undefined) return message;
  return `${label}(%)${rest.replace(/\d+(?:\.\d+)?(?:e[+-]?\d+)?/g, (digits) => figure(Number(digits) * 100))}`;
}
