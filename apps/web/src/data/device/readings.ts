import type { InstrumentView } from '@coiled-strand/contract';
import { listenToStream } from './stream';
import { create } from 'zustand';

interface Readings {
  /** By instrument, as they are heard. */
  readonly views: Readonly<Partial<Record<InstrumentView['instrument'], InstrumentView>>>;
}

/** What caliper and scale say, while somebody listens. */
export const useReadings = create<Readings>()(() => ({ views: {} }));

/** What a field takes: the unit of the instrument that fills it. */
const takes = (element: Element | null): element is HTMLInputElement =>
  element instanceof HTMLInputElement && element.dataset.takes !== undefined;

/** Values nearer to each other than this are the same reading that trembles. */
const SAME = 0.005;

/** The last value that each instrument rested at. */
const rested = new Map<string, number>();
let began = false;

/** Types a reading into a field as a hand would, so that it is read, questioned and kept like any other. */
function type(field: HTMLInputElement, text: string): void {
  const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value');
  value?.set?.call(field, text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
  field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
}

/** A short click: the reading was taken. */
function click(): void {
  if (!('AudioContext' in window)) return;
  const sound = new AudioContext();
  const tone = sound.createOscillator();
  const loud = sound.createGain();
  tone.frequency.value = 1900;
  loud.gain.setValueAtTime(0.12, sound.currentTime);
  loud.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + 0.04);
  tone.connect(loud).connect(sound.destination);
  tone.start();
  tone.stop(sound.currentTime + 0.05);
  tone.onended = () => void sound.close();
}

/** A reading that has come to rest goes into the field that has the focus, once. */
function take({ instrument, reading }: InstrumentView): void {
  if (reading?.value == null || !reading.stable) {
    if (!reading?.stable) rested.delete(instrument);
    return;
  }
  const before = rested.get(instrument);
  rested.set(instrument, reading.value);
  if (before !== undefined && Math.abs(before - reading.value) < SAME) return;
  const field = document.activeElement;
  if (!takes(field) || field.dataset.takes !== reading.unit) return;
  const value = reading.value.toFixed(2);
  type(field, reading.unit === 'mm' ? `${value} mm` : value);
  click();
}

/** Listens to the instruments from now on; what they rest at meanwhile is known and taken by nobody. */
export function listenToInstruments(): void {
  if (began) return;
  began = true;
  // What an instrument said before this page was there is known, and not taken.
  const heard = new Set<string>();
  listenToStream('reading', (data) => {
    const view = JSON.parse(data) as InstrumentView;
    // One that comes, or comes back, rests at something that nobody has measured now.
    const first = view.reading !== null && !heard.has(view.instrument);
    if (view.reading === null) heard.delete(view.instrument);
    else heard.add(view.instrument);
    if (first && view.reading?.stable && view.reading.value !== null) {
      rested.set(view.instrument, view.reading.value);
    }
    useReadings.setState(({ views }) => ({ views: { ...views, [view.instrument]: view } }));
    take(view);
  });
}
