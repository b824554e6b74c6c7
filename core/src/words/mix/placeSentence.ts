import type { NextPlace, PlaceReason } from '../../mix/sum/placeReasons';
import type { School, Sound, Stem } from '../../session/sumSchema';
import { listed } from '../findings/speak';
import { inputsText } from '../../typed/sum/placeText';

const WHY: Readonly<Record<Sound, string>> = {
  hit: 'hits hardest: alone, and first',
  percussion: 'hits: alone',
  bass: 'bass: alone',
  lead: 'lead voice: alone',
  other: 'where there was room',
  long: 'long sound: may share',
  effects: 'effects: at the end',
};

/** Why a stem has its place, in words. */
export function placeReasonText(
  stem: Stem,
  reason: PlaceReason | undefined,
  school: School,
  nameOf: (track: string) => string,
): string {
  if (stem.isTyped === true) return 'typed';
  if (stem.inputs === undefined) return '';
  if (school === 'track for track') return 'in the order of the tracks';
  const isThere = reason?.place?.inputs.join() === stem.inputs.join();
  if (!isThere) {
    const to = reason?.place === undefined ? 'none' : inputsText(reason.place.inputs);
    return `stays where it was; given anew it would have ${to}`;
  }
  const mono = stem.inputs.length === 1 ? ', on a mono input' : '';
  const beside = reason.beside.length === 0 ? '' : `, beside ${listed(reason.beside.map(nameOf))}`;
  return `${WHY[stem.sound]}${mono}${beside}`;
}

/** What it would have instead, in words; empty where there is nothing to be had. */
export function nextBestText(next: NextPlace | undefined, nameOf: (track: string) => string): string {
  if (next === undefined) return '';
  const instead = next.place === undefined ? 'no place' : inputsText(next.place.inputs);
  const moves = next.moves.map(
    ({ track, to }) => `${nameOf(track)} to ${to === undefined ? 'no place' : inputsText(to.inputs)}`,
  );
  return moves.length === 0 ? instead : `${instead}; then ${listed(moves)}`;
}
