import { Box, Text } from '@chakra-ui/react';
import type { LessonView } from '@coiled-strand/contract';
import { evenness, MIN_SWATCHES, type CordKind, type Evenness } from '@coiled-strand/core';
import { useHandView } from '../../../../data/api/queries';
import { nameOf, overModel } from '../../../make/hand/words';

const GRADES: Readonly<Record<Evenness['grade'], string>> = {
  even: 'Your hand is even: a cut list can use all of it.',
  fair: 'Your hand is fairly even. A few more swatches at the same pull, and cords need less reserve.',
  uneven:
    'Your hand is not even yet: one swatch is tighter than the next. Pull each half as far as the last, and look back after every ten.',
};

const percent = (share: number): string => `${(share * 100).toFixed(1)} %`;

interface Props {
  readonly technique: string;
  /** The kind of cord that is told of first. */
  readonly first: CordKind;
}

/** How this maker ties a technique, beside the model, and how far one swatch lies from the next. */
export function HowEven({ technique, first }: Props) {
  const { data } = useHandView();
  const lessons = (data?.lessons ?? [])
    .filter(
      ({ technique: own, measure }) =>
        own === technique && (measure === 'take-up' || measure === 'pitch'),
    )
    .sort((a, b) => Number(b.cordKind === first) - Number(a.cordKind === first));
  if (lessons.length === 0) {
    return (
      <Text>
        Nothing was measured of it yet, so cut lists go by the model. Twenty knots and a ruler tell
        more than a guess.
      </Text>
    );
  }
  return (
    <Box maxW="760px">
      {lessons.map((lesson) => (
        <One key={`${lesson.cordKind} ${lesson.measure}`} lesson={lesson} />
      ))}
    </Box>
  );
}

function One({ lesson }: { readonly lesson: LessonView }) {
  const { after } = lesson;
  const swatches = lesson.observations.filter(({ source }) => source.from === 'swatch');
  const told = evenness(swatches.map(({ ratio }) => ratio));
  const name = nameOf(lesson);
  const missing = MIN_SWATCHES - swatches.length;
  return (
    <Box borderTop="1px solid {colors.line}" py="3" data-testid="how-even">
      <Text>
        <b>{name.technique}</b>, {name.measure}: <b>{overModel(after.factor, lesson.measure)}</b>
        {after.factor !== 1 && ' beside the model'}, ± {percent(after.spread)} by {after.rests}{' '}
        {after.rests === 1 ? 'measurement' : 'measurements'}.
      </Text>
      {told ? (
        <Text mt="1">
          {GRADES[told.grade]} Your {told.count} swatches lie {percent(told.spread)} apart (
          {swatches.map(({ ratio }) => overModel(ratio, lesson.measure)).join(', ')}).
        </Text>
      ) : (
        <Text mt="1" color="muted">
          {missing === 1 ? 'One more swatch tells' : `${missing} more swatches tell`} how even it
          is.
        </Text>
      )}
    </Box>
  );
}
