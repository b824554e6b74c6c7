/**
 * The one place where figures are rounded for readers: levels to 0.1 dB, delays to 0.01 ms.
 * Everything else in the core keeps full precision.
 */
const MINUS = '−';

const signed = (text: string): string => text.replace('-', MINUS);

function fixed(value: number, digits: number): string {
  const text = value.toFixed(digits);
  return Number(text) === 0 ? (0).toFixed(digits) : text;
}

/** A number in full, with a real minus sign: "64", "−40", "0.35". */
export const formatNumber = (value: number): string => signed(String(value));

/** A level with its sign and unit: "+4.0 dBu", "−18.0 dBFS". Silence is "−∞". */
export function formatLevel(level: number, unit: string): string {
  if (level === -Infinity) return `${MINUS}∞ ${unit}`;
  return `${formatGain(level)} ${unit}`;
}

/** A signed number of decibels without unit: "+44.0", "−0.7", "0.0". */
export function formatGain(db: number): string {
  const text = fixed(db, 1);
  return Number(text) > 0 ? `+${text}` : signed(text);
}

/** A magnitude of decibels with unit: "9.2 dB". */
export const formatDb = (db: number): string => `${signed(fixed(db, 1))} dB`;

/** Milliseconds: "1.33 ms". */
export const formatMs = (ms: number): string => `${signed(fixed(ms, 2))} ms`;

/** Samples: whole where whole, else hundredths: "64", "19.25". */
export const formatSamples = (samples: number): string =>
  Number.isInteger(samples) ? formatNumber(samples) : signed(fixed(samples, 2));

/** An impedance: "200 Ω", "2.4 kΩ", "1 MΩ". */
export function formatOhm(ohm: number): string {
  const [scaled, unit] = ohm >= 1e6 ? [ohm / 1e6, 'MΩ'] : ohm >= 1e3 ? [ohm / 1e3, 'kΩ'] : [ohm, 'Ω'];
  return `${String(Number(scaled.toPrecision(3)))} ${unit}`;
}

/** A frequency to three figures: "63 Hz", "1.16 kHz". */
export function formatFrequency(hz: number): string {
  const [scaled, unit] = hz >= 1000 ? [hz / 1000, 'kHz'] : [hz, 'Hz'];
  return `${String(Number(scaled.toPrecision(3)))} ${unit}`;
}
