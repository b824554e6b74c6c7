import { formatNumber, formatOhm } from '@ft/core/units/format';

const figure = (value: unknown): string => (typeof value === 'number' ? formatNumber(value) : String(value));

/** A parameter as a reader writes it, with its unit: "47 kΩ", "−6/−3/0 dB"; empty where being there says it all. */
export function paramFigure(value: unknown, unit: string): string {
  if (value === true) return '';
  if (Array.isArray(value)) return `${value.map(figure).join('/')} ${unit}`.trim();
  return unit === 'Ω' && typeof value === 'number' ? formatOhm(value) : `${figure(value)} ${unit}`.trim();
}
