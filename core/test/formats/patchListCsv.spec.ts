import Papa from 'papaparse';
import { patchListCsv } from '@ft/core/formats/patchListCsv';
import type { PatchLine } from '@ft/core/views/bay/patchList';

const line = (more: Partial<PatchLine> = {}): PatchLine => ({
  cord: 'c1' as PatchLine['cord'],
  room: 'Batch room',
  from: 'Bay A 13 upper',
  to: 'Bay A 10 lower',
  cordKind: 'TT cord, 0.6 m, ochre',
  thread: '4 Wen Askelby, Harp',
  breaks: ['Bay A 10', 'Bay A 13'],
  why: 'on to Mic preamp 4',
  plugged: false,
  ...more,
});

describe('the patch list as CSV', () => {
  it('follows RFC 4180: a head, CRLF, quotes around commas', () => {
    expect(patchListCsv([line()])).toBe(
      'Room,From,To,Cord,Thread,Breaks normal,Why,Plugged\r\n' +
        'Batch room,Bay A 13 upper,Bay A 10 lower,"TT cord, 0.6 m, ochre","4 Wen Askelby, Harp",Bay A 10; Bay A 13,on to Mic preamp 4,no\r\n',
    );
  });

  it.each(['=1+1', '+1', '-1', '@SUM(A1)', '\tx', '\rx'])('takes the teeth out of %j', (text) => {
    const cell = Papa.parse<string[]>(patchListCsv([line({ thread: text })])).data[1]![4]!;
    expect(cell).toBe(`'${text}`);
  });

  it('comes back whole from a reader, quotes and line ends inside', () => {
    const odd = 'a "quoted", two\nlines';
    const rows = Papa.parse<string[]>(patchListCsv([line({ why: odd })])).data;
    expect(rows[1]![6]).toBe(odd);
  });
});
