import type { OnDestroy } from '@angular/core';
import { computed, Injectable, signal } from '@angular/core';
import { FRAME_RATES, quarterFrames, QuarterFrameReader, timecodeAt } from '@ft/core/takes/quarterFrames';

/** Where the counter may come from. */
export interface Source {
  readonly id: string;
  readonly name: string;
}

/** What the host said last, and when that was, ms since 1970. */
export interface HostReading {
  readonly counterS: number;
  readonly atMs: number;
}

export const BY_HAND: Source = { id: 'hand', name: 'by hand' };
const SIMULATED: Source = { id: 'simulated', name: 'the simulated host' };

/** The simulated host stands an hour in, as hosts often do. */
const SIMULATED_START_S = 3600;
const SIMULATED_RATE = FRAME_RATES[1];
/** Eight quarter frames at 25 frames a second. */
const PACK_MS = 80;
/** Without a message for so long the host has stopped. */
const SILENT_MS = 500;

/** The host's timecode on this computer: MIDI quarter frames from an input, or from a sender that ships with the program. */
@Injectable()
export class TimecodeSource implements OnDestroy {
  private readonly inputs = signal<readonly MIDIInput[]>([]);
  readonly chosen = signal(BY_HAND.id);
  readonly trouble = signal('');
  readonly reading = signal<HostReading | undefined>(undefined);
  readonly sources = computed((): readonly Source[] => [
    BY_HAND,
    SIMULATED,
    ...this.inputs().map(({ id, name }) => ({ id, name: name ?? id })),
  ]);
  private reader = new QuarterFrameReader();
  private stop: () => void = () => undefined;

  /** Asks the browser for MIDI inputs; one that has none, or may not, is told. */
  async look(): Promise<void> {
    // A browser without MIDI has no such function, whatever its types say.
    const ask = (navigator as Partial<Pick<Navigator, 'requestMIDIAccess'>>).requestMIDIAccess;
    if (ask === undefined) {
      this.trouble.set(
        'This browser has no MIDI. Run the counter by hand, or open the program in one that has.',
      );
      return;
    }
    try {
      const access = await ask.call(navigator);
      this.inputs.set([...access.inputs.values()]);
      this.trouble.set(access.inputs.size === 0 ? 'No MIDI input is connected to this computer.' : '');
    } catch {
      this.trouble.set('The browser was not allowed to read MIDI. Allow it for this page, and look again.');
    }
  }

  choose(id: string): void {
    this.stop();
    this.stop = () => undefined;
    this.reader = new QuarterFrameReader();
    this.reading.set(undefined);
    this.chosen.set(id);
    if (id === SIMULATED.id) this.stop = this.simulate();
    const input = this.inputs().find((each) => each.id === id);
    if (input !== undefined) this.stop = this.listen(input);
  }

  /** Where the host stands now; undefined where nobody is followed, or it has stopped. */
  nowS(nowMs: number): number | undefined {
    const reading = this.reading();
    if (reading === undefined || nowMs - reading.atMs > SILENT_MS) return undefined;
    return reading.counterS + (nowMs - reading.atMs) / 1000;
  }

  ngOnDestroy(): void {
    this.stop();
  }

  private take(bytes: ArrayLike<number>, atMs: number): void {
    const counterS = this.reader.read(bytes);
    if (counterS !== undefined) this.reading.set({ counterS, atMs });
  }

  private listen(input: MIDIInput): () => void {
    const hear = (event: MIDIMessageEvent): void => {
      if (event.data !== null) this.take(event.data, Date.now());
    };
    input.addEventListener('midimessage', hear);
    return () => {
      input.removeEventListener('midimessage', hear);
    };
  }

  /** A stand-in for a host that runs: its messages go the way of real ones. */
  private simulate(): () => void {
    const begun = Date.now();
    const send = (): void => {
      const nowMs = Date.now();
      const code = timecodeAt(SIMULATED_START_S + (nowMs - begun) / 1000, SIMULATED_RATE);
      for (const message of quarterFrames(code)) this.take(message, nowMs);
    };
    send();
    const timer = setInterval(send, PACK_MS);
    return () => {
      clearInterval(timer);
    };
  }
}
