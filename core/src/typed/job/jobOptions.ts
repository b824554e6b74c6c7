import type { Parallel, Track } from '../../session/daw/trackSchema';
import { MOST_SLOTS } from '../../session/daw/trackSchema';
import type { Job, JobPlace, JobState } from '../../session/jobSchema';
import { JOB_STATES, lengthS, sweetDbu } from '../../session/jobSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { typedNumber } from '../../text/typedNumber';

/** Where a chain stands: "3", "slot 3", "in line" behind a track, or before one that prints; "before", "behind". */
export function readPlace(text: string, { kind }: Pick<Track, 'kind'>): CellReading<JobPlace> {
  const plain = text.trim().toLowerCase();
  const line = /^(?:in line\s*)?(before|behind)?$/.exec(plain);
  if (line !== null && plain !== '')
    return value({
      in: (line[1] ?? (kind === 'print' ? 'before' : 'behind')) === 'before' ? 'input' : 'output',
    });
  const slot = Number(/^(?:slot\s*)?(\d+)$/.exec(plain)?.[1] ?? NaN);
  if (Number.isInteger(slot) && slot >= 1 && slot <= MOST_SLOTS) return value({ in: 'slot', slot });
  return refuse(
    `“${text}” is no place for a chain. Write a slot from 1 to ${String(MOST_SLOTS)}, or in line, behind or before.`,
  );
}

export const placeText = (at: JobPlace): string =>
  at.in === 'slot' ? String(at.slot) : at.in === 'output' ? 'in line behind' : 'in line before';

const PARALLEL =
  /^parallel\s+([-+−]?\d+(?:[.,]\d+)?)\s*(%|dB)?(?:\s*\/\s*([-+−]?\d+(?:[.,]\d+)?)\s*(?:dB)?)?$/i;
const RANGE = 'between −60 and +12 dB';

/** "parallel 40 %" fades from dry to wet, "parallel −8" has the dry at unity and the wet at −8 dB, "parallel −3/−6" both. */
function readParallel(text: string): CellReading<Parallel> {
  const match = PARALLEL.exec(text.trim());
  const first = typedNumber(match?.[1] ?? '');
  if (match === null || first === undefined)
    return refuse(
      `“${text}” is no mix. Write parallel 40 %, parallel −8, or parallel −3/−6 for dry and wet.`,
    );
  if (match[2] === '%') {
    if (first <= 0 || first >= 100) return refuse(`“${text}” is no mix: write a share between 0 and 100 %.`);
    return value({ dryDb: 20 * Math.log10(1 - first / 100), wetDb: 20 * Math.log10(first / 100) });
  }
  const second = match[3] === undefined ? undefined : typedNumber(match[3]);
  const [dryDb, wetDb] = second === undefined ? [0, first] : [first, second];
  const fits = [dryDb, wetDb].every((db) => db >= -60 && db <= 12);
  return fits ? value({ dryDb, wetDb }) : refuse(`“${text}”: dry and wet lie ${RANGE}.`);
}

/** How a job passes: straight, mid and side, beside the dry signal. */
export type JobKind = Pick<Job, 'midSide' | 'parallel'>;

/** "straight", "mid/side", "parallel 40 %", or "mid/side, parallel −8". */
export function readKind(text: string, { name, width }: Pick<Track, 'name' | 'width'>): CellReading<JobKind> {
  let kind: JobKind = {};
  for (const part of text.split(/[;,]/).map((each) => each.trim())) {
    if (part === '' || /^(straight|mono|stereo)$/i.test(part)) continue;
    if (/^(mid\/side|mid-side|m\/s|ms)$/i.test(part)) {
      if (width !== 2)
        return refuse(
          `${name} is not stereo: only left and right make a middle and a side. Leave mid/side out.`,
        );
      kind = { ...kind, midSide: true };
      continue;
    }
    const parallel = readParallel(part);
    if (!parallel.ok) return parallel;
    kind = { ...kind, parallel: parallel.value };
  }
  return value(kind);
}

/** A level of dry or wet as it is written. */
const short = (db: number): string => String(Math.round(db * 100) / 100).replace('-', '−');

export function kindText({ midSide, parallel }: JobKind): string {
  const mix = parallel && mixText(parallel);
  return [...(midSide === true ? ['mid/side'] : []), ...(mix === undefined ? [] : [mix])].join(', ');
}

/** What fades from one to the other is written as a share. */
function mixText({ dryDb, wetDb }: Parallel): string {
  const share = 10 ** (wetDb / 20);
  const isFade = Math.abs(share + 10 ** (dryDb / 20) - 1) < 1e-6;
  if (isFade) return `parallel ${String(Math.round(share * 1000) / 10)} %`;
  return dryDb === 0 ? `parallel ${short(wetDb)}` : `parallel ${short(dryDb)}/${short(wetDb)}`;
}

export function readState(text: string): CellReading<JobState> {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/^commit$/, 'to commit');
  const state = JOB_STATES.find((each) => each === plain);
  return state === undefined
    ? refuse(`“${text}” is no state of a job: write ${JOB_STATES.join(', ')}.`)
    : value(state);
}

/** The level a unit is wanted at, "+4" or "+4 dBu"; empty for that of the mix. */
export function readSweet(text: string): CellReading<number | undefined> {
  const plain = text.trim().replace(/\s*dbu$/i, '');
  if (plain === '') return value(undefined);
  const read = sweetDbu.safeParse(typedNumber(plain));
  return read.success
    ? value(read.data)
    : refuse(`“${text}” does not fit: type a level from −40 to +30 dBu.`);
}

const TIME = /^(?:(\d+):)?(\d+):(\d{1,2})$/;

/** "4:30", "1:02:00", or minutes: "4.5". Seconds; empty for that of the mix. */
export function readLength(text: string): CellReading<number | undefined> {
  const plain = text.trim().replace(/\s*min$/i, '');
  if (plain === '') return value(undefined);
  const parts = TIME.exec(plain);
  const seconds =
    parts === null
      ? (typedNumber(plain) ?? NaN) * 60
      : Number(parts[1] ?? 0) * 3600 + Number(parts[2]) * 60 + Number(parts[3]);
  const read = lengthS.safeParse(Math.round(seconds));
  return read.success
    ? value(read.data)
    : refuse(`“${text}” is no length. Write minutes and seconds, 4:30, up to 24 hours.`);
}

/** "4:30", "1:02:00". */
export function lengthText(seconds: number): string {
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, Math.round(seconds) % 60];
  const two = (n: number): string => String(n).padStart(2, '0');
  return h > 0 ? `${String(h)}:${two(m)}:${two(s)}` : `${String(m)}:${two(s)}`;
}
