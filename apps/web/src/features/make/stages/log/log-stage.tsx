import { Flex, Text } from '@chakra-ui/react';
import { Link } from 'react-router';
import { useLogged } from '../../../../data/api/lists';
import { More } from '../../../../ui/shell/more';
import { useStage } from '../../../piece/piece/stage-context';
import { Button } from '../../../../ui/shell/button';
import { LogForm } from './log-form';
import { Logged } from './logged';

/** What came of it: measured, beside what was predicted. */
export function LogStage() {
  const { make, makeComes, view } = useStage();
  const logged = useLogged(view.id);
  return (
    <Flex direction="column" gap="10" maxW="980px">
      {make ? (
        <LogForm
          key={make.view.id}
          make={make.view}
          plan={make.plan}
          open={make.total - make.done}
        />
      ) : (
        !makeComes &&
        logged.total === 0 && (
          <Flex direction="column" gap="4" align="flex-start">
            <Text>
              This piece has not been made yet. After the first make, what was left over and how
              long it took is written here, and the next cut list can be trusted more.
            </Text>
            <Button asChild>
              <Link to={`/pieces/${view.id}/make`}>To Make</Link>
            </Button>
          </Flex>
        )
      )}
      {logged.items.map((entry) => (
        <Logged key={entry.id} entry={entry} />
      ))}
      <More list={logged} what={['make', 'makes']} />
    </Flex>
  );
}
