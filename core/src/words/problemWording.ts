import type { Problem } from '../session/problem';
import { pathText } from '../session/problem';

const MISFIT: Record<string, string> = {
  'no-such-channel': 'the device has no such channel',
  'wrong-kind': 'a knob needs a number and a switch needs true or false',
  'out-of-range': 'the value is outside the range of the knob',
  'not-a-position': 'the switch has no such position',
};

type Wording = { readonly [C in Problem['code']]: (problem: Extract<Problem, { code: C }>) => string };

const WORDING: Wording = {
  'not-json': (p) =>
    `This is not JSON: ${p.detail} (line ${p.line}, column ${p.column}). Mend the file there, or export it again.`,
  'wrong-format': (p) =>
    `The format is ${p.found}; this program reads ${p.expected}. Open the file with the version that wrote it, and export it from there.`,
  'newer-format': (p) =>
    `The file is of a newer version of this program: its format is ${p.found}, and this one reads ${p.expected}. Update this program, or have the file exported by a version that writes ${p.expected}.`,
  'wrong-shape': (p) => `${p.detail}.`,
  'too-many': (p) =>
    `There are ${p.found} items here; the program takes ${p.most}. Split it, or check that it is the right file.`,
  'too-deep': (p) =>
    `This is nested deeper than ${p.most} levels, which nothing the program writes is. Check that it is the right file.`,
  'broken-text': () =>
    'This text holds half a character (a lone surrogate), which cannot be stored. Type it anew.',
  'and-more': () => 'And more of the kind; the rest was not read. Mend these first.',
  'duplicate-id': (p) =>
    `The id “${p.id}” stands twice; the first is at ${pathText(p.firstAt)}. Give one of them another id.`,
  'same-name': (p) =>
    `There is a ${p.kind} called “${p.name}” already. Give this one a name of its own, such as “${p.name} 2”.`,
  dangling: (p) => `There is no ${p.kind} “${p.id}”. Add it, or point to one that exists.`,
  'wrong-direction': (p) =>
    p.needs === 'out'
      ? `“${p.id}” is an input, but a cable starts at an output. Swap the two ends, or choose an output.`
      : `“${p.id}” is an output, but a cable ends at an input. Choose an input.`,
  'not-a-jack': (p) => `“${p.id}” is not a front face, so no cord can be plugged there. Choose a jack.`,
  'not-wirable': (p) => `“${p.id}” is inside its device, so nothing can be wired to it. Choose a connector.`,
  'jack-taken': (p) =>
    `“${p.id}” already holds the plug of cord “${p.byCord}”. A jack takes one plug; choose another.`,
  'carrier-taken': (p) =>
    `The cues “${p.byName}” and “${p.name}” would be on the same sends. Give one of them another bus, or put their people on one cue.`,
  'follows-itself': () =>
    'A scene cannot follow itself, not even by way of others. Let it follow another one, or stand alone.',
  'one-scene-twice': () =>
    'The live scene of a playback check cannot be its playback scene. Choose two scenes, or set the check up anew.',
  'wrong-role': (p) => `“${p.id}” is not a ${p.needs}. Choose a station of that kind.`,
  'setting-misfit': (p) => `“${p.id}” cannot be set so: ${MISFIT[p.why] ?? p.why}.`,
};

/** One sentence of what is wrong and one of what to do, without the place. */
export function problemSentence(problem: Problem): string {
  const say = WORDING[problem.code] as (problem: Problem) => string;
  return say(problem);
}

/** The sentence with its place in front: `rig.devices[3].room: There is no room …`. */
export function problemLine(problem: Problem): string {
  const place = pathText(problem.path);
  return place === '' ? problemSentence(problem) : `${place}: ${problemSentence(problem)}`;
}
