import { Box, Flex, Heading, Link as ChakraLink, Text } from '@chakra-ui/react';
import type { CuttingSummary } from '@coiled-strand/contract';
import { Scissors } from 'lucide-react';
import { Link } from 'react-router';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { serverNow } from '../../../../data/api/clock';
import { useWorkshop } from '../../../../data/api/queries';
import { useCuttings } from '../../../../data/api/week-queries';
import { Page, PageHead } from '../../../../ui/frame/page';
import { Button } from '../../../../ui/shell/button';
import { More } from '../../../../ui/shell/more';
import { Fault, Loading } from '../../../../ui/shell/states';
import { sayMoment } from '../../week/times';

/** Cutting sessions: those that are open, and what was cut before. */
export function CuttingPage() {
  const cuttings = useCuttings();
  const { items, total, error } = cuttings;
  const open = items.filter(({ closedAt }) => closedAt === null);
  const closed = items.filter(({ closedAt }) => closedAt !== null);
  return (
    <Page>
      <PageHead title="Cutting" about="Which cut from which lot, for several pieces at once">
        <ForMakers>
          <Button variant="solid" asChild>
            <Link to="/cutting/new">
              <Scissors size={18} /> Plan a session
            </Link>
          </Button>
        </ForMakers>
      </PageHead>
      {error ? (
        <Fault error={error} onRetry={cuttings.retry} />
      ) : (
        total === undefined && <Loading what="Looking at the board" />
      )}
      {total === 0 && (
        <Text maxW="56ch">
          Choose pieces and how many of each: the cuts are laid over the spools and offcuts that you
          have, so that least is wasted and few whole spools are begun. Each cut that you tick goes
          into the ledger of its lot.
        </Text>
      )}
      {open.length > 0 && <Sessions title="On the board" sessions={open} />}
      {closed.length > 0 && <Sessions title="Done" sessions={closed} />}
      <More list={cuttings} what={['session', 'sessions']} />
    </Page>
  );
}

interface SessionsProps {
  readonly title: string;
  readonly sessions: readonly CuttingSummary[];
}

function Sessions({ title, sessions }: SessionsProps) {
  const zone = useWorkshop().data?.week.zone ?? 'UTC';
  return (
    <Box mb="8">
      <Heading as="h2" fontSize="lg" mb="2">
        {title}
      </Heading>
      {sessions.map(({ id, name, at, cuts, made }) => (
        <ChakraLink key={id} asChild display="block" color="ink" textDecoration="none">
          <Link to={`/cutting/${id}`}>
            <Flex
              gap="4"
              py="3"
              px="3"
              mx="-3"
              align="center"
              borderRadius="8px"
              _hover={{ bg: 'faint' }}
            >
              <Box flex="1" minW="0">
                <Text fontSize="lg" fontWeight="600">
                  {name}
                </Text>
                <Text color="muted" fontSize="sm">
                  {sayMoment(Date.parse(at), zone, serverNow())}
                </Text>
              </Box>
              <Text>
                {made} of {cuts} cut
              </Text>
            </Flex>
          </Link>
        </ChakraLink>
      ))}
    </Box>
  );
}
