import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import pdfmake from 'pdfmake';
import type { Content } from 'pdfmake/interfaces';

/** What identifies a sheet on every page. */
export interface SheetHead {
  readonly studio: string;
  readonly session: string;
  readonly scene: string;
  readonly revision: number;
  readonly printedAt: string;
  /** What is said on every page while a recorder plays into a console. */
  readonly playback?: string;
}

const fontFolder = join(
  dirname(createRequire(import.meta.url).resolve('pdfmake/package.json')),
  'fonts',
  'Roboto',
);

/** The font that comes with the PDF library, embedded in the file. Nothing else is read, and nothing fetched. */
pdfmake.setFonts({
  Sans: { normal: join(fontFolder, 'Roboto-Regular.ttf'), bold: join(fontFolder, 'Roboto-Medium.ttf') },
});
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.startsWith(fontFolder));

/** In a thick frame rather than on black: ink is not wasted, and nobody overlooks it. */
const inFrame = (text: string): Content => ({
  margin: [0, 6, 0, 0],
  layout: { hLineWidth: () => 2.5, vLineWidth: () => 2.5 },
  table: { widths: ['*'], body: [[{ text, bold: true, fontSize: 12 }]] },
});

/** A sheet as a PDF: black on white, with where it comes from and how old it is on each page. */
export async function sheetPdf(title: string, head: SheetHead, content: Content[]): Promise<Buffer> {
  const printed = head.printedAt.slice(0, 16).replace('T', ' ');
  return pdfmake
    .createPdf({
      pageSize: 'A4',
      pageOrientation: 'landscape',
      pageMargins: [36, head.playback === undefined ? 52 : 76, 36, 36],
      defaultStyle: { font: 'Sans', fontSize: 9 },
      info: { title: `${head.session}, ${head.scene}: ${title.toLowerCase()}` },
      header: {
        margin: [36, 20, 36, 0],
        stack: [
          {
            columns: [
              { text: `${head.session} · ${head.scene} · ${title}`, bold: true, fontSize: 11 },
              {
                text: `${head.studio} · revision ${String(head.revision)} · ${printed} UTC`,
                alignment: 'right',
              },
            ],
          },
          ...(head.playback === undefined ? [] : [inFrame(head.playback)]),
        ],
      },
      footer: (page, pages) => ({
        text: `${String(page)} of ${String(pages)}`,
        alignment: 'right',
        margin: [36, 8, 36, 0],
      }),
      content,
    })
    .getBuffer();
}
