import { Box, Grid, Text } from '@chakra-ui/react';
import type { Deed, TrailView } from '@coiled-strand/contract';
import { useTrail } from '../../../../data/api/people-queries';
import { HousePage } from '../../people/house-page';
import { sayWhen } from '../../people/when';
import { More } from '../../../../ui/shell/more';
import { Fault, Loading } from '../../../../ui/shell/states';

/** What each deed is called; `what` and `more` are put where they belong. */
const DID: Readonly<Record<Deed, (what: string, more: string) => string>> = {
  'order.added': (what) => `took in an order of ${what}`,
  'order.changed': (what) => `changed the order of ${what}`,
  'order.state': (what, more) => `set the order of ${what} to “${more.replace('-', ' ')}”`,
  'customer.exported': (what) => `saved what is kept of ${what}`,
  'customer.forgotten': () => 'forgot a customer',
  'wearer.exported': (what) => `saved what is kept of ${what}`,
  'wearer.forgotten': () => 'forgot a wearer',
  'list.removed': (what, more) => `took ${what} off the list of ${more}s`,
  'list.filled': (_, more) => `put several things on a list: ${more}`,
  'list.added': (what, more) => `put ${what} on the list of ${more}s`,
  'list.changed': (what, more) => `changed ${what} on the list of ${more}s`,
  'lot.changed': (what) => `changed what is noted of ${what}`,
  'lot.moved': (what, more) => `wrote into the ledger of ${what}: ${more.replace('-', ' ')}`,
  'cutting.added': (what) => `planned the cutting “${what}”`,
  'cutting.closed': (what) => `closed the cutting “${what}”`,
  'shopping.added': (_, more) => `put ${more} on the shopping list`,
  'shopping.ticked': () => 'ticked a line of the shopping list',
  'shopping.removed': () => 'struck a line from the shopping list',
  'shopping.arrived': (_, more) => `took in what came: ${more}`,
  'kit.added': (what) => `planned a kit of ${what}`,
  'kit.packed': (what, more) => `packed ${more} of the kit of ${what}`,
  'workshop.pricing': () => 'changed how prices are made',
  'workshop.added': () => 'began the workshop',
  'workshop.restored': () => 'put a backup in the place of the workshop',
  'workshop.backup': () => 'changed when backups are made',
  'workshop.backed-up': () => 'saved everything in a file',
  'person.signed-in': () => 'signed in',
  'person.changed': () => 'changed their name',
  'person.password': () => 'chose a new password',
  'person.invited': (_, more) => `invited a ${more}`,
  'person.uninvited': () => 'withdrew an invitation',
  'person.joined': (_, more) => `came in as ${more}`,
  'person.role': (what, more) => `made ${what} ${more}`,
  'person.link': (what) => `made a link for a new password of ${what}`,
  'person.left': (what) => `sent ${what} away`,
  'person.sessions': () => 'signed out everywhere',
};

/** Somebody did it to themselves. */
const LEFT: Deed = 'person.left';

function sentenceOf({ who, did, what, more }: TrailView): string {
  if (did === LEFT && who !== null && who === what) return 'left';
  return DID[did](what ?? 'something that is gone', more ?? '');
}

/** Who did what to orders, stash and accounts, the last first. */
export function TrailPage() {
  const trail = useTrail();
  const { items, total, error } = trail;
  return (
    <HousePage
      title="Trail"
      about="Who did what to orders, stash and accounts. Nobody can change it; names go from it with the people."
    >
      <Box>
        {error && <Fault error={error} onRetry={trail.retry} />}
        {total === undefined && !error && <Loading what="Following the trail" />}
        {total === 0 && <Text>Nothing was done yet.</Text>}
        <Box as="ol" listStyleType="none" m="0" p="0">
          {items.map((line) => (
            <Grid
              as="li"
              key={line.id}
              templateColumns={{ base: '1fr', md: '170px 1fr' }}
              gap={{ base: '0', md: '5' }}
              py="2"
              borderBottom="1px solid {colors.line}"
              data-testid="deed"
            >
              <Text color="muted" fontSize={{ base: 'sm', md: 'md' }}>
                {sayWhen(line.at)}
              </Text>
              <Text>
                <strong>{line.who ?? 'The program, or somebody who has gone,'}</strong>{' '}
                {sentenceOf(line)}
              </Text>
            </Grid>
          ))}
        </Box>
        <More list={trail} what={['line', 'lines']} />
      </Box>
    </HousePage>
  );
}
