import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Plus } from 'lucide-react';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { useKnots } from '../../../../data/api/knot-queries';
import { useHandView } from '../../../../data/api/queries';
import { Button } from '../../../../ui/shell/button';
import { later } from '../../../../ui/shell/later';
import { SaveTableButton } from '../../../../ui/shell/save-table-button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { Page } from '../../../../ui/frame/page';
import { LessonRow } from './lesson-row';
import { SetAsideRow } from './evidence-row';
import { handTable } from './hand-table';
import { SwatchDialog } from '../../hand/swatch-dialog';

// The charts bring a large library; nothing else waits for it.
const PredictedActual = later(
  () => import('./predicted-actual').then((m) => m.PredictedActual),
  'Drawing the chart',
);

/** What was learnt of this maker's hand, and what it rests on. */
export function HandPage() {
  const hand = useHandView();
  const { data: knots = [] } = useKnots();
  const [swatch, setSwatch] = useState(false);
  const { lessons = [], setAside = [] } = hand.data ?? {};
  return (
    <Page>
      <Flex gap="4" align="flex-end" flexWrap="wrap" mb="6">
        <Box flex="1" minW="260px">
          <Heading as="h1" fontSize={{ base: '2xl', md: '3xl' }} lineHeight="1.1">
            Your hand
          </Heading>
          <Text color="muted" mt="1" maxW="64ch">
            Hands differ in the cord a knot takes. Every logged make and every swatch tells more of
            yours, and new cut lists go by it: less reserve, less waste.
          </Text>
        </Box>
        {lessons.length > 0 && (
          <SaveTableButton name="Hand" table={() => handTable(lessons, knots)} />
        )}
        <ForMakers>
          <Button variant="solid" onClick={() => setSwatch(true)}>
            <Plus size={18} /> Measure a swatch
          </Button>
        </ForMakers>
      </Flex>
      {hand.isPending && <Loading what="Looking at your makes" />}
      {hand.isError && !hand.data && (
        <Fault error={hand.error} onRetry={() => void hand.refetch()} />
      )}
      {hand.data && lessons.length === 0 && (
        <Box bg="bench" borderRadius="10px" px={{ base: '5', md: '10' }} py="10" maxW="720px">
          <Text fontSize="lg" fontWeight="600">
            Nothing is known of your hand yet
          </Text>
          <Text mt="2" maxW="56ch">
            Log a finished make, or tie twenty half knots now and measure them: a swatch takes five
            minutes and is worth a make.
          </Text>
        </Box>
      )}
      {lessons.length > 0 && (
        <>
          <PredictedActual lessons={lessons} />
          <Box mt="8">
            {lessons.map((lesson) => (
              <LessonRow
                key={`${lesson.technique} ${lesson.cordKind} ${lesson.measure}`}
                lesson={lesson}
              />
            ))}
          </Box>
        </>
      )}
      {setAside.length > 0 && (
        <Box mt="10">
          <Heading as="h2" fontSize="lg" mb="2">
            Set aside
          </Heading>
          {setAside
            .filter(
              ({ source }, i) => setAside.findIndex((one) => one.source.id === source.id) === i,
            )
            .map(({ source }) => (
              <SetAsideRow key={source.id} source={source} />
            ))}
        </Box>
      )}
      {swatch && <SwatchDialog onClose={() => setSwatch(false)} />}
    </Page>
  );
}
