import { Box, Flex, Kbd, Link, Text } from '@chakra-ui/react';
import { Link as RouterLink } from 'react-router';
import { Modal } from '../shell/modal';

const SHORTCUTS: readonly (readonly [string, readonly (readonly [string, string])[]])[] = [
  [
    'Anywhere in a piece',
    [
      ['F  L  C  M  E  G', 'Go to Fit, Lay out, Cut, Make, Finish, Log'],
      ['Ctrl Z', 'Undo'],
      ['Ctrl Shift Z', 'Redo'],
      ['+  −', 'Zoom in, zoom out'],
      ['0', 'Whole piece in the frame'],
      ['1', 'Real size'],
      ['2', 'Folded in rows, for what is long and thin'],
      ['V', 'Flat on the bench, or closed round the wrist'],
      ['?', 'This page'],
    ],
  ],
  [
    'With a part on the bench selected (Tab to it)',
    [
      ['← →', 'The part before, the part after'],
      ['Shift ← →', 'Move it one place'],
      ['D', 'Duplicate it'],
      ['R', 'Mirror what comes before it on its other side'],
      ['Del', 'Delete it'],
      ['Esc', 'Deselect it'],
    ],
  ],
  [
    'With the end of a part selected (Tab to it)',
    [
      ['← →', 'Shorter, longer'],
      ['Shift ← →', 'Ten times as far'],
      ['Home', 'Back to what the fit asks for'],
    ],
  ],
  [
    'On the loom of a knotted band (Tab to it)',
    [
      ['← → ↑ ↓', 'From knot to knot'],
      ['Space', 'The next kind of knot'],
      ['1 – 5', 'Forward, backward, there and back, back and forth, none'],
      ['Ins  Del', 'Put rows in, take them out'],
      ['S', 'The strand that works here, by itself'],
      ['B', 'Give that strand the colour that is chosen'],
      ['Esc', 'All strands again, no colour chosen'],
    ],
  ],
  [
    'While making',
    [
      ['Space', 'Done, next (a tap anywhere does the same)'],
      ['Backspace', 'One step back'],
      ['N', 'Type how many are done (a long press does the same)'],
      ['S', 'Show the move slowly'],
      ['W', 'Where was I? Sides, and the drawing to compare with'],
      ['R', 'Measure now: will the cord last?'],
    ],
  ],
  [
    'In a length field',
    [
      ['↑ ↓', 'A little more, a little less'],
      ['Esc', 'As it was'],
    ],
  ],
];

export function Help({ onClose }: { readonly onClose: () => void }) {
  return (
    <Modal open onClose={onClose} title="Keys" size="wide">
      <Flex direction="column" gap="6">
        {SHORTCUTS.map(([heading, keys]) => (
          <Box key={heading}>
            <Text fontWeight="600" mb="2">
              {heading}
            </Text>
            {keys.map(([key, what]) => (
              <Flex key={key} gap="4" py="1" align="baseline">
                <Flex gap="1" w="170px" flexShrink={0} flexWrap="wrap">
                  {key.split(/ +/).map((k, i) => (
                    <Kbd
                      key={i}
                      px="2"
                      borderRadius="4px"
                      bg="faint"
                      fontFamily="body"
                      fontWeight="600"
                      fontSize="sm"
                    >
                      {k}
                    </Kbd>
                  ))}
                </Flex>
                <Text>{what}</Text>
              </Flex>
            ))}
          </Box>
        ))}
        <Text>
          <Link asChild textDecoration="underline">
            <RouterLink to="/numbers" onClick={onClose}>
              Where the numbers come from
            </RouterLink>
          </Link>
        </Text>
        <Text color="muted" fontSize="sm">
          Lengths may be typed as you say them: 7 5/8, 7.5in, 2'6, 17 cm, 4mm.
        </Text>
      </Flex>
    </Modal>
  );
}
