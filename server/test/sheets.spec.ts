import { execFileSync } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Papa from 'papaparse';
import { punchOf } from '@ft/core/takes/newRows';
import type { TestProgram } from './helpers';
import { DEMO_BUNDLE } from '../../core/test/fixtures/builtDemo';
import { madeAt, noteAt, overAt, T0, takeAt } from '../../core/test/fixtures/logOf';
import { DEMO, emptyFolder, startProgram } from './helpers';

const SHEET = `${DEMO}/sessions/lamplighters-ledger/scenes/tracking/patch-list`;
let program: TestProgram;

beforeAll(async () => {
  program = await startProgram({ demo: DEMO_BUNDLE });
  await program.api.post('/api/studios/demo').expect(201);
});
afterAll(() => program.close());

/** The text of a PDF, as Debian's poppler reads it; `npm test` installs it. */
function textOf(pdf: Buffer): string {
  const file = join(emptyFolder(), 'sheet.pdf');
  writeFileSync(file, pdf);
  try {
    return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  } finally {
    rmSync(dirname(file), { recursive: true });
  }
}

const hasPoppler = (): boolean => {
  try {
    execFileSync('pdftotext', ['-v'], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
};

describe('the patch list', () => {
  it('comes as CSV under its own name', async () => {
    const { text, headers } = await program.api.get(`${SHEET}.csv`).expect(200);
    expect(headers['content-type']).toContain('text/csv');
    expect(headers['content-disposition']).toContain('lamplighters-ledger-tracking-patch-list.csv');
    const rows = Papa.parse<Record<string, string>>(text.trim(), { header: true }).data;
    expect(rows).toHaveLength(16);
    expect(rows.find(({ To }) => To === 'Bay A 10 lower')).toMatchObject({
      From: 'Bay A 13 upper',
      To: 'Bay A 10 lower',
      Plugged: 'no',
    });
  });

  (hasPoppler() ? it : it.skip)(
    'comes as a PDF with session, scene, revision and date on the page',
    async () => {
      const { body, headers } = await program.api.get(`${SHEET}.pdf`).buffer(true).expect(200);
      expect(headers['content-type']).toBe('application/pdf');
      const text = textOf(body as Buffer);
      for (const part of [
        'The Lamplighter’s Ledger · Tracking · Patch list',
        'Saltglass Rooms · revision 0 · 2026-03-01 10:00 UTC',
        'Before you plug: mute monitors and phones',
        'Batch room',
        'Bay A 13 upper',
        'Bay A 10 lower',
        'TT cord, 0.6 m',
        '4 Wen Askelby, Harp',
        '1 of 2',
      ])
        expect(text).toContain(part);
    },
  );

  (hasPoppler() ? it : it.skip)('prints what is open, and what was waived and why', async () => {
    const id = 'over-max-input thread:line-2 lane:24-24-converter/line-in-1/2';
    const edit = {
      type: 'waiver.add',
      session: 'lamplighters-ledger',
      item: { id, reason: 'the shout is meant' },
    };
    const change = { id: 'change-waive-1', label: 'Waive', edits: [edit] };
    await program.api.post(`${DEMO}/changes`).send({ author: 'desk', change }).expect(200);
    const { body } = await program.api.get(`${SHEET}.pdf`).buffer(true).expect(200);
    const text = textOf(body as Buffer).replace(/\s+/g, ' ');
    expect(text).toContain(
      'error: 48 V is on at Mic preamp 4 while its line is patched at jacks (Bay A 13 upper to Bay A 10 lower).',
    );
    expect(text).toContain('waived: 2 Joss Verrill, Lamplighter peaks 3.3 dB over');
    expect(text).toContain('Reason: the shout is meant');
  });

  it('of a scene that is not there is answered in words', async () => {
    const { body } = await program.api.get(SHEET.replace('tracking', 'mixing') + '.csv').expect(404);
    expect(body).toMatchObject({ code: 'not-found' });
  });
});

describe('the sheet of a console', () => {
  const ADDRESS = SHEET.replace('tracking/patch-list', 'tracking-chamber-group/console.pdf');

  (hasPoppler() ? it : it.skip)('comes as a PDF with what the job uses', async () => {
    const { body } = await program.api.get(`${ADDRESS}?device=split-console`).buffer(true).expect(200);
    const text = textOf(body as Buffer);
    for (const part of ['Chamber group · Split console', '23 Saskia Orrel', 'VCA 1', 'L15'])
      expect(text).toContain(part);
    expect(text).not.toContain('channel 7');
  });

  it('of a device that is not there is answered in words', async () => {
    const { body } = await program.api.get(`${ADDRESS}?device=nothing`).expect(404);
    expect(body).toMatchObject({ code: 'not-found', message: expect.stringContaining('no such console') });
    await program.api.get(ADDRESS).expect(404);
  });
});

describe('the cue sheet', () => {
  (hasPoppler() ? it : it.skip)(
    'comes as a PDF: levels, who hears them, on which box, and the caution',
    async () => {
      const address = SHEET.replace('tracking/patch-list', 'tracking-company/cues.pdf');
      const { body } = await program.api.get(address).buffer(true).expect(200);
      const text = textOf(body as Buffer);
      for (const part of [
        'Company call · Cue sheet',
        ...['Kiln desk aux 1–2', '−16 pre L40', 'Tamsin Rook', 'Kiln junction 2', 'nobody'],
        'headphones off heads until a level is heard',
      ])
        expect(text).toContain(part);
    },
  );

  (hasPoppler() ? it : it.skip)('of a scene without cues says so', async () => {
    const { body } = await program.api.get(SHEET.replace('patch-list', 'cues.pdf')).buffer(true).expect(200);
    expect(textOf(body as Buffer)).toContain('There are no cues in this scene.');
  });
});

describe('the insert sheet and the name list', () => {
  const at = (file: string): string => `${DEMO}/sessions/reel-1-mix/scenes/mix/${file}`;

  (hasPoppler() ? it : it.skip)(
    'come as PDF: jobs, what several want, each unit’s day; names and what to switch off',
    async () => {
      const text = async (file: string): Promise<string> => {
        const { body } = await program.api.get(at(file)).buffer(true).expect(200);
        return textOf(body as Buffer);
      };
      const sheet = await text('inserts.pdf');
      for (const part of [
        'Mix · Insert sheet',
        'Opto compressor',
        'Wanted by several',
        'Each unit’s day',
        'nothing bounces offline',
      ])
        expect(sheet).toContain(part);
      const sum = await text('summing.pdf');
      for (const part of ['Mix · Summing sheet', 'two mono, rest pairs', 'hits hardest', '15–16'])
        expect(sum).toContain(part);
      const names = await text('names.pdf');
      for (const part of ['Mix · Name list', 'to Valve equaliser A', 'switch off'])
        expect(names).toContain(part);
    },
  );

  it('come as tables', async () => {
    const { text } = await program.api.get(at('inserts.csv')).expect(200).expect('content-type', /csv/);
    expect(text).toContain('Valve equaliser A > Opto compressor > Passive equaliser A');
    expect((await program.api.get(at('summing.csv')).expect(200)).text).toContain('Reel sum,DRUM,hit,1');
    expect((await program.api.get(at('names.csv')).expect(200)).text).toContain(
      'Output,1,to Valve equaliser A',
    );
  });
});

describe('the take log on paper', () => {
  const address = SHEET.replace('patch-list', 'takes.pdf');
  const text = async (): Promise<string> => {
    const { body } = await program.api.get(address).buffer(true).expect(200);
    return textOf(body as Buffer);
  };

  (hasPoppler() ? it : it.skip)(
    'comes as a PDF: takes with their notes, what is played again, and what its performer hears',
    async () => {
      expect(await text()).toContain('No take was logged in this session.');
      const take = takeAt('paper', 0, { ...overAt(372), used: [{ fromS: 62, toS: 90 }], best: true });
      const note = noteAt('paper-note', take, 171.8, {
        about: 'early',
        agreed: true,
        agreedBy: 'Wen Askelby',
      });
      const who = { performer: 'Imke Tarrow', tracks: ['NARR', 'ROOM'] };
      const punch = punchOf(madeAt('paper-punch', T0), {}, note, take, who);
      const ops = [take, note, noteAt('struck', take, 20, { text: 'crossed out', struck: true }), punch].map(
        (row) => ({ op: 'add', row: { ...row, session: 'lamplighters-ledger' } }),
      );
      const log = `${DEMO}/sessions/lamplighters-ledger/log`;
      await program.api.post(log).send({ author: 'desk', ops }).expect(200);
      const paper = await text();
      for (const part of [
        ...['Tracking · Take log', '1 take, 1 note, 1 punch; 0:06:12.0 of running.', 'Reel 1, take 1'],
        'best · used 0:01:02.0–0:01:30.0',
        ...[
          '0:02:51.8',
          'early',
          'again',
          'Control room; Wen Askelby',
          'To play again',
          '0:02:42.8–0:02:58.8',
        ],
        'Imke Tarrow hears the old take up to the punch',
      ])
        expect(paper).toContain(part);
      expect(paper).not.toContain('crossed out');
    },
  );
});

describe('a sheet of a scene in which a recorder plays', () => {
  (hasPoppler() ? it : it.skip)('says so on every page, and only then', async () => {
    const text = async (scene: string): Promise<string> => {
      const address = `${SHEET.replace('tracking/patch-list', `${scene}/patch-list`)}.pdf`;
      const { body } = await program.api.get(address).buffer(true).expect(200);
      return textOf(body as Buffer);
    };
    expect(await text('tracking-kiln-rehearsal-playback')).toContain(
      'PLAYBACK IN THIS SCENE. Kiln desk: 16 channels listen to Kiln recorder.',
    );
    expect(await text('tracking-kiln-rehearsal')).not.toContain('PLAYBACK');
  });
});

describe('the line-up sheet', () => {
  const ADDRESS = SHEET.replace('patch-list', 'line-up.pdf');

  (hasPoppler() ? it : it.skip)('comes as a PDF with tone, expected level and room to write', async () => {
    const { body, headers } = await program.api.get(ADDRESS).buffer(true).expect(200);
    expect(headers['content-type']).toBe('application/pdf');
    const text = textOf(body as Buffer);
    for (const part of [
      'The Lamplighter’s Ledger · Tracking · Line-up sheet',
      'Turn monitors and phones down before a tone goes out. 1 kHz',
      '24×24 converter out 1 ',
    ])
      expect(text).toContain(part);
    // −18 dBFS on a channel of +22 dBu: +4 dBu, 0 VU.
    expect(text).toMatch(/24×24 converter out 1 +−18\.0 dBFS +\+4\.0 dBu +0\.0/);
  });

  it('of a scene that is not there is refused', async () => {
    await program.api.get(ADDRESS.replace('tracking', 'nowhere')).expect(404);
  });
});
