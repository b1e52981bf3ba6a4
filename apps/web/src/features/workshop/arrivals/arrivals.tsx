import { Box, Flex, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { Outlet } from 'react-router';
import { useMay } from '../../../data/api/people-queries';
import { later } from '../../../ui/shell/later';
import { bring, bringText, useArrival } from './arrival-store';

const ArrivalDialog = later(() => import('./arrival-dialog').then((m) => m.ArrivalDialog));

const hasFiles = (event: DragEvent): boolean =>
  event.dataTransfer?.types.includes('Files') ?? false;

/** Whether what is pasted goes into a field, where it belongs. */
const intoField = (event: ClipboardEvent): boolean =>
  event.target instanceof Element &&
  event.target.closest('input, textarea, select, [contenteditable]') !== null;

/** Every page can be handed something: a file dropped anywhere, or what was copied elsewhere and is pasted. */
export function Arrivals() {
  const makes = useMay('maker');
  const over = useHandedIn(makes);
  const arrival = useArrival((store) => store.arrival);
  return (
    <>
      <Outlet />
      {over && <DropHere />}
      {arrival && <ArrivalDialog arrival={arrival} />}
    </>
  );
}

/** Listens for what is dropped and pasted. @returns whether a file is held over the page */
function useHandedIn(makes: boolean): boolean {
  const [over, setOver] = useState(false);
  useEffect(() => {
    if (!makes) return;
    const listening = new AbortController();
    const on = <T extends Event>(name: string, react: (event: T) => void): void =>
      window.addEventListener(name, react as (event: Event) => void, listening);
    // Entering a child comes before leaving its parent: only the count tells when the page is left.
    let depth = 0;
    const leave = (): void => {
      depth = 0;
      setOver(false);
    };
    on<DragEvent>('dragenter', (event) => {
      if (!hasFiles(event)) return;
      depth++;
      setOver(true);
    });
    on<DragEvent>('dragleave', (event) => {
      if (hasFiles(event) && --depth <= 0) leave();
    });
    on<DragEvent>('dragover', (event) => {
      if (hasFiles(event)) event.preventDefault();
    });
    on<DragEvent>('drop', (event) => {
      leave();
      // Who took it already has a place of its own for it.
      if (event.defaultPrevented || !hasFiles(event)) return;
      event.preventDefault();
      const file = event.dataTransfer?.files[0];
      if (file) void bring(file);
    });
    on<ClipboardEvent>('paste', (event) => {
      if (event.defaultPrevented || intoField(event)) return;
      const file = event.clipboardData?.files[0];
      const text = event.clipboardData?.getData('text/plain') ?? '';
      if (file) void bring(file);
      else if (text.trim() !== '') void bringText(text);
    });
    return () => listening.abort();
  }, [makes]);
  return over && makes;
}

const DropHere = () => (
  <Flex
    position="fixed"
    inset="0"
    zIndex="overlay"
    pointerEvents="none"
    align="center"
    justify="center"
    p="6"
    aria-hidden
  >
    <Box position="absolute" inset="0" bg="surface" opacity="0.86" />
    <Flex
      position="absolute"
      inset={{ base: '3', md: '6' }}
      border="2px dashed {colors.chalk}"
      borderRadius="12px"
      align="center"
      justify="center"
    >
      <Text
        fontSize="xl"
        fontWeight="600"
        textAlign="center"
        bg="raised"
        borderRadius="soft"
        px="6"
        py="4"
      >
        Drop it anywhere: a piece, a pattern, a picture or a table
      </Text>
    </Flex>
  </Flex>
);
