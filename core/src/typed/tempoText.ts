import type { Tempo } from '../session/tempo';
import { tempoSchema } from '../session/tempo';
import type { CellReading } from '../text/cellReading';
import { refuse, value } from '../text/cellReading';
import { formatNumber } from '../units/format';

const PART = /^(?:(\d+)\s*[:=]\s*)?(\d+(?:[.,]\d+)?)(?:\s+(\d+)(?:\/\d+)?)?$/;

/** "120 4/4; 33: 96 3/4" as it is typed: from a bar on a tempo and a time. Empty is none. */
export function readTempo(text: string): CellReading<readonly Tempo[]> {
  const parts = text
    .split(';')
    .map((part) => part.trim())
    .filter((part) => part !== '');
  const found: Tempo[] = [];
  for (const part of parts) {
    const match = PART.exec(part);
    if (match === null)
      return refuse(`“${part}” is no tempo. Write 120 4/4, and changes behind it: 120 4/4; 33: 96 3/4.`);
    const before = found.at(-1);
    const read = tempoSchema.safeParse({
      bar: Number(match[1] ?? 1),
      bpm: Number((match[2] ?? '').replace(',', '.')),
      beats: Number(match[3] ?? before?.beats ?? 4),
    });
    if (!read.success) return refuse(`“${part}”: ${read.error.issues[0]?.message ?? 'it does not fit'}.`);
    if (before !== undefined && read.data.bar <= before.bar)
      return refuse(
        `“${part}” does not come after bar ${String(before.bar)}. Write the changes in their order.`,
      );
    found.push(found.length === 0 ? { ...read.data, bar: 1 } : read.data);
  }
  return value(found);
}

/** As `readTempo` reads it. */
export const tempoText = (tempo: readonly Tempo[]): string =>
  tempo
    .map(
      ({ bar, bpm, beats }, i) =>
        `${i === 0 ? '' : `${String(bar)}: `}${formatNumber(bpm)} ${String(beats)}/4`,
    )
    .join('; ');
