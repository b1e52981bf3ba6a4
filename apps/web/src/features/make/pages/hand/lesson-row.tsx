import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import type { LessonView } from '@coiled-strand/contract';
import { useState } from 'react';
import { useKnots } from '../../../../data/api/knot-queries';
import { Button } from '../../../../ui/shell/button';
import { EvidenceRow } from './evidence-row';
import { BASELINES, nameOf, overModel, spreadOf, tellTrend } from '../../hand/words';

/** One factor of the hand: before and after, how sure, and the makes it rests on. */
export function LessonRow({ lesson }: { readonly lesson: LessonView }) {
  const [open, setOpen] = useState(false);
  const { data: knots = [] } = useKnots();
  const { technique, measure } = nameOf(
    lesson,
    knots.map(({ id, value }) => ({ origin: id, name: value.name })),
  );
  const { before, after, observations } = lesson;
  const trend = tellTrend(lesson, new Date(lesson.since));
  return (
    <Box borderTop="1px solid {colors.line}" py="4" data-testid="lesson">
      <Grid
        templateColumns={{ base: '1fr', md: '280px 1fr 210px' }}
        gap={{ base: '2', md: '6' }}
        alignItems="center"
      >
        <Box>
          <Text fontWeight="600">{technique}</Text>
          <Text color="muted">{measure}</Text>
          {trend !== null && (
            <Text mt="1" fontWeight="500">
              {trend}
            </Text>
          )}
        </Box>
        <Strip lesson={lesson} />
        <Flex direction="column" align={{ base: 'flex-start', md: 'flex-end' }}>
          <Text fontSize="xl" fontWeight="600" lineHeight="1.1">
            {overModel(after.factor, lesson.measure)}
          </Text>
          <Text color="muted">
            {spreadOf(after)}, before {spreadOf(before)}
          </Text>
          <Button variant="text" aria-expanded={open} onClick={() => setOpen(!open)}>
            by {after.rests} {after.rests === 1 ? 'measurement' : 'measurements'}
          </Button>
        </Flex>
      </Grid>
      {open && (
        <Box mt="3" pl={{ base: '0', md: '4' }}>
          {observations.map((one) => (
            <EvidenceRow key={one.source.id} evidence={one} surprise={one.surprise} />
          ))}
          {after.rests > observations.length && (
            <Text color="muted" py="1.5">
              and {after.rests - observations.length} before these
            </Text>
          )}
        </Box>
      )}
    </Box>
  );
}

/** All hands as a pale band, this hand as a dark one, every measurement as a tick on it. */
function Strip({ lesson }: { readonly lesson: LessonView }) {
  const { before, after, observations } = lesson;
  const { reach, from } = BASELINES[lesson.measure];
  const x = (factor: number): number => {
    const at = Math.log(factor) / Math.log(1 + reach);
    return 50 + 50 * Math.max(-1, Math.min(1, at));
  };
  const band = (factor: number, spread: number): { left: string; width: string } => {
    const [low, high] = [x(factor * Math.exp(-spread)), x(factor * Math.exp(spread))];
    return { left: `${low}%`, width: `${high - low}%` };
  };
  return (
    <Box>
      <Box position="relative" h="30px" aria-hidden>
        <Box position="absolute" top="14px" left="0" right="0" h="1px" bg="line" />
        <Box position="absolute" top="8px" h="14px" bg="faint" style={band(1, before.spread)} />
        <Box
          position="absolute"
          top="8px"
          h="14px"
          bg="chalk"
          opacity="0.45"
          style={band(after.factor, after.spread)}
        />
        <Box position="absolute" left="50%" top="2px" h="26px" w="1px" bg="muted" />
        {observations.map((one) => (
          <Box
            key={one.source.id}
            position="absolute"
            top="4px"
            h="22px"
            w="3px"
            ml="-1.5px"
            bg="ink"
            style={{ left: `${x(one.ratio)}%` }}
          />
        ))}
      </Box>
      <Flex justify="space-between" fontSize="xs" color="muted">
        <span>−{Math.round((1 - 1 / (1 + reach)) * 100)} %</span>
        <span>{from}</span>
        <span>+{reach * 100} %</span>
      </Flex>
    </Box>
  );
}
