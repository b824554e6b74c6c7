import { knobText, knobTitle } from '../../rig/knobText';
import type { LaneId, StockId } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import type { SettingSpec } from '../../rig/settings';
import { knobOf, standsAt, turnsBetween } from '../../repatch/knobs';
import { pairing } from '../../repatch/pairing';
import type { Scene, Session } from '../../session/sessionSchema';
import type { CordLine, KnobGroup, KnobLine, SceneComparison } from './comparison';
import { KNOB_GROUPS } from './comparison';
import type { SceneSide, SideThread } from './sceneSide';
import { sceneSide, threadPairs } from './sceneSide';
import { storyOf } from './sceneStory';

function groupOf({ setting, names, unit, initial, range }: SettingSpec): KnobGroup {
  if (setting === 'phantom') return '48 V';
  if (names !== undefined) return 'Crosspoints';
  if (typeof initial === 'boolean' || range?.positions !== undefined) return 'Switches';
  return unit === 'dB' ? 'Gains' : 'Settings';
}

function knobLines(rig: Rig, left: Scene, right: Scene): readonly KnobLine[] {
  const lines = turnsBetween(rig, left.settings, right.settings).flatMap(
    ({ key, was, value }): KnobLine[] => {
      const knob = knobOf(rig, key);
      if (knob === undefined) return [];
      const { device, spec, channel } = knob;
      return [
        {
          ...{ key, device: device.name, knob: knobTitle(spec, channel), group: groupOf(spec) },
          left: knobText(spec, standsAt(knob, was)),
          right: knobText(spec, standsAt(knob, value)),
        },
      ];
    },
  );
  return KNOB_GROUPS.flatMap((group) => lines.filter((line) => line.group === group));
}

function cordLines(rig: Rig, left: SceneSide, right: SceneSide): readonly CordLine[] {
  const name = (id: LaneId): string =>
    [left, right]
      .map(({ graph }) => graph.lanes[graph.laneIndex.get(id) ?? -1]?.name)
      .find((found) => found !== undefined) ?? id;
  const between = (from: LaneId, to: LaneId): string => `${name(from)} → ${name(to)}`;
  const kind = (id: StockId): string => {
    const stock = rig.cords.find((each) => each.id === id);
    return stock === undefined ? '' : `${stock.name} ${String(stock.lengthM)} m ${stock.colour}`.trim();
  };
  const floor = left.scene.cords.map(({ from, to, stock, fromAdaptor, toAdaptor }) => ({
    ...{ id: from, to, stock },
    ...(fromAdaptor && { fromAdaptor }),
    ...(toAdaptor && { toAdaptor }),
  }));
  // What is heard comes last where hands are at work; here only what differs is of interest.
  const { moves, pulls, plugs } = pairing(floor, right.scene.cords, rig.cords, () => false);
  return [
    ...moves.map(({ cord, becomes }): CordLine => ({
      what: 'moved',
      left: between(cord.id, cord.to),
      right: between(becomes.from, becomes.to),
      cord: kind(cord.stock),
    })),
    ...pulls.map((cord): CordLine => ({
      ...{ what: 'left only', left: between(cord.id, cord.to), right: '' },
      cord: kind(cord.stock),
    })),
    ...plugs.map((cord): CordLine => ({
      ...{ what: 'right only', left: '', right: between(cord.from, cord.to) },
      cord: kind(cord.stock),
    })),
  ];
}

function wayText(side: SideThread | undefined): string {
  if (side === undefined) return '';
  return side.isWhole ? side.stations.map(({ name }) => name).join(' → ') : 'does not run';
}

/**
 * Compares two scenes of a studio, of one session or of two.
 * @param rightRig the rig of the second, where that is what has changed.
 */
export function compareScenes(
  rig: Rig,
  left: { readonly session: Session; readonly scene: Scene },
  right: { readonly session: Session; readonly scene: Scene },
  rightRig: Rig = rig,
): SceneComparison {
  const [a, b] = [sceneSide(rig, left.session, left.scene), sceneSide(rightRig, right.session, right.scene)];
  const pairs = threadPairs(a, b);
  const knobs = knobLines(rig, left.scene, right.scene);
  const cords = cordLines(rig, a, b);
  const ways = pairs.map((pair) => ({
    name: pair.name,
    left: wayText(pair.left),
    right: wayText(pair.right),
  }));
  return {
    left: left.scene.name,
    right: right.scene.name,
    threads: ways.filter((way) => way.left !== way.right),
    cords,
    knobs,
    story: storyOf(pairs, cords, knobs),
  };
}
