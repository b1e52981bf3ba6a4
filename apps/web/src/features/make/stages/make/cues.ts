import type { Side } from '@coiled-strand/core';
import { useDevice } from '../../../../data/device/device-store';

/** Tones in hertz: low for the left side, high for the right, two for a step that is done. */
const TONES = { left: [392], right: [523], plain: [440], done: [523, 659] } as const;
const LENGTH = 0.09;

let audio: AudioContext | null = null;

function sound(tones: readonly number[]): void {
  audio ??= new AudioContext();
  void audio.resume();
  const at = audio.currentTime;
  tones.forEach((frequency, i) => {
    const start = at + i * 1.4 * LENGTH;
    const oscillator = new OscillatorNode(audio!, { type: 'sine', frequency });
    const gain = new GainNode(audio!, { gain: 0 });
    gain.gain.linearRampToValueAtTime(0.18, start + 0.01);
    gain.gain.linearRampToValueAtTime(0, start + LENGTH);
    oscillator.connect(gain).connect(audio!.destination);
    oscillator.start(start);
    oscillator.stop(start + LENGTH);
  });
}

export interface Cue {
  /** The side that is next, where sides matter. */
  readonly side: Side | null;
  /** Whether a whole step was done. */
  readonly stepDone: boolean;
}

/** Says the next side, or that a step is done, to ears and hands that are not on the screen. */
export function giveCue({ side, stepDone }: Cue): void {
  const { sound: heard, vibration } = useDevice.getState();
  if (heard && 'AudioContext' in window) {
    sound(stepDone ? TONES.done : side ? TONES[side] : TONES.plain);
  }
  if (vibration && 'vibrate' in navigator) {
    navigator.vibrate(stepDone ? [40, 60, 40] : side === 'right' ? [20, 40, 20] : [30]);
  }
}
