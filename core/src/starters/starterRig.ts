import type { Rig } from '../rig/rigSchema';
import { rigSchema } from '../rig/rigSchema';
import { planLoom } from '../typed/wiring/loom';
import { wireIdOf } from '../rig/wiring/wireId';
import { loomProblemSentence } from '../words/loomWording';
import type { Ask, Answers, Starter, StarterLoom, StarterPlan } from './starter';

/** Draws a loom on top of what is wired already. */
function withLoom(rig: Rig, { from, to, pairing = 'one-to-one' }: StarterLoom): Rig {
  const read = planLoom(rig, { from, to, pairing, down: false });
  if (!read.ok)
    throw new Error(
      `a starter room does not hold together: ${from} → ${to}: ${loomProblemSentence(read.problem)}`,
    );
  const wires = read.plan.wires.map((wire) => ({
    id: wireIdOf(wire.from, wire.to),
    from: wire.from,
    to: wire.to,
  }));
  return { ...rig, hardwires: [...rig.hardwires, ...wires] };
}

const answerText = (ask: Ask, answer: Answers[string] | undefined): string =>
  `${ask.label}: ${ask.kind === 'switch' ? (answer === true ? 'yes' : 'no') : String(answer)}`;

/** The rig of a starter room: devices from the catalogue, wiring drawn as looms. */
export function starterRig(starter: Starter, plan: StarterPlan, answers: Answers): Rig {
  const bare = rigSchema.parse({
    begunAs: {
      room: starter.name,
      asked: starter.asks.map((ask) => answerText(ask, answers[ask.key])),
    },
    ...{ rooms: plan.rooms, devices: plan.devices.map(({ device }) => device), hardwires: [] },
    ...{ cords: plan.cords, adaptors: plan.adaptors ?? [] },
  });
  return plan.looms.reduce(withLoom, bare);
}
