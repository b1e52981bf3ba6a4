import { create } from 'zustand';
import type { Arrival } from './recognise';

/** Fetched after the first page: few are opened for something that comes in. */
const recognising = () => import('./recognise');

/** What came in and is to be asked about; one thing at a time. */
export const useArrival = create<{ readonly arrival: Arrival | null }>(() => ({ arrival: null }));

export const settle = (): void => useArrival.setState({ arrival: null });

/** Looks at a file and asks about it, whatever it is. */
export async function bring(file: File): Promise<void> {
  const { recogniseFile } = await recognising();
  useArrival.setState({ arrival: await recogniseFile(file) });
}

/** Looks at a text that was pasted; what is none of ours is left alone. */
export async function bringText(text: string): Promise<void> {
  const { recogniseText } = await recognising();
  const arrival = await recogniseText('What you pasted', text);
  if (arrival.kind !== 'unknown') useArrival.setState({ arrival });
}
