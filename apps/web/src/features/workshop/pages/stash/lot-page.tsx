import { Box, Flex, Grid, Heading, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { LotView } from '@coiled-strand/contract';
import { useState } from 'react';
import { dayFrom } from '@coiled-strand/workshop';
import { Link, useParams } from 'react-router';
import { Changeable } from '../../../../ui/frame/for-makers';
import { useLot } from '../../../../data/api/week-queries';
import { Page, PageHead } from '../../../../ui/frame/page';
import { useCurrency } from '../../../../ui/settings/use-currency';
import { useUnits } from '../../../../ui/settings/use-units';
import { sayMoney } from '../../../../ui/fields/money';
import { TagsButton } from '../../../piece/paper/tags-button';
import { Button } from '../../../../ui/shell/button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { LotPicture } from '../../stock/lot-picture';
import { amountText, lotText, nameOf } from '../../stock/words';
import { sayDay } from '../../week/times';
import { AboutLot } from './about-lot';
import { Ledger } from './ledger';
import { MoveDialog, type Way } from './move-dialog';
import { tagOf } from './tag-of';
import { WeighDialog } from './weigh-dialog';

/** One lot: what is left of it, what can be done with it, and where the rest went. */
export function LotPage() {
  const { id = '' } = useParams();
  const lot = useLot(id);
  return (
    <Page>
      {lot.data ? (
        <Lot lot={lot.data} />
      ) : lot.error ? (
        <Fault error={lot.error} onRetry={() => void lot.refetch()} />
      ) : (
        <Loading what="Opening the drawer" />
      )}
    </Page>
  );
}

function Lot({ lot }: { readonly lot: LotView }) {
  const units = useUnits();
  const currency = useCurrency();
  const [way, setWay] = useState<Way | 'weigh' | null>(null);
  const cord = lot.thing.kind === 'cord';
  return (
    <>
      <PageHead
        title={nameOf(lot.thing)}
        about={
          <>
            {lotText(lot)}
            {lot.boughtOn !== null && `, bought on ${sayDay(dayFrom(lot.boughtOn)!)}`}
            {lot.cents !== null &&
              `, ${lot.parent === null ? 'for' : 'its share'} ${sayMoney(lot.cents, currency)}`}
            {lot.parent !== null && (
              <>
                {', '}
                <ChakraLink asChild textDecoration="underline">
                  <Link to={`/stash/${lot.parent}`}>cut from this lot</Link>
                </ChakraLink>
              </>
            )}
          </>
        }
      >
        <TagsButton title={nameOf(lot.thing)} label="Label" tags={() => [tagOf(lot, units)]} />
      </PageHead>
      <Grid templateColumns={{ base: '1fr', md: '340px 1fr' }} gap={{ base: '6', md: '10' }}>
        <Box>
          <Flex bg="bench" borderRadius="10px" align="center" justify="center" minH="180px" p="4">
            <LotPicture lot={lot} />
          </Flex>
          <Text mt="4" fontSize="3xl" fontWeight="600" lineHeight="1.1" data-testid="lot-left">
            {amountText(lot.thing, lot.left, units)}
          </Text>
          <Text color="muted">
            left of {amountText(lot.thing, lot.size, units)}
            {lot.whole && ', not begun'}
          </Text>
          <Changeable>
            <Flex gap="3" mt="5" flexWrap="wrap">
              <Button variant="solid" onClick={() => setWay('used')} disabled={lot.left <= 0}>
                Take some
              </Button>
              <Button onClick={() => setWay('found')}>
                {cord ? 'Measure anew' : 'Count anew'}
              </Button>
              <Button onClick={() => setWay('weigh')}>Weigh it</Button>
              <Button onClick={() => setWay('lost')} disabled={lot.left <= 0}>
                Lost
              </Button>
              <Button onClick={() => setWay('given-away')} disabled={lot.left <= 0}>
                Given away
              </Button>
            </Flex>
            <Box mt="8">
              <AboutLot key={lot.id} lot={lot} />
            </Box>
          </Changeable>
        </Box>
        <Box minW="0">
          <Heading as="h2" fontSize="lg" mb="3">
            Where it went
          </Heading>
          <Ledger lot={lot} />
        </Box>
      </Grid>
      {way === 'weigh' && <WeighDialog lot={lot} onClose={() => setWay(null)} />}
      {way !== null && way !== 'weigh' && (
        <MoveDialog lot={lot} way={way} onClose={() => setWay(null)} />
      )}
    </>
  );
}
