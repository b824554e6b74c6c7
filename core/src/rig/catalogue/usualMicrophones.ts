/** Data of the usual kinds of microphone, for what is begun or typed without a data sheet. From memory of many. */
export const USUAL_MICROPHONES = {
  condenser: {
    ...{ principle: 'condenser', sensitivityMvPerPa: 14, sourceOhm: 200 },
    ...{ selfNoiseDbSpl: 14, maxDbSpl: 134 },
  },
  dynamic: { principle: 'dynamic', sensitivityMvPerPa: 1.9, sourceOhm: 250 },
  ribbon: { principle: 'ribbon', sensitivityMvPerPa: 1.4 },
} as const;
