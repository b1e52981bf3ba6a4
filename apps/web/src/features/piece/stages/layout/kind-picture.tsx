import { Box } from '@chakra-ui/react';
import { sampleOf, type Bead, type Cord, type Sample } from '@coiled-strand/core';
import { useQuery } from '@tanstack/react-query';
import { Shapes } from '../../bench/shapes';

interface Props {
  readonly kind: string;
  readonly cord: Cord;
  readonly bead: Bead | undefined;
}

const HEIGHT = 64;
const WIDTH = 176;
/** Nothing is shown larger than if so many mm filled the height. */
const MIN_HIGH = 8;

/** As much of a sample as fits: all of its width, and its length from the start. */
function viewOf({ frame }: Sample): string {
  const high = Math.max(MIN_HIGH, 1.2 * frame.height);
  const wide = (high * WIDTH) / HEIGHT;
  const x = frame.width > wide ? frame.x : frame.x + frame.width / 2 - wide / 2;
  return `${x} ${frame.y + frame.height / 2 - high / 2} ${wide} ${high}`;
}

/** What a kind of part looks like in the cord at hand. Each is laid out in a task of its own, when it is first shown. */
export function KindPicture({ kind, cord, bead }: Props) {
  const { data } = useQuery({
    queryKey: ['sample', kind, cord, bead],
    staleTime: Infinity,
    networkMode: 'always',
    queryFn: async () => {
      await new Promise((resume) => setTimeout(resume));
      return sampleOf(kind, cord, bead);
    },
  });
  return (
    <Box as="span" display="block" h={`${HEIGHT}px`} w="100%" bg="bench" borderRadius="soft">
      {data && (
        <svg
          aria-hidden
          viewBox={viewOf(data)}
          preserveAspectRatio="xMinYMid slice"
          style={{ display: 'block', width: '100%', height: HEIGHT }}
        >
          <Shapes shapes={data.shapes} />
        </svg>
      )}
    </Box>
  );
}
