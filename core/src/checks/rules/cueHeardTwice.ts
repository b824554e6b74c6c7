import type { Ear } from '../../cues/ear';
import { ears } from '../../cues/ear';
import { earSides } from '../../cues/earSides';
import type { Arrival } from '../../levels/arrival';
import { arrivalsAt } from '../../levels/laneSum';
import type { WorkedScene } from '../../scene/workedScene';
import { combOf } from '../../timing/comb';
import { msFromSamples } from '../../units/duration';
import type { Finding } from '../finding';
import type { Rule } from '../rule';
import { HARMLESS_DB } from './polarity';

const strongest = (ways: readonly Arrival[]): Arrival | undefined =>
  ways.reduce<Arrival | undefined>((a, b) => (a === undefined || b.gainDb > a.gainDb ? b : a), undefined);

/** A source at one side of an ear, before the recorder and from its return, and how they differ. */
function twiceAt({ field }: WorkedScene, lane: number, index: number) {
  const ways = arrivalsAt(field, lane).filter(({ source }) => source === index);
  const early = strongest(ways.filter(({ throughHost }) => !throughHost));
  const late = strongest(ways.filter(({ throughHost }) => throughHost));
  if (early === undefined || late === undefined) return undefined;
  const levelDifferenceDb = Math.abs(early.gainDb - late.gainDb);
  const differenceSamples = late.alignedSamples - early.alignedSamples;
  const inverted = early.inverted !== late.inverted;
  const comb = combOf({ differenceSamples, levelDifferenceDb, inverted }, field.sampleRateHz);
  const firstNotchHz = comb.notchesHz.find((hz) => hz > 0);
  if (firstNotchHz === undefined || levelDifferenceDb > HARMLESS_DB) return undefined;
  return { lateMs: msFromSamples(differenceSamples, field.sampleRateHz), levelDifferenceDb, firstNotchHz };
}

const judge = (context: WorkedScene, ear: Ear): readonly Finding[] =>
  ear.heard.flatMap(({ index, source }): readonly Finding[] => {
    const found = earSides(context.graph, ear.headphones.id).flatMap(
      (lane) => twiceAt(context, lane, index) ?? [],
    );
    const [figures] = found.sort((a, b) => a.levelDifferenceDb - b.levelDifferenceDb);
    if (figures === undefined || source.thread === undefined) return [];
    return [
      {
        rule: 'cue-heard-twice',
        at: [
          ...(ear.cue === undefined ? [] : [{ kind: 'cue', id: ear.cue.id } as const]),
          { kind: 'thread', id: source.thread },
          { kind: 'device', id: ear.headphones.id },
        ],
        figures,
      },
    ];
  });

export const cueHeardTwice: Rule = {
  id: 'cue-heard-twice',
  title: 'Heard before the recorder and from its return',
  severity: 'warning',
  stage: 'track',
  why: 'The return is later by the buffers and converters it passes: both together comb, and a voice in its own ears goes hollow.',
  limits:
    'Only where both come to one side of a pair of headphones and are near in level. A track that plays what is on disk is no copy of what is played now.',
  run: (context) => ears(context).flatMap((ear) => judge(context, ear)),
};
