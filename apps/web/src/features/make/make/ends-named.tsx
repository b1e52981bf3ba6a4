import { Box, Grid, Text } from '@chakra-ui/react';
import type { Saying, Step } from '@coiled-strand/core';
import { useUnits } from '../../../ui/settings/use-units';
import { Anchor, Scissors } from 'lucide-react';

/** Before a cut: the ends that stay, and those that go, each under its own sign. */
export function EndsNamed({ ends }: { readonly ends: NonNullable<Step['ends']> }) {
  return (
    <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="3" mt="4" maxW="680px">
      <Ends title="These stay" icon={<Anchor size={18} aria-hidden />} list={ends.stays} />
      <Ends title="These go" icon={<Scissors size={18} aria-hidden />} list={ends.goes} />
    </Grid>
  );
}

function Ends({
  title,
  icon,
  list,
}: {
  readonly title: string;
  readonly icon: React.ReactNode;
  readonly list: readonly Saying[];
}) {
  const { say } = useUnits();
  if (list.length === 0) return null;
  return (
    <Box border="1px solid {colors.line}" borderRadius="soft" bg="raised" px="4" py="3">
      <Text fontWeight="600" display="flex" alignItems="center" gap="2">
        {icon} {title}
      </Text>
      <Box as="ul" listStyleType="disc" m="0" mt="1" pl="5">
        {list.map((end, i) => (
          <li key={i}>{say(end)}</li>
        ))}
      </Box>
    </Box>
  );
}
