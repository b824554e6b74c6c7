import * as z from 'zod';
import { CONNECTORS } from '../connector';
import type { Port, Route, Station } from '../deviceModel';
import { isAnalogue, MEDIA } from '../medium';
import type { ReadSetting } from '../settings';
import { deviceType } from './deviceType';
import { gainKnob } from './knobs';
import { channelCount, gainDb, impedanceOhm, latencyMs, levelDbu, numbersTo } from './params';
import { isBalanced } from './portKinds';
import { active, knobsAt, laneAt, wire } from './routeKinds';

const key = z.string().regex(/^[a-z0-9][a-z0-9-]{0,31}$/, 'a key of lower-case letters, digits and hyphens');

const portShape = z.strictObject({
  key,
  name: z.string().trim().min(1, 'a connector has a name').max(60),
  direction: z.enum(['in', 'out']),
  medium: z.enum(MEDIA).default('line'),
  connector: z.enum(CONNECTORS).default('xlr'),
  lanes: channelCount(256).default(1),
  face: z.enum(['front', 'rear', 'inside']).default('rear'),
  /** Load of an input, source impedance of an output. */
  impedanceOhm: impedanceOhm.optional(),
  maxDbu: levelDbu.optional(),
  /** Behind a transformer. */
  floating: z.boolean().optional(),
});
type PortShape = z.infer<typeof portShape>;

const routeShape = z.strictObject({
  from: key,
  to: key,
  kind: z.enum(['electronics', 'copper']).default('electronics'),
  gainDb: gainDb.default(0),
  /** Whether a scene may turn the gain, from 40 dB below to 40 dB above. */
  adjustable: z.boolean().default(false),
  noiseDbu: levelDbu.optional(),
  delayMs: latencyMs.default(0),
  inverts: z.boolean().default(false),
  /** A connector whose plug opens the route: the return of an insert point. */
  openedBy: key.optional(),
  /** What a thread may pass it as. */
  passedAs: z.enum(['nothing', 'processor', 'preamp', 'di', 're-amp']).default('processor'),
});
type RouteShape = z.infer<typeof routeShape>;

const shape = z.strictObject({
  ports: z.array(portShape).min(1, 'at least one connector').max(256),
  routes: z.array(routeShape).max(1024).default([]),
});
type Params = z.infer<typeof shape>;

/** Keys are used once, routes lead from one connector of the unit to another with as many lanes. */
function fitsItself({ ports, routes }: Params, context: z.core.$RefinementCtx<Params>): void {
  const trouble = (message: string, ...path: (string | number)[]): void => {
    context.addIssue({ code: 'custom', message, path });
  };
  const byKey = new Map<string, PortShape>();
  ports.forEach((port, i) => {
    if (byKey.has(port.key))
      trouble(`The connector “${port.key}” stands twice. Give one another key.`, 'ports', i, 'key');
    byKey.set(port.key, port);
  });
  routes.forEach((route, i) => {
    for (const end of ['from', 'to', 'openedBy'] as const) {
      const named = route[end];
      if (named !== undefined && !byKey.has(named))
        trouble(
          `There is no connector “${named}”. There are: ${[...byKey.keys()].join(', ')}.`,
          'routes',
          i,
          end,
        );
    }
    const [from, to] = [byKey.get(route.from), byKey.get(route.to)];
    if (from !== undefined && to !== undefined && from.lanes !== to.lanes)
      trouble(
        `“${from.key}” has ${from.lanes} lanes and “${to.key}” has ${to.lanes}; a route joins as many.`,
        'routes',
        i,
        'to',
      );
  });
}

const params = shape.superRefine(fitsItself);

function portOf({ impedanceOhm: ohm, maxDbu, floating, ...place }: PortShape): Port {
  const max = { ...(maxDbu !== undefined && { maxDbu }), ...(floating === true && { floating }) };
  if (place.medium === 'any') return place;
  const balanced = isAnalogue(place.medium) && { balanced: isBalanced(place.medium, place.connector) };
  return place.direction === 'in'
    ? { ...place, ...balanced, input: { ...(ohm !== undefined && { loadOhm: ohm }), ...max } }
    : { ...place, ...balanced, output: { ...(ohm !== undefined && { sourceOhm: ohm }), ...max } };
}

const lanesOf = ({ ports }: Params, route: RouteShape): readonly number[] =>
  numbersTo(ports.find((port) => port.key === route.from)?.lanes ?? 0);

const knobName = (i: number): string => `gain${i + 1}Db`;

function routesOf(p: Params, read: ReadSetting): readonly Route[] {
  return p.routes.flatMap((route, i) =>
    lanesOf(p, route).map((lane): Route => {
      const from = laneAt(route.from, lane);
      const to = laneAt(route.to, lane);
      if (route.kind === 'copper') return wire(from, to);
      const turned = route.adjustable ? Number(read(knobName(i), lane)) : 0;
      return active(from, to, route.gainDb + turned, {
        inverts: route.inverts,
        delayMs: route.delayMs,
        ...(route.noiseDbu !== undefined && { outputNoise: route.noiseDbu }),
        ...(route.openedBy !== undefined && { unlessPlugged: [laneAt(route.openedBy, lane)] }),
        ...(route.adjustable && { knobs: knobsAt(lane, knobName(i)) }),
      });
    }),
  );
}

function stationsOf(p: Params): readonly Station[] {
  return p.routes.flatMap((route, i) => {
    const { passedAs } = route;
    if (passedAs === 'nothing') return [];
    const lanes = lanesOf(p, route);
    return lanes.map((lane): Station => ({
      key: `way-${i + 1}-${lane}`,
      name: [p.routes.length > 1 ? route.from : '', lanes.length > 1 ? String(lane) : ''].join(' ').trim(),
      role: passedAs,
      in: laneAt(route.from, lane),
      out: laneAt(route.to, lane),
      channel: lane,
      settings: route.adjustable ? [knobName(i)] : [],
    }));
  });
}

export const customUnit = deviceType({
  type: 'customUnit',
  title: 'Unit of your own',
  what: 'Anything the catalogue does not have: say what its connectors are and how they are joined inside.',
  params,
  settings: (p) =>
    p.routes.flatMap((route, i) =>
      route.adjustable
        ? [
            gainKnob(knobName(i), `Gain ${route.from} to ${route.to}`, lanesOf(p, route).length, 0, {
              min: -40,
              max: 40,
            }),
          ]
        : [],
    ),
  build: (p, read) => ({ ports: p.ports.map(portOf), routes: routesOf(p, read), stations: stationsOf(p) }),
});
