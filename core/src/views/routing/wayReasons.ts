import { namingOf } from '../../words/naming';
import { threadName } from '../../session/threadName';
import { obstacleSentence } from '../../words/obstacleWording';
import { ROLE_WORDS } from '../../words/roleWords';
import type { PinRole } from '../../rig/deviceModel';
import { STATION_ROLES } from '../../rig/deviceModel';
import type { StationId, ThreadId } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import type { AccountLine, AccountWhat } from '../../routing/account';
import { stationOfRole } from '../../routing/realise';
import { realiseAll } from '../../routing/realiseAll';
import type { Trials } from '../../routing/trial';
import { trialsFor } from '../../routing/trial';
import type { Scene, Session, Thread } from '../../session/sessionSchema';
import { threadsIn } from '../../session/sessionSchema';
import { compile } from '../../graph/compile';
import { movableHolders, withChoice } from '../track/choices';

/** One line of what a way costs: "2 cords", and its points. */
export interface ReasonLine {
  readonly what: AccountWhat;
  readonly text: string;
  readonly points: number;
}

/** Another unit the thread could go by, and what that would mean. */
export interface Alternative {
  readonly station: StationId;
  readonly name: string;
  /** Points more than as it is; undefined where it cannot be. */
  readonly dearer?: number;
  /** "1 more cord, 1 more normal opened"; or why not. */
  readonly text: string;
}

/** The units of one role: which one the thread goes by, and which it could. */
export interface RoleReasons {
  readonly role: PinRole;
  readonly title: string;
  readonly now: string;
  readonly pinned: boolean;
  readonly alternatives: readonly Alternative[];
}

/** Why a thread goes the way it goes. */
export interface WayReasons {
  readonly thread: ThreadId;
  readonly name: string;
  readonly isWhole: boolean;
  readonly points: number;
  readonly lines: readonly ReasonLine[];
  readonly roles: readonly RoleReasons[];
  /** Why it has no way, where it has none. */
  readonly trouble?: string;
}

const MOST_ALTERNATIVES = 6;

/** A count with its noun: "2 cords", or "2 more cords". */
type Told = (count: number, more?: '' | 'more ' | 'fewer ') => string;

const counted =
  (one: string, many = `${one}s`): Told =>
  (count, more = '') =>
    `${String(Math.round(count * 10) / 10)} ${more}${count === 1 ? one : many}`;

const WORDS: Readonly<Record<AccountWhat, Told>> = {
  keep: counted('cord to plug anew', 'cords to plug anew'),
  normals: counted('normal opened', 'normals opened'),
  'one-to-one': () => 'another number in than out',
  'few-cords': counted('cord'),
  'short-cords': counted('metre of cord', 'metres of cord'),
  'few-tie-lines': counted('tie line'),
  'others-normals': counted('normal that another scene runs over', 'normals that another scene runs over'),
  crosspoints: counted('crosspoint to close', 'crosspoints to close'),
  adaptors: counted('adaptor'),
  hops: counted('hop on the way', 'hops on the way'),
};

const reasonLine = ({ what, count, points }: AccountLine): ReasonLine => ({
  what,
  text: WORDS[what](count),
  points: Math.round(points),
});

const pointsOf = (account: readonly AccountLine[]): number =>
  account.reduce((sum, { points }) => sum + points, 0);

/** What another way has more and less of, in words; hops only where nothing else differs. */
function differenceText(now: readonly AccountLine[], then: readonly AccountLine[]): string {
  const count = (account: readonly AccountLine[], what: AccountWhat): number =>
    account.find((line) => line.what === what)?.count ?? 0;
  const whats = [...new Set([...now, ...then].map(({ what }) => what))];
  const differing = whats.filter((what) => Math.abs(count(then, what) - count(now, what)) > 0.05);
  const told = differing.filter((what) => what !== 'hops');
  const parts = (told.length > 0 ? told : differing).map((what) => {
    const more = count(then, what) - count(now, what);
    return WORDS[what](Math.abs(more), more > 0 ? 'more ' : 'fewer ');
  });
  return parts.length === 0 ? 'costs the same' : parts.join(', ');
}

interface Asked {
  readonly session: Session;
  readonly thread: Thread;
  readonly trials: Trials;
  readonly naming: ReturnType<typeof namingOf>;
}

type Station = Trials['graph']['stations'][number];

/** A unit the thread could go by, as long as it finds a way over it. */
function possible({ thread, trials }: Asked, role: PinRole, station: Station): readonly Alternative[] {
  const tried = trials.attempt(withChoice(thread, role, station.id));
  if (tried === undefined) return [];
  const { standing = [] } = trials;
  return [
    {
      station: station.id,
      name: station.name,
      dearer: Math.round(pointsOf(tried.account) - pointsOf(standing)),
      text: standing.length === 0 ? 'would give it a way' : differenceText(standing, tried.account),
    },
  ];
}

/** Why the thread cannot go by a unit, or who would have to move. */
function barred({ session, thread, trials, naming }: Asked, role: PinRole, station: Station): Alternative {
  const { id, name } = station;
  const tried = trials.trial(withChoice(thread, role, id));
  if (tried.found) return { station: id, name, text: '' };
  const holders = movableHolders(session, tried.obstacle, id);
  const text =
    holders === undefined
      ? obstacleSentence(tried.obstacle, naming)
      : `Held by ${holders.join(', ')}, which moves if there is room elsewhere.`;
  return { station: id, name, text };
}

/** The cheapest other units; where they are few, some that cannot be, with the reason. */
function alternatives(asked: Asked, role: PinRole, others: readonly Station[]): readonly Alternative[] {
  const found = others.flatMap((station) => possible(asked, role, station));
  const cheapest = [...found].sort((a, b) => (a.dearer ?? 0) - (b.dearer ?? 0)).slice(0, MOST_ALTERNATIVES);
  const known = new Set(found.map(({ station }) => station));
  const rest = others.filter(({ id }) => !known.has(id)).slice(0, MOST_ALTERNATIVES - cheapest.length);
  return [...cheapest, ...rest.map((station) => barred(asked, role, station))];
}

/** Why a thread of a scene goes the way it goes, and what other ways would cost. */
// eslint-disable-next-line max-lines-per-function -- everything the page says of one thread
export function wayReasons(rig: Rig, session: Session, scene: Scene, id: ThreadId): WayReasons | undefined {
  const thread = threadsIn(session, scene).find((each) => each.id === id);
  if (thread === undefined) return undefined;
  const trials = trialsFor(rig, session, scene, id);
  const realisation = realiseAll(compile(rig, session, scene), threadsIn(session, scene)).find(
    (each) => each.thread.id === id,
  );
  const asked: Asked = { session, thread, trials, naming: namingOf(rig, session, trials.graph) };
  const roles = STATION_ROLES.filter((role) => role !== 'processor').flatMap((role): RoleReasons[] => {
    const now = realisation && stationOfRole(realisation, role);
    const others = trials.graph.stations.filter((station) => station.role === role && station.id !== now?.id);
    if (now === undefined && trials.standing !== undefined) return [];
    return [
      {
        role,
        title: ROLE_WORDS[role],
        now: now?.name ?? 'none',
        pinned: thread.pins[role] !== undefined,
        alternatives: alternatives(asked, role, others),
      },
    ];
  });
  const account = trials.standing ?? [];
  const alone = trials.standing === undefined ? trials.trial(thread) : undefined;
  return {
    thread: id,
    name: threadName(thread),
    isWhole: trials.standing !== undefined,
    points: Math.round(pointsOf(account)),
    lines: account.map(reasonLine),
    roles,
    ...(alone && {
      trouble: alone.found ? 'A way is free: route it.' : obstacleSentence(alone.obstacle, asked.naming),
    }),
  };
}
