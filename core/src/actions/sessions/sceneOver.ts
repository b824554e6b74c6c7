import { deviceIdIn } from '../../rig/ids';
import type { SettingKey, SettingValue } from '../../rig/settings';
import { partsOfSettingKey, settingKeyOf } from '../../rig/settings';
import { cordBreaks, settingBreaks } from '../../session/sceneProblems';
import type { Cord, Scene } from '../../session/sessionSchema';
import type { Crossed, Crossing } from './crossing';
import { counted, crossed, placeOver } from './crossing';

/** A cord over here, or the name of what it is missing. */
function cordOver(over: Crossing, cord: Cord): Cord | string {
  const { fromAdaptor, toAdaptor, ...plain } = cord;
  const [from, to] = [crossed(over, cord.from), crossed(over, cord.to)];
  if (from === undefined) return over.name(deviceIdIn(cord.from));
  if (to === undefined) return over.name(deviceIdIn(cord.to));
  const stock = over.stockFor(cord.stock);
  const [first, second] = [fromAdaptor, toAdaptor].map((id) => id && over.adaptorFor(id)?.id);
  const lacksAdaptor =
    (fromAdaptor !== undefined && first === undefined) || (toAdaptor !== undefined && second === undefined);
  if (stock === undefined || lacksAdaptor) return over.stockName(cord.stock);
  const here: Cord = {
    ...{ ...plain, from, to, stock: stock.id },
    ...(first !== undefined && { fromAdaptor: first }),
    ...(second !== undefined && { toAdaptor: second }),
  };
  return cordBreaks(here, [], over.index).length === 0 ? here : placeOver(over, cord.from);
}

type Knob = readonly [SettingKey, SettingValue];

/** A knob over here, or the name of the device it is missing on. */
function knobOver(over: Crossing, scene: Scene, [key, setting]: Knob): Knob | string {
  const { deviceId, setting: name, channel } = partsOfSettingKey(key);
  const device = over.to.get(deviceId);
  if (device === undefined) return over.name(deviceId);
  const here: Knob = [settingKeyOf(device, name, channel), setting];
  const alone: Scene = { ...scene, settings: Object.fromEntries([here]) };
  return settingBreaks(alone, [], over.index).length === 0 ? here : over.name(deviceId);
}

const isName = (it: unknown): it is string => typeof it === 'string';
const isThere = <T>(it: T | string): it is T => typeof it !== 'string';

/** A scene with the cords and knobs that have a counterpart here. */
export function sceneOver(over: Crossing, scene: Scene): Crossed<Scene> {
  const cords = scene.cords.map((cord) => cordOver(over, cord));
  const knobs = (Object.entries(scene.settings) as [SettingKey, SettingValue][]).map((knob) =>
    knobOver(over, scene, knob),
  );
  return {
    kept: {
      ...scene,
      cords: cords.filter(isThere),
      settings: Object.fromEntries(knobs.filter(isThere)),
    },
    left: [
      ...counted('cords', scene.name, cords.filter(isName)),
      ...counted('knobs', scene.name, knobs.filter(isName)),
    ],
  };
}
