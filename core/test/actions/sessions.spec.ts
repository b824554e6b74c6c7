import { integrityProblems } from '@ft/core/session/integrity';
import { sessionCell } from '@ft/core/actions/sessions/sessionCell';
import type { MadeSession } from '@ft/core/actions/sessions/sessionEdits';
import {
  copiedSession,
  newSession,
  removalWarning,
  sessionRemoved,
  templateOf,
} from '@ft/core/actions/sessions/sessionEdits';
import type { SessionPart } from '@ft/core/actions/sessions/sessionParts';
import { ALL_PARTS, SESSION_PARTS } from '@ft/core/actions/sessions/sessionParts';
import { applyChange, applyNewChange, invertChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import { editFloorScene, editSet } from '@ft/core/edits/make';
import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import type { Session } from '@ft/core/session/sessionSchema';
import { sessionsInOrder, templatesOf } from '@ft/core/session/sessionsInOrder';
import type { Studio } from '@ft/core/session/studioSchema';
import type { CellReading } from '@ft/core/text/cellReading';
import { sessionLines } from '@ft/core/views/sessions/sessionLines';
import { saltglassRooms } from '../fixtures/builtDemo';
import { studioOf } from '../fixtures/studioOf';

const whole = saltglassRooms();
const [ledger, mix] = whole.sessions as [Session, Session];
/** With the recordings alone. */
const demo: Studio = { ...whole, sessions: [ledger] };

function after(studio: Studio, edits: readonly Edit[]): Studio {
  const result = applyNewChange(studio, edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
}

function made(reading: CellReading<MadeSession>): MadeSession {
  if (!reading.ok) throw new Error(reading.sentence);
  return reading.value;
}

const named = (studio: Studio, name: string): Session => studio.sessions.find((each) => each.name === name)!;
const withMade = (studio: Studio, reading: CellReading<MadeSession>): Studio =>
  after(studio, made(reading).edits);

/** What of a session is kept from song to song. */
const places = ({ threads, tracks, buses, scenes, performers }: Session) => ({
  ...{ threads, tracks, buses, scenes, performers },
});

describe('a new session', () => {
  it('is empty, with the rate, the line-up and the host of the one beside it', () => {
    const studio = withMade(demo, newSession(demo, 'Reel 2', { like: ledger }));
    const reel = named(studio, 'Reel 2');
    expect(reel).toMatchObject({
      ...{ id: 'reel-2', threads: [], tracks: [], buses: [], waivers: [], performers: [], readings: [] },
      ...{ sampleRateHz: 48_000, lineUp: ledger.lineUp, host: 'daw', panLawDb: -4.5 },
    });
    expect(reel.scenes).toMatchObject([{ name: 'Tracking', cords: [], settings: {} }]);
  });

  it('opens at the scene that stands first', () => {
    const { place, label } = made(newSession(demo, 'Reel 2', { from: ledger }));
    expect([place, label]).toEqual([{ session: 'reel-2', scene: 'tracking' }, 'New session Reel 2']);
  });

  it('leaves behind what belongs to the day of the one it starts from', () => {
    const waiver = { id: 'some-finding', reason: 'known' };
    const recordedAtHz = 44_100 as const;
    const today: Session = {
      ...ledger,
      ...{ date: '2026-11-28', goesLive: true, archived: true, waivers: [waiver] },
      readings: [{ id: 'x/y' as never, level: 0 }],
      tracks: ledger.tracks.map((track) => ({ ...track, recordedAtHz })),
    };
    const [edit] = made(newSession(demo, 'Next', { from: today })).edits;
    const item = edit!['item'] as Session;
    expect(item).toEqual({ ...ledger, id: 'next', name: 'Next' });
  });

  it.each([
    ['The Lamplighter’s Ledger', 'such as “The Lamplighter’s Ledger 2”'],
    ['the lamplighter’s LEDGER', 'There is a session “the lamplighter’s LEDGER” already'],
    ['   ', 'a name is needed'],
    ['x'.repeat(81), 'at most 80 characters'],
  ])('is refused the name “%s” in words', (name, because) => {
    const reading = newSession(demo, name, {});
    expect(reading.ok ? '' : reading.sentence).toContain(because);
  });

  it('may be called as a template is', () => {
    const studio = withMade(demo, templateOf(demo, ledger, 'Reel', ALL_PARTS));
    expect(newSession(studio, 'Reel', {}).ok).toBe(true);
    expect(templateOf(studio, ledger, 'Reel', ALL_PARTS).ok).toBe(false);
  });
});

describe('a template with jobs', () => {
  it('keeps them with their channels, and what was committed waits again', () => {
    const jobs = mix.jobs.map((job, i) => (i === 1 ? { ...job, state: 'committed' as const } : job));
    const studio = withMade(whole, templateOf(whole, { ...mix, jobs }, 'Reel mix', ALL_PARTS));
    const made = named(
      withMade(studio, newSession(studio, 'Reel 2 mix', { from: named(studio, 'Reel mix') })),
      'Reel 2 mix',
    );
    expect(made.jobs.map(({ state }) => state)).toEqual(mix.jobs.map(({ state }) => state));
    expect(made.tracks.map(({ inserts }) => inserts)).toEqual(mix.tracks.map(({ inserts }) => inserts));
  });

  it('has none without its tracks, and no line or slot of a job that is not there', () => {
    const keeps = new Set(SESSION_PARTS.filter((part) => part !== 'tracks'));
    const studio = withMade(whole, templateOf(whole, mix, 'Lines alone', keeps));
    const made = named(studio, 'Lines alone');
    expect(made.jobs).toEqual([]);
    expect(made.threads.filter(({ job }) => job !== undefined)).toEqual([]);
    expect(integrityProblems(studio)).toEqual([]);
  });
});

describe('a template', () => {
  it('kept over ten sessions keeps every number and place', () => {
    let studio = withMade(demo, templateOf(demo, ledger, 'Reel 0', ALL_PARTS));
    for (let reel = 1; reel <= 10; reel++) {
      const template = named(studio, `Reel ${String(reel - 1)}`);
      studio = withMade(studio, newSession(studio, `Song ${String(reel)}`, { from: template }));
      const song = named(studio, `Song ${String(reel)}`);
      studio = withMade(studio, templateOf(studio, song, `Reel ${String(reel)}`, ALL_PARTS));
    }
    expect(places(named(studio, 'Song 10'))).toEqual(places(ledger));
    expect(sessionsInOrder(studio).map(({ name }) => name)).toEqual([
      ...Array.from({ length: 10 }, (_, i) => `Song ${String(i + 1)}`),
      'The Lamplighter’s Ledger',
    ]);
    expect(templatesOf(studio).length).toBe(11);
  });

  const subsets = Array.from({ length: 2 ** SESSION_PARTS.length }, (_, bits) =>
    SESSION_PARTS.filter((_part, i) => (bits & (1 << i)) !== 0),
  );

  it('holds together whichever parts it keeps, and asks nothing of the rig that is not there', () => {
    expect(subsets.length).toBe(64);
    for (const keeps of subsets) {
      const edits = made(templateOf(demo, ledger, 'Some', new Set(keeps))).edits;
      const result = applyNewChange(demo, edits);
      expect([keeps, result.ok]).toEqual([keeps, true]);
    }
  });

  it.each<[SessionPart, (session: Session) => number]>([
    ['lines', ({ threads }) => threads.length],
    ['pins', ({ threads }) => threads.flatMap(({ pins }) => Object.keys(pins)).length],
    ['tracks', ({ tracks }) => tracks.length],
    ['buses', ({ buses }) => buses.length],
    ['scenes', ({ scenes }) => scenes.flatMap(({ cords }) => cords).length],
    ['settings', ({ scenes }) => scenes.flatMap(({ settings }) => Object.keys(settings)).length],
  ])('without its %s has none, and has all of them with', (part, count) => {
    const kept = (keeps: readonly SessionPart[]): number => {
      const [edit] = made(templateOf(demo, ledger, 'Some', new Set(keeps))).edits;
      return count(edit!['item'] as Session);
    };
    expect(count(ledger)).toBeGreaterThan(0);
    expect(kept(SESSION_PARTS)).toBe(count(ledger));
    expect(kept(SESSION_PARTS.filter((each) => each !== part))).toBe(0);
  });

  it('is not listed among the sessions, and stands no scene on the floor', () => {
    const studio = withMade(demo, templateOf(demo, ledger, 'Reel', ALL_PARTS));
    expect(sessionLines(studio).map(({ session }) => session.name)).toEqual(['The Lamplighter’s Ledger']);
    expect(named(studio, 'Reel').template).toBe(true);
  });
});

describe('a copy', () => {
  it('has everything but the day', () => {
    const dated: Session = { ...ledger, date: '2026-12-05', goesLive: true };
    const [edit] = made(copiedSession(demo, dated, 'Once more')).edits;
    expect(edit!['item']).toEqual({ ...ledger, id: 'once-more', name: 'Once more' });
  });
});

describe('removing a session', () => {
  const two = withMade(demo, newSession(demo, 'Reel 2', { like: ledger }));
  const onFloor = after(two, [editFloorScene({ session: ledger.id, scene: ledger.scenes[0]!.id }, null)]);

  it('that is on the floor is said first, and frees the floor of its scene', () => {
    expect(removalWarning(two, ledger)).toBeUndefined();
    expect(removalWarning(onFloor, named(onFloor, 'Reel 2'))).toBeUndefined();
    const scene = ledger.scenes.find(({ id }) => id === onFloor.floor.scene?.scene)!;
    expect(removalWarning(onFloor, ledger)).toContain(
      `${scene.name} of “The Lamplighter’s Ledger” is on the floor`,
    );
    const edits = sessionRemoved(onFloor, named(onFloor, 'The Lamplighter’s Ledger'));
    if (!edits.ok) throw new Error(edits.sentence);
    const left = after(onFloor, edits.value);
    expect([left.sessions.length, left.floor.scene]).toEqual([1, undefined]);
    const back = applyChange(left, invertChange(onFloor, edits.value));
    expect(back.ok && canonicalStudio(back.value)).toEqual(canonicalStudio(onFloor));
  });

  it('is refused where it is the only one; a template may always go', () => {
    const only = sessionRemoved(demo, ledger);
    expect(only.ok ? '' : only.sentence).toBe(
      '“The Lamplighter’s Ledger” is the only session of Saltglass Rooms, which needs one. Make the next one first, then remove it.',
    );
    const studio = withMade(demo, templateOf(demo, ledger, 'Reel', ALL_PARTS));
    expect(sessionRemoved(studio, named(studio, 'Reel')).ok).toBe(true);
    expect(sessionRemoved(studio, ledger).ok).toBe(false);
  });

  it('is refused when somebody changed it meanwhile', () => {
    const edits = sessionRemoved(two, named(two, 'Reel 2'));
    const renamed = after(two, [
      editSet('session', {}, named(two, 'Reel 2').id, { field: 'name', value: 'Reel two', was: 'Reel 2' }),
    ]);
    expect(edits.ok && applyNewChange(renamed, edits.value).ok).toBe(false);
  });
});

describe('a cell of the list of sessions', () => {
  const studio = withMade(demo, newSession(demo, 'Reel 2', { like: ledger }));
  const typed = (field: Parameters<typeof sessionCell>[2], text: string): string | Session => {
    const reading = sessionCell(studio, named(studio, 'Reel 2'), field, text);
    if (!reading.ok) return reading.sentence;
    return after(studio, reading.value).sessions.find(({ id }) => id === 'reel-2')!;
  };

  it.each([
    ['date', '2026-12-05', { date: '2026-12-05' }],
    ['goesLive', 'on', { goesLive: true }],
    ['archived', 'yes', { archived: true }],
    ['name', '  Reel two ', { name: 'Reel two' }],
    ['name', 'reel 2', { name: 'reel 2' }],
  ] as const)('takes %s “%s”', (field, text, gives) => {
    expect(typed(field, text)).toMatchObject(gives);
  });

  it.each([
    ['date', '5.12.2026', 'a day is written 2026-12-05'],
    ['date', '2026-02-30', 'a day is written 2026-12-05'],
    ['name', 'The Lamplighter’s Ledger', 'already'],
    ['goesLive', 'perhaps', 'perhaps'],
  ] as const)('refuses %s “%s”', (field, text, because) => {
    expect(typed(field, text)).toContain(because);
  });

  it('is emptied: no day, does not go live', () => {
    expect(typed('date', '')).not.toHaveProperty('date');
    expect(typed('goesLive', 'off')).not.toHaveProperty('goesLive');
  });
});

describe('the order of sessions', () => {
  it('is by day, the latest first, then by name as people count; put away ones and templates last', () => {
    const bare = studioOf({});
    const [one] = bare.sessions;
    const session = (name: string, more: Partial<Session> = {}): Session => ({
      ...one!,
      ...{ id: name as Session['id'], name },
      ...more,
    });
    const studio = {
      sessions: [
        session('reel 10'),
        session('old', { date: '2025-01-01' }),
        session('T', { template: true }),
        session('gone', { archived: true }),
        session('reel 9'),
        session('new', { date: '2026-12-05' }),
      ],
    };
    expect(sessionsInOrder(studio).map(({ name }) => name)).toEqual([
      'new',
      'old',
      'reel 9',
      'reel 10',
      'gone',
    ]);
    expect(templatesOf(studio).map(({ name }) => name)).toEqual(['T']);
  });
});
