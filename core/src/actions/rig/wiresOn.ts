import type { Device, Rig } from '../../rig/rigSchema';
import { didYouMean, nearestNames } from '../../text/nearestName';
import type { WiredOn } from '../../typed/gear/wiredOn';
import { planLoom } from '../../typed/wiring/loom';
import type { WirePair } from '../../typed/wiring/wirePlan';
import { planWires } from '../../typed/wiring/wirePlan';
import { loomProblemSentence } from '../../words/loomWording';

/** Both ways between a unit and the sockets it stands on: out to its inputs, and back from its outputs. */
function loomsOn(target: Device, unit: Device, numbers: string): readonly (readonly [string, string])[] {
  const isBay = target.type === 'patchbay';
  const [away, back] = isBay
    ? [`${target.name} ${numbers} lower`, `${target.name} ${numbers} upper`]
    : [`${target.name} line out ${numbers}`, `${target.name} line in ${numbers}`];
  return [
    [away, `${unit.name} in`],
    [`${unit.name} out`, back],
  ];
}

/** The wires that put a unit on the sockets of another device, or why they cannot be drawn. */
export function wiresOn(rig: Rig, unit: Device, on: WiredOn): readonly WirePair[] | string {
  const target = rig.devices.find(({ name }) => name.toLowerCase() === on.device.toLowerCase());
  if (target === undefined) {
    const names = rig.devices.map(({ name }) => name);
    return `There is no device “${on.device}” to wire it to.${didYouMean(nearestNames(on.device, names))}`;
  }
  const pairs: WirePair[] = [];
  for (const [from, to] of loomsOn(target, unit, on.numbers.replace(/\s/g, ''))) {
    const read = planLoom(rig, { from, to, pairing: 'one-to-one', down: false });
    if (!read.ok) return loomProblemSentence(read.problem);
    pairs.push(...read.plan.wires);
  }
  return pairs;
}

/** How many wires make way for others: an input hears one. */
export const replacedBy = ({ hardwires }: Rig, pairs: readonly WirePair[]): number =>
  planWires(hardwires, pairs).wires.filter(({ change }) => change === 'replaces').length;
