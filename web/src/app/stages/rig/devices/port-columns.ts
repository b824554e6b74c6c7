import type { PortLine } from '@ft/core/views/rig/deviceView';
import type { SheetColumn } from '../../../ui/sheet/sheet-column';

/** The connectors of a device: read here, and changed with its data and its wires. */
export const PORT_COLUMNS: readonly SheetColumn<PortLine>[] = [
  { id: 'name', title: 'Name', widthPx: 140, text: ({ name }) => name },
  { id: 'direction', title: 'Way', widthPx: 44, text: ({ direction }) => direction },
  { id: 'count', title: 'Lanes', widthPx: 50, isFigure: true, text: ({ count }) => String(count) },
  { id: 'medium', title: 'Medium', widthPx: 90, text: ({ medium }) => medium },
  { id: 'connector', title: 'Connector', widthPx: 90, text: ({ connector }) => connector },
  { id: 'face', title: 'Face', widthPx: 56, text: ({ face }) => face },
  { id: 'figures', title: 'Figures', widthPx: 190, text: ({ figures }) => figures },
  { id: 'wiredTo', title: 'Wired to', widthPx: 320, text: ({ wiredTo }) => wiredTo.join('; ') },
];
