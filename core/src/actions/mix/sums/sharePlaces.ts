import { editSet } from '../../../edits/make';
import { sharedOut } from '../../../mix/sum/sharedOut';
import type { SumId } from '../../../rig/ids';
import type { Track } from '../../../session/daw/trackSchema';
import type { Stem, Sum } from '../../../session/sumSchema';
import { inputsText } from '../../../typed/sum/placeText';
import type { SettingUp } from '../../settingUp';

export const sumNamed = (up: SettingUp, id: SumId): Sum | undefined =>
  up.it.context.session.sums.find((sum) => sum.id === id);

/** Writes down who has which inputs. @returns false where the session does not take it. */
export function putStems(up: SettingUp, sum: Sum, stems: Sum['stems']): boolean {
  if (JSON.stringify(stems) === JSON.stringify(sum.stems)) return true;
  const change = { field: 'stems', value: stems, was: sum.stems } as const;
  return up.make([editSet('sum', { session: up.it.place.session }, sum.id, change)]);
}

/** Gives places to stems that have none, or to all. */
export function sharePlaces(up: SettingUp, sum: Sum, isAnew: boolean): void {
  const { ground, assignment } = sharedOut(up.it.context, sum, isAnew);
  const stems = sum.stems.map((stem): Stem => {
    const place = ground.places[assignment.placeOf.get(stem.track) ?? -1];
    if (place === undefined) {
      const { inputs: _inputs, ...without } = stem;
      return stem.isTyped === true ? stem : without;
    }
    return { ...stem, inputs: [...place.inputs] };
  });
  const nameOf = (id: Track['id']): string =>
    up.it.context.session.tracks.find((track) => track.id === id)?.name ?? id;
  sum.stems.forEach((was, i) => {
    const now = stems[i];
    if (now?.inputs === undefined) up.leaveOut(nameOf(was.track), 'place', noPlaceSentence(sum, stems));
    else if (was.inputs?.join() !== now.inputs.join())
      up.say(nameOf(was.track), 'place', inputsText(now.inputs));
  });
  putStems(up, sum, stems);
}

function noPlaceSentence({ school }: Sum, stems: Sum['stems']): string {
  const placed = stems.filter(({ inputs }) => inputs !== undefined).length;
  return `No place is left for it: ${String(placed)} stems have theirs, and none of them may share with it. Call it a long sound or an effect, group it with another under Mix, Tracks, or take another school than ${school}.`;
}
