import type { SheetLayer, SheetSection } from '../../sheets/channelSheet';
import { numbered } from '../../sheets/channelSheet';
import { numbersTo } from '../params';

export const REMOTE = 'remote';

/** Faders that move the host's tracks. They are on the surface as a layer of their own, and no sound passes them. */
export const remoteSection = (faders: number): SheetSection =>
  numbered(REMOTE, 'Host faders, no sound passes them', faders, (n) => ({
    ...{ id: `${REMOTE}-${n}`, name: `host fader ${n}`, cells: {} },
  }));

export const remoteLayer = (faders: number): SheetLayer => ({
  id: REMOTE,
  name: 'Host faders, no sound',
  rows: numbersTo(faders).map((n) => `${REMOTE}-${n}`),
});
