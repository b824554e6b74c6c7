import type { Edit } from '@ft/core/edits/make';
import type { ChosenCounterparts } from '@ft/core/actions/sessions/counterparts';
import { counterparts } from '@ft/core/actions/sessions/counterparts';
import type { LeftOut } from '@ft/core/actions/sessions/crossing';
import type { SessionField } from '@ft/core/actions/sessions/sessionCell';
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
import { takenOver } from '@ft/core/actions/sessions/takenOver';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { Session } from '@ft/core/session/sessionSchema';
import { sessionsInOrder, templatesOf } from '@ft/core/session/sessionsInOrder';
import type { Studio } from '@ft/core/session/studioSchema';
import type { CellReading } from '@ft/core/text/cellReading';
import { didYouMean, nearestNames } from '@ft/core/text/nearestName';
import { BadInput } from './badInput';
import { named, studioIn } from './bundleFile';
import type { SessionDeed, SessionsRequest } from './sessionsRequest';

/** What a deed comes to. */
export interface Done {
  readonly label: string;
  readonly edits: readonly Edit[];
  /** What a person should know besides. */
  readonly said: readonly string[];
  readonly left: readonly LeftOut[];
}

const sessionOf = (studio: Studio, wanted: string | undefined): Session =>
  named([...sessionsInOrder(studio), ...templatesOf(studio)], wanted, 'session or template');

function orRefuse<T>(reading: CellReading<T>): T {
  if (reading.ok) return reading.value;
  throw new BadInput(reading.sentence);
}

const made = ({ label, edits }: MadeSession): Done => ({ label, edits, said: [], left: [] });

function nameWanted({ as, deed }: SessionsRequest): string {
  if (as !== undefined) return as;
  throw new BadInput(`Say under which name: ft sessions FILE ${deed} NAME --as NAME.`);
}

function partsIn(keep: string | undefined): ReadonlySet<SessionPart> {
  if (keep === undefined) return ALL_PARTS;
  return new Set(
    keep.split(',').map((word): SessionPart => {
      const part = SESSION_PARTS.find((each) => each === word.trim());
      if (part !== undefined) return part;
      const near = didYouMean(nearestNames(word, SESSION_PARTS));
      throw new BadInput(
        `“${word.trim()}” is no part a template keeps.${near} There are: ${SESSION_PARTS.join(', ')}.`,
      );
    }),
  );
}

/** “Theirs=Ours” for devices that are to stand for others; “Theirs=” for none. */
function chosenIn(stand: readonly string[], theirs: Rig, ours: Rig): ChosenCounterparts {
  return Object.fromEntries(
    stand.map((text) => {
      if (!text.includes('='))
        throw new BadInput(
          `“${text}” does not say what stands for it: --stand "Theirs=Ours", or "Theirs=" for nothing.`,
        );
      const [one = '', other = ''] = text.split('=').map((side) => side.trim());
      const device = named(theirs.devices, one, 'device');
      return [device.id, other === '' ? null : named(ours.devices, other, 'device').id];
    }),
  );
}

function takeOver(studio: Studio, request: SessionsRequest): Done {
  const other = studioIn(request.target);
  const session = sessionOf(other, request.session);
  const chosen = chosenIn(request.stand, other.rig, studio.rig);
  const all = counterparts(session, other.rig, studio.rig, chosen);
  const taken = orRefuse(takenOver(studio, request.as ?? session.name, { session, theirs: other.rig, all }));
  return { ...made(taken), left: taken.left };
}

function remove(studio: Studio, { target }: SessionsRequest): Done {
  const session = sessionOf(studio, target);
  const warning = removalWarning(studio, session);
  const edits = orRefuse(sessionRemoved(studio, session));
  return { label: `Removed ${session.name}`, edits, said: warning === undefined ? [] : [warning], left: [] };
}

const cell =
  (field: SessionField, text: string | undefined) =>
  (studio: Studio, request: SessionsRequest): Done => {
    const session = sessionOf(studio, request.target);
    const edits = orRefuse(sessionCell(studio, session, field, text ?? nameWanted(request)));
    return { label: `${session.name}: ${request.deed}`, edits, said: [], left: [] };
  };

type Deed = (studio: Studio, request: SessionsRequest) => Done;

const DEEDS: Readonly<Record<Exclude<SessionDeed, 'list'>, Deed>> = {
  new: (studio, { target, from }) => {
    const like = sessionsInOrder(studio)[0];
    const begun = from === undefined ? undefined : sessionOf(studio, from);
    return made(orRefuse(newSession(studio, target, { from: begun, like })));
  },
  copy: (studio, request) =>
    made(orRefuse(copiedSession(studio, sessionOf(studio, request.target), nameWanted(request)))),
  rename: cell('name', undefined),
  date: cell('date', undefined),
  live: cell('goesLive', 'on'),
  'not-live': cell('goesLive', 'off'),
  'put-away': cell('archived', 'on'),
  'bring-back': cell('archived', 'off'),
  remove,
  template: (studio, request) =>
    made(
      orRefuse(
        templateOf(studio, sessionOf(studio, request.target), nameWanted(request), partsIn(request.keep)),
      ),
    ),
  'take-over': takeOver,
};

/** What a deed makes of a studio. Throws `BadInput` with the remedy. */
export function sessionDeed(studio: Studio, request: SessionsRequest): Done {
  return request.deed === 'list'
    ? { label: '', edits: [], said: [], left: [] }
    : DEEDS[request.deed](studio, request);
}
