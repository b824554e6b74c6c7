import * as z from 'zod';
import { numberRange } from '../../../text/numberRange';
import { deviceType } from '../deviceType';
import { channelCount, numbersTo } from '../params';
import { copperPort } from '../portKinds';
import type { BayColumn, BayFace, ColumnMisfit } from './bayColumn';
import { BAY_FACES, BEHIND, columnMisfit, columnRoutes, faceDirection, NORMALLINGS } from './bayColumn';

const section = z.strictObject({
  /** Columns as a number range: "1-8", "1-15/2". */
  columns: z.string().trim().min(1, 'columns such as 1-8').max(200),
  normalling: z.enum(NORMALLINGS).default('half'),
  upper: z.enum(BEHIND).default('source'),
  lower: z.enum(BEHIND).default('destination'),
});
type Section = z.infer<typeof section>;

const byKey = (labels: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(labels).sort(([a], [b]) => (a < b ? -1 : 1)));

const shape = z.strictObject({
  columns: channelCount(192).default(48),
  normalling: z.enum(NORMALLINGS).default('half'),
  connector: z.enum(['tt', 'trs', 'xlr']).default('tt'),
  rearConnector: z.enum(['fixed', 'db25', 'tt', 'trs', 'xlr']).default('fixed'),
  /** How the sleeves are strapped. Local earthing practice decides; the program only writes it down. */
  grounds: z.enum(['isolated', 'strapped per column', 'common']).default('strapped per column'),
  /** Columns that behave otherwise than the bay as a whole; of two that overlap the later one counts. */
  sections: z.array(section).max(192).default([]),
  /** What the strip says over or under a jack, by row and column: "upper-3". */
  labels: z
    .record(
      z.string().regex(/^(upper|lower)-[1-9][0-9]{0,2}$/, 'a label stands at “upper-3” or “lower-3”'),
      z.string().trim().min(1, 'a label is not empty').max(24, 'at most 24 characters fit on the strip'),
    )
    .default({})
    .transform(byKey),
});
type Params = z.infer<typeof shape>;

const MISFIT: Record<ColumnMisfit, string> = {
  'normal-needs-both':
    'A normal leads from a source to a destination, so a full or half normalled column has one of each behind it.',
  'two-sources-in-parallel':
    'A parallel column joins all four faces, so only one of its rows may have a source behind it.',
};

/** Why a section does not fit its bay, as a sentence; undefined where it fits. */
function sectionTrouble({ columns, ...column }: Section, count: number): string | undefined {
  const range = numberRange(columns);
  if (!range.ok) return `“${range.part}” is not a range of columns; write 1-8, or 1-15/2 for odd ones.`;
  const beyond = range.numbers.find((number) => number < 1 || number > count);
  if (beyond !== undefined) return `There is no column ${beyond}: this bay has ${count} columns.`;
  const misfit = columnMisfit(column);
  return misfit && MISFIT[misfit];
}

/** Checks that need the number of columns: sections and labels lie on the bay. */
function fitsItself({ columns, sections, labels }: Params, context: z.core.$RefinementCtx<Params>): void {
  sections.forEach((each, i) => {
    const message = sectionTrouble(each, columns);
    if (message !== undefined)
      context.addIssue({ code: 'custom', message, path: ['sections', i, 'columns'] });
  });
  for (const key of Object.keys(labels)) {
    const column = Number(key.split('-')[1]);
    if (column > columns)
      context.addIssue({
        code: 'custom',
        message: `There is no column ${column} to label: this bay has ${columns} columns. Take the label off first.`,
        path: ['labels', key],
      });
  }
}

const params = shape.superRefine(fitsItself);

/** How every column of a bay behaves, first to last. */
export function bayColumns({ columns, normalling, sections }: Params): readonly BayColumn[] {
  const all: BayColumn[] = numbersTo(columns).map(() => ({
    normalling,
    upper: 'source',
    lower: 'destination',
  }));
  for (const { columns: range, ...column } of sections) {
    const read = numberRange(range);
    for (const number of read.ok ? read.numbers : []) all[number - 1] = column;
  }
  return all;
}

const NAME: Record<BayFace, string> = {
  'upper-rear': 'upper rear',
  upper: 'upper',
  lower: 'lower',
  'lower-rear': 'lower rear',
};

/** The parameters of a patchbay, as its screens read them. */
export type BayParams = Params;

export const patchbay = deviceType({
  type: 'patchbay',
  title: 'Patchbay',
  what: 'Two rows of jacks; each column may join its two rows by a normal until a plug opens it.',
  params,
  build(p) {
    const columns = bayColumns(p);
    return {
      ports: columns.flatMap((column, i) =>
        BAY_FACES.map((face) => {
          const isFront = face === 'upper' || face === 'lower';
          return copperPort(faceDirection(column, face), {
            key: `${face}-${i + 1}`,
            name: `${i + 1} ${NAME[face]}`,
            connector: isFront ? p.connector : p.rearConnector,
            face: isFront ? 'front' : 'rear',
          });
        }),
      ),
      routes: columns.flatMap((column, i) => columnRoutes(i + 1, column)),
      stations: [],
    };
  },
});
