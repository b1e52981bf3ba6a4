import { isImperial, type PaperSize } from '@coiled-strand/core';
import { useMutation } from '@tanstack/react-query';
import { useDevice } from '../../../data/device/device-store';
import { useUnits } from '../../../ui/settings/use-units';
import { savePaper } from './print';
import type { PaperOrder } from './order';

/** The paper in this maker’s printer: as it was chosen last, else by where inches are used. */
export function usePaperSize(): readonly [PaperSize, (paper: PaperSize) => void] {
  const { unit } = useUnits();
  const paper = useDevice((device) => device.paper);
  const setPaper = useDevice((device) => device.setPaper);
  return [paper ?? (isImperial(unit) ? 'letter' : 'a4'), setPaper];
}

/** Makes a file and saves it: whether it is under way, and what went wrong. */
export const usePrinting = () =>
  useMutation({
    mutationFn: ({ order, name }: { readonly order: PaperOrder; readonly name: string }) =>
      savePaper(order, name),
    // It is made here, with or without a network.
    networkMode: 'always',
  });
