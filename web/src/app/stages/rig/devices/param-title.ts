/** Parameters whose key alone would not tell an engineer what is meant. */
const NAMES: Readonly<Record<string, string>> = {
  adcs: 'line inputs',
  dacs: 'line outputs',
  einDbu: 'equivalent input noise',
  maxDbSpl: 'loudest sound',
  sourceOhm: 'output impedance',
  outputOhm: 'output impedance',
  inputOhm: 'input impedance',
  phantom: 'offers 48 V',
  ports: 'connectors',
  routes: 'ways inside',
  inputsPerBus: 'inputs per bus',
  madiLinks: 'MADI links',
  aes3Links: 'AES3 links',
  vcas: 'VCAs',
  insertPoints: 'insert points on the first mic inputs',
  stereoReturns: 'stereo returns',
  remoteFaders: 'faders that move the host',
  automation: 'has automation',
  muteCutsPreSends: 'mute cuts sends before the fader',
  talkbackInput: 'talkback input',
  studioOutputs: 'studio outputs',
  stereoCue: 'stereo cue',
  groupOutputs: 'output jacks of the groups',
  setSpeakers: 'loudspeakers of each set',
  wideSources: 'sources for every loudspeaker',
  stereoLoops: 'stereo loops, the last ones',
  micInputs: 'mic inputs',
  micInputOhm: 'mic input impedance',
  maxMicInputDbu: 'max mic input',
  initialReferenceDbu: 'reference at first',
  referenceDbu: 'reference positions',
};

const ABBREVIATIONS: Readonly<Record<string, string>> = { adc: 'ADC', dac: 'DAC' };

const UNITS: readonly (readonly [RegExp, string])[] = [
  [/ db spl$/, 'dB SPL'],
  [/ dbfs$/, 'dBFS'],
  [/ dbu$/, 'dBu'],
  [/ db$/, 'dB'],
  [/ ohm$/, 'Ω'],
  [/ mv per pa$/, 'mV/Pa'],
  [/ db per mw$/, 'dB/mW'],
  [/ samples$/, 'samples'],
  [/ ms$/, 'ms'],
];

/** "sensitivityMvPerPa" as words: "sensitivity mv per pa". */
const words = (key: string): string => key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

/** A parameter's name for a reader, its unit apart. */
export function paramTitle(key: string): { readonly name: string; readonly unit: string } {
  const plain = words(key);
  const [pattern, unit] = UNITS.find(([each]) => each.test(plain)) ?? [/$/, ''];
  const own = plain.replace(pattern, '').replace(/[a-z]+/g, (word) => ABBREVIATIONS[word] ?? word);
  return { name: NAMES[key] ?? own, unit };
}
