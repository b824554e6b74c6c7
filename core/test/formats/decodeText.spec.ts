import { decodeText } from '@ft/core/formats/decodeText';
import { RIG_TABLE } from '@ft/core/formats/csv/rigTables';
import { saltglassRooms } from '../fixtures/thin/saltglass';

const TABLE = 'Name;Room;Kind\r\nRöhrenvorverstärker;Kiln;Mic preamp\r\n';
const utf16 = (text: string, order: 'le' | 'be', mark: boolean): Uint8Array => {
  const bytes = Buffer.from(`${mark ? '\ufeff' : ''}${text}`, 'utf16le');
  return order === 'le' ? bytes : bytes.swap16();
};

describe('the text of a file', () => {
  it.each<[string, Uint8Array, string]>([
    ['UTF-8', Buffer.from(TABLE, 'utf8'), 'UTF-8'],
    ['UTF-8 with a mark', Buffer.from(`\ufeff${TABLE}`, 'utf8'), 'UTF-8'],
    ['UTF-16, as a spreadsheet writes “Unicode text”', utf16(TABLE, 'le', true), 'UTF-16'],
    ['UTF-16, the other way round', utf16(TABLE, 'be', true), 'UTF-16'],
    ['UTF-16 without a mark', utf16(TABLE, 'le', false), 'UTF-16'],
    ['UTF-16 without a mark, the other way round', utf16(TABLE, 'be', false), 'UTF-16'],
    ['Latin-1', Buffer.from(TABLE, 'latin1'), 'Windows-1252 (Latin-1)'],
    // 0x80 is the euro sign in Windows-1252 only (Unicode mapping table CP1252).
    ['Windows-1252', Buffer.from([0x80, 0x20, 0x93, 0x61, 0x94]), 'Windows-1252 (Latin-1)'],
  ])('in %s is read, and named', (_name, bytes, encoding) => {
    const decoded = decodeText(new Uint8Array(bytes));
    expect(decoded).toMatchObject({ ok: true, encoding });
    const text = decoded.ok ? decoded.text : '';
    if (bytes.length > 10) {
      const read = RIG_TABLE.devices.read(text, saltglassRooms().rig);
      expect(read.ok && read.lines[0]!.text).toBe('Röhrenvorverstärker, Mic preamp, Kiln');
    } else expect(text).toBe('€ “a”');
  });

  it.each<[string, number[]]>([
    ['a picture', [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]],
    ['a spreadsheet file', [0x50, 0x4b, 0x03, 0x04, 0x14, 0, 0x06, 0]],
  ])('that is %s is refused with what to do', (_name, bytes) => {
    const decoded = decodeText(new Uint8Array(bytes));
    expect(decoded).toMatchObject({ ok: false });
    expect(!decoded.ok && decoded.sentence).toContain('Save the table as CSV (UTF-8)');
  });

  it('that is damaged UTF-16 is refused by name', () => {
    const decoded = decodeText(new Uint8Array([0xff, 0xfe, 0x00, 0xd8, 0x41, 0x00]));
    expect(decoded).toMatchObject({ ok: false, sentence: expect.stringContaining('UTF-16') as string });
  });

  it('that is empty is an empty text', () => {
    expect(decodeText(new Uint8Array())).toEqual({ ok: true, text: '', encoding: 'UTF-8' });
  });
});
