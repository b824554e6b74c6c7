import type { DeviceId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** Digital cables whose ends run at different rates. */
function links({ clocks }: WorkedScene): readonly Finding[] {
  const rates = new Map(
    clocks.domains.flatMap(({ devices }) => devices.map(({ device, rateHz }) => [device, rateHz] as const)),
  );
  const seen = new Set<string>();
  return clocks.cables.flatMap(({ from, to, medium }): readonly Finding[] => {
    const [firstHz, secondHz] = [rates.get(from.device), rates.get(to.device)];
    const key = [from.device, to.device].sort().join(' ');
    if (medium !== 'digital' || firstHz === undefined || secondHz === undefined || firstHz === secondHz)
      return [];
    if (seen.has(key)) return [];
    seen.add(key);
    return [
      {
        rule: 'rate-mismatch',
        at: [from.device, to.device].map((id) => ({ kind: 'device', id })),
        figures: { what: 'link', firstHz, secondHz },
      },
    ];
  });
}

/** Masters whose clock is fixed at another rate than the session's. */
function masters({ clocks, session }: WorkedScene): readonly Finding[] {
  return clocks.domains.flatMap(({ devices }) =>
    devices.flatMap(({ device, master, rateHz }): readonly Finding[] =>
      master !== device || rateHz === undefined || rateHz === session.sampleRateHz
        ? []
        : [sessionFinding(device, rateHz, session.sampleRateHz)],
    ),
  );
}

const sessionFinding = (device: DeviceId, firstHz: number, secondHz: number): Finding => ({
  rule: 'rate-mismatch',
  at: [{ kind: 'device', id: device }],
  figures: { what: 'session', firstHz, secondHz },
});

/** Tracks whose material was recorded at another rate. */
const material = ({ session }: WorkedScene): readonly Finding[] =>
  session.tracks.flatMap(({ id, recordedAtHz }): readonly Finding[] =>
    recordedAtHz === undefined || recordedAtHz === session.sampleRateHz
      ? []
      : [
          {
            rule: 'rate-mismatch',
            at: [{ kind: 'track', id }],
            figures: { what: 'material', firstHz: recordedAtHz, secondHz: session.sampleRateHz },
          },
        ],
  );

export const rateMismatch: Rule = {
  id: 'rate-mismatch',
  title: 'Sample rates differ',
  severity: 'error',
  stage: 'rig',
  why: 'A digital link carries one rate; material played at another is out of tune and out of length.',
  limits: 'Rates as said on the Clock and DAW pages. Files are not opened.',
  run: (context) => [...links(context), ...masters(context), ...material(context)],
};
