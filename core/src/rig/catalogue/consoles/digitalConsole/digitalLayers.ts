import type { SheetLayer } from '../../../sheets/channelSheet';
import { numbersTo } from '../../params';
import { pagesOf } from '../pages';
import { remoteLayer } from '../remoteRows';
import type { DeskParams } from './digitalParams';

const ids = (prefix: string, count: number): readonly string[] =>
  numbersTo(count).map((n) => `${prefix}-${n}`);

/** Layers of channels as many as the surface has faders for, then the masters in the same way. */
export function digitalLayers(p: DeskParams): readonly SheetLayer[] {
  const channels = pagesOf(ids('channel', p.channels), p.fadersPerLayer);
  const masters = [
    { id: 'returns', name: 'Returns', rows: ids('return', p.stereoReturns) },
    { id: 'groups', name: 'Groups', rows: ids('group', p.groups) },
    { id: 'auxes', name: 'Auxes', rows: ids('aux', p.auxes) },
    { id: 'masters', name: 'Matrices and mix', rows: [...ids('matrix', p.matrices), 'mix-1'] },
    { id: 'vcas', name: 'VCAs', rows: ids('vca', p.vcas) },
  ];
  return [
    ...channels.map(({ rows, from, to }, i) => ({
      ...{ id: `layer-${i + 1}`, name: `Layer ${i + 1}: channels ${from}–${to}`, rows },
    })),
    ...masters.flatMap(({ id, name, rows }) => {
      const pages = pagesOf(rows, p.fadersPerLayer);
      return pages.map((page, i) => ({
        ...{ id: `${id}-${i + 1}`, rows: page.rows },
        name: pages.length === 1 ? name : `${name} ${page.from}–${page.to}`,
      }));
    }),
    remoteLayer(p.remoteFaders),
  ];
}
