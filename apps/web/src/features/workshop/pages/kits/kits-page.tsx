import { Box, Flex, Link as ChakraLink, Text } from '@chakra-ui/react';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { useKits } from '../../../../data/api/week-queries';
import { Page, PageHead } from '../../../../ui/frame/page';
import { useAsked } from '../../../../ui/frame/use-asked';
import { Button } from '../../../../ui/shell/button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { NewKitDialog } from './new-kit-dialog';

/** Packs for other hands. */
export function KitsPage() {
  const kits = useKits();
  const { asked } = useAsked();
  // Coming from a piece in several sizes, a kit of these is what is wanted.
  const [planning, setPlanning] = useState(asked('piece') !== '');
  return (
    <Page>
      <PageHead title="Kits" about="Packs for other hands: cord cut, beads counted out, a card">
        <ForMakers>
          <Button variant="solid" onClick={() => setPlanning(true)}>
            <Plus size={18} /> Plan a kit
          </Button>
        </ForMakers>
      </PageHead>
      {kits.error && !kits.data ? (
        <Fault error={kits.error} onRetry={() => void kits.refetch()} />
      ) : (
        !kits.data && <Loading what="Fetching the kits" />
      )}
      {kits.data?.length === 0 && (
        <Text maxW="56ch">
          No kit yet. Choose a piece, the sizes it is for and how many packs: one cutting session,
          one picking list, a label for each and a card with the steps come out of it.
        </Text>
      )}
      {kits.data?.map(({ id, kit, packed }) => (
        <ChakraLink key={id} asChild display="block" color="ink" textDecoration="none">
          <Link to={`/kits/${id}`}>
            <Flex
              gap="4"
              py="4"
              px="3"
              mx="-3"
              align="baseline"
              borderRadius="8px"
              borderBottom="1px solid {colors.line}"
              _hover={{ bg: 'faint' }}
              data-testid="kit"
            >
              <Box flex="1" minW="0">
                <Text fontSize="lg" fontWeight="600">
                  {kit.name}
                </Text>
              </Box>
              <Text>
                {packed} of {kit.number} packed
              </Text>
            </Flex>
          </Link>
        </ChakraLink>
      ))}
      {planning && (
        <NewKitDialog
          piece={asked('piece')}
          sizes={asked('for')
            .split(',')
            .filter((id) => id !== '')}
          onClose={() => setPlanning(false)}
        />
      )}
    </Page>
  );
}
