/** Connector families. `fixed` is soldered or internal: nobody plugs it during a session. */
export const CONNECTORS = [
  'xlr',
  'trs',
  'tt',
  'ts',
  'db25',
  'bnc',
  'optical',
  'speaker',
  'host',
  'fixed',
] as const;

export type Connector = (typeof CONNECTORS)[number];

/** Front jacks on which a plug, on its way in, connects tip and ring to whatever they touch. */
export const isJackBayConnector = (connector: Connector): boolean =>
  connector === 'trs' || connector === 'tt';
