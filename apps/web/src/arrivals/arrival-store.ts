import { create } from 'zustand';
import { recogniseFile, recogniseText, type Arrival } from './recognise';

/** What came in and is to be asked about; one thing at a time. */
export const useArrival = create<{ readonly arrival: Arrival | null }>(() => ({ arrival: null }));

export const settle = (): void => useArrival.setState({ arrival: null });

/** Looks at a file and asks about it, whatever it is. */
export async function bring(file: File): Promise<void> {
  useArrival.setState({ arrival: await recogniseFile(file) });
}

/** Looks at a text that was pasted; what is none of ours is left alone. */
export async function bringText(text: string): Promise<void> {
  const arrival = await recogniseText('What you pasted', text);
  if (arrival.kind !== 'unknown') useArrival.setState({ arrival });
}
