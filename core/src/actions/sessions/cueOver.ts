import type { Cue, CueHeadphones } from '../../session/cueSchema';
import type { Crossed, Crossing } from './crossing';
import { leftOut } from './crossing';

function pairOver({ to }: Crossing, { id, microphone, ...rest }: CueHeadphones): CueHeadphones | undefined {
  const [ours, near] = [to.get(id), microphone && to.get(microphone)];
  return ours && { ...rest, id: ours, ...(near !== undefined && { microphone: near }) };
}

/** A cue of another rig as it can be on this one: without its carrier there is none. */
export function cueOver(over: Crossing, cue: Cue): Crossed<Cue | undefined> {
  const { carrier } = cue;
  const device = carrier.on === 'console' ? over.to.get(carrier.device) : undefined;
  if (carrier.on === 'console' && device === undefined)
    return { kept: undefined, left: [leftOut('cue', cue.name, over.name(carrier.device))] };
  const pairs = cue.headphones.map((pair) => ({ pair, ours: pairOver(over, pair) }));
  return {
    kept: {
      ...cue,
      carrier: carrier.on === 'console' && device !== undefined ? { ...carrier, device } : carrier,
      headphones: pairs.flatMap(({ ours }) => ours ?? []),
    },
    left: pairs.flatMap(({ pair, ours }) =>
      ours === undefined ? [leftOut('cue-headphones', cue.name, over.name(pair.id))] : [],
    ),
  };
}
