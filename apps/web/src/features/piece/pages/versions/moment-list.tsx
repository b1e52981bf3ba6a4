import { Box, Grid, Text } from '@chakra-ui/react';
import { memo } from 'react';
import { MiniPiece } from '../../bench/mini-piece';
import { sayWhen } from '../../../house/people/when';
import { selectable } from '../../../../ui/shell/selectable';
import type { Moment } from './moments';

interface Props {
  readonly moments: readonly Moment[];
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
}

/** The piece through time, the last first: one is looked at. */
export const MomentList = ({ moments, chosen, onChoose }: Props) => (
  <Grid
    gap="2"
    alignContent="start"
    templateColumns={{ base: '1fr', sm: '1fr 1fr', md: 'repeat(3, 1fr)', lg: '1fr' }}
    role="radiogroup"
    aria-label="As it was"
  >
    {moments.map((moment) => (
      <MomentCard
        key={moment.id}
        moment={moment}
        chosen={moment.id === chosen}
        onChoose={onChoose}
      />
    ))}
  </Grid>
);

interface CardProps {
  readonly moment: Moment;
  readonly chosen: boolean;
  readonly onChoose: (id: string) => void;
}

const MomentCard = memo(function MomentCard({ moment, chosen, onChoose }: CardProps) {
  return (
    <Box
      as="button"
      role="radio"
      aria-checked={chosen}
      aria-label={`${moment.label}, ${sayWhen(moment.at)}`}
      textAlign="left"
      px="3"
      py="2"
      {...selectable(chosen)}
      onClick={() => onChoose(moment.id)}
    >
      <MiniPiece piece={moment.piece} height={30} {...(moment.hand ? { hand: moment.hand } : {})} />
      <Text
        as="span"
        display="block"
        mt="1"
        lineHeight="1.25"
        overflowWrap="anywhere"
        color={moment.version?.name === null ? 'muted' : 'ink'}
      >
        {moment.label}
      </Text>
      <Text as="span" display="block" fontSize="sm" color="muted" lineHeight="1.25">
        {sayWhen(moment.at)}
      </Text>
    </Box>
  );
});
