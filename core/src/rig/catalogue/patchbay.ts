import * as z from 'zod';
import type { LaneKey, Port, Route } from '../deviceModel';
import { deviceType } from './deviceType';
import { channelCount, numbersTo } from './params';

const params = z.strictObject({
  columns: channelCount(192).default(48),
  normalling: z.enum(['full', 'half', 'none']).default('half'),
  connector: z.enum(['tt', 'trs', 'xlr']).default('tt'),
});
type Normalling = z.infer<typeof params>['normalling'];

/**
 * The faces of one column. The upper row brings sources out to its front jacks; the lower row takes
 * plugs for the destinations behind it. So signals enter at upper rear and lower front.
 */
const FACES = [
  { key: 'upper-rear', name: 'upper rear', direction: 'in', face: 'rear' },
  { key: 'upper', name: 'upper', direction: 'out', face: 'front' },
  { key: 'lower', name: 'lower', direction: 'in', face: 'front' },
  { key: 'lower-rear', name: 'lower rear', direction: 'out', face: 'rear' },
] as const;

const at = (face: (typeof FACES)[number]['key'], column: number): LaneKey => ({
  port: `${face}-${column}`,
  lane: 1,
});

/** Which front jacks open the normal when a plug is in them. Common practice, no source. */
const OPENED_BY: Record<Exclude<Normalling, 'none'>, (column: number) => readonly LaneKey[]> = {
  full: (column) => [at('upper', column), at('lower', column)],
  half: (column) => [at('lower', column)],
};

const wire = (from: LaneKey, to: LaneKey): Route => ({ from, to, kind: 'wire', gainDb: 0 });

function columnRoutes(column: number, normalling: Normalling): readonly Route[] {
  const faces = [
    wire(at('upper-rear', column), at('upper', column)),
    wire(at('lower', column), at('lower-rear', column)),
  ];
  if (normalling === 'none') return faces;
  const normal: Route = {
    from: at('upper-rear', column),
    to: at('lower-rear', column),
    kind: 'normal',
    gainDb: 0,
    unlessPlugged: OPENED_BY[normalling](column),
  };
  return [...faces, normal];
}

export const patchbay = deviceType({
  type: 'patchbay',
  title: 'Patchbay',
  what: 'Two rows of jacks; each column may join its two rows by a normal until a plug opens it.',
  params,
  build({ columns, normalling, connector }) {
    const numbers = numbersTo(columns);
    return {
      ports: numbers.flatMap((column) =>
        FACES.map(({ key, name, direction, face }): Port => ({
          key: `${key}-${column}`,
          name: `${column} ${name}`,
          direction,
          medium: 'any',
          lanes: 1,
          connector: face === 'front' ? connector : 'fixed',
          face,
        })),
      ),
      routes: numbers.flatMap((column) => columnRoutes(column, normalling)),
      stations: [],
    };
  },
});
