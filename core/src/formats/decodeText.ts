/** The standard decoder, which browsers and Node both have. */
declare const TextDecoder: new (
  label: string,
  options?: { readonly fatal?: boolean },
) => { decode(bytes: Uint8Array): string };

export type Encoding = 'UTF-8' | 'UTF-16' | 'Windows-1252 (Latin-1)';

export type Decoded =
  | { readonly ok: true; readonly text: string; readonly encoding: Encoding }
  | { readonly ok: false; readonly sentence: string };

const NO_TEXT =
  'This file is no text. Save the table as CSV (UTF-8) in the spreadsheet, and choose that file.';

/** How much of a file without a mark is looked at to tell UTF-16, bytes. */
const LOOKED_AT = 4096;

function startsWith(bytes: Uint8Array, ...mark: readonly number[]): boolean {
  return mark.every((byte, i) => bytes[i] === byte);
}

/** Western text in UTF-16 has a zero in every second byte. */
function utf16Order(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | undefined {
  const end = Math.min(bytes.length, LOOKED_AT);
  const zeros = [0, 0];
  for (let i = 0; i < end; i++) if (bytes[i] === 0) zeros[i % 2] = (zeros[i % 2] ?? 0) + 1;
  const [even = 0, odd = 0] = zeros;
  if (odd > end * 0.3 && even < end * 0.02) return 'utf-16le';
  if (even > end * 0.3 && odd < end * 0.02) return 'utf-16be';
  return undefined;
}

function decodedAs(bytes: Uint8Array, label: string): string | undefined {
  try {
    return new TextDecoder(label, { fatal: true }).decode(bytes);
  } catch {
    return undefined;
  }
}

/** What Windows-1252 has where Latin-1 has control characters (0x80 to 0x9F). Some decoders take one for the other. */
const WESTERN = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

const western = (text: string): string =>
  text.replace(/[\u0080-\u009F]/g, (letter) => WESTERN.charAt(letter.charCodeAt(0) - 0x80));

/** Control characters that no table has: then it is a picture, a spreadsheet file, anything but text. */
function isText(text: string): boolean {
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    const isWhite = code >= 0x09 && code <= 0x0d;
    if (code < 0x20 && !isWhite && code !== 0x1b) return false;
  }
  return true;
}

/**
 * The text of a file. Spreadsheets write UTF-8, UTF-16 (as "Unicode text") and, older ones, the Western code
 * page; each is told by its mark or its bytes. A file that is none of them is refused by name.
 */
export function decodeText(bytes: Uint8Array): Decoded {
  const marked = startsWith(bytes, 0xff, 0xfe)
    ? 'utf-16le'
    : startsWith(bytes, 0xfe, 0xff)
      ? 'utf-16be'
      : undefined;
  const wide = marked ?? utf16Order(bytes);
  if (wide !== undefined) {
    const text = decodedAs(bytes, wide);
    if (text === undefined || !isText(text))
      return {
        ok: false,
        sentence: 'This file is UTF-16 but damaged. Save it as CSV (UTF-8), and choose that file.',
      };
    return { ok: true, text, encoding: 'UTF-16' };
  }
  const utf8 = decodedAs(bytes, 'utf-8');
  const text = utf8 ?? western(decodedAs(bytes, 'windows-1252') ?? '');
  if (!isText(text)) return { ok: false, sentence: NO_TEXT };
  return { ok: true, text, encoding: utf8 === undefined ? 'Windows-1252 (Latin-1)' : 'UTF-8' };
}
