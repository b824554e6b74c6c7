import type { LaneId } from '../rig/ids';
import type { RigNote } from '../rig/wiring/rigCheck';

/** A note in words, and the lane to jump to where there is one. */
export interface RigNoteView {
  readonly code: RigNote['code'];
  readonly severity: 'error' | 'warning' | 'note';
  readonly text: string;
  readonly at?: LaneId;
}

const SEVERITY: Record<RigNote['code'], RigNoteView['severity']> = {
  'two-sources': 'error',
  'kinds-differ': 'error',
  'label-twice': 'warning',
  adaptor: 'note',
  unwired: 'note',
};

const MOST_NAMED = 3;

function sentence(note: RigNote, name: (lane: LaneId) => string): string {
  switch (note.code) {
    case 'two-sources':
      return `${name(note.at)} is fed by ${note.from.map(name).join(' and ')}: two outputs drive one input. Take one wire out, or put a mixer between.`;
    case 'kinds-differ':
      return `The wire ${name(note.ends[0])} → ${name(note.ends[1])} joins ${note.from} to ${note.to}, which cannot work. Take it out.`;
    case 'label-twice':
      return `${note.bay}: “${note.label}” stands at ${note.at.map((place) => place.replace('-', ' ')).join(' and ')}. Give each jack a label of its own.`;
    case 'adaptor': {
      const [a, b] = note.connectors;
      const named = note.ends.slice(0, MOST_NAMED).map(([from, to]) => `${name(from)} → ${name(to)}`);
      const more = note.ends.length > MOST_NAMED ? ` and ${note.ends.length - MOST_NAMED} more` : '';
      return `${a.toUpperCase()} to ${b.toUpperCase()} wants an adaptor or a lead made for it: ${named.join('; ')}${more}.`;
    }
    case 'unwired': {
      const row = `${note.device} ${note.row}`.trim();
      if (note.numbers.length < note.of)
        return `${row} ${note.numbersText} ${note.numbers.length === 1 ? 'has' : 'have'} no wire.`;
      return `${row}: nothing is wired to ${note.of === 1 ? 'it' : `any of its ${note.of}`}.`;
    }
  }
}

/** The notes of a rig check in words, what harms first. */
export function rigNoteViews(
  notes: readonly RigNote[],
  name: (lane: LaneId) => string,
): readonly RigNoteView[] {
  const order = ['error', 'warning', 'note'];
  const views = notes.map((note): RigNoteView => {
    const at =
      note.code === 'two-sources' ? note.at : note.code === 'kinds-differ' ? note.ends[0] : undefined;
    return { code: note.code, severity: SEVERITY[note.code], text: sentence(note, name), ...(at && { at }) };
  });
  return views.sort((a, b) => order.indexOf(a.severity) - order.indexOf(b.severity));
}
