import { Flex, Text } from '@chakra-ui/react';
import { Plus } from 'lucide-react';
import { useSearchParams } from 'react-router';
import { useBeginMake, useMakes } from '../../../../data/api/queries';
import { MAKE_PARAM, type Make } from '../../make/use-make';
import { useStage } from '../../../piece/piece/stage-context';
import { Button } from '../../../../ui/shell/button';

/** Makes of one piece side by side: which of them is on the table, and one more. */
export function MakesUnderWay({ make }: { readonly make: Make }) {
  const { view } = useStage();
  const { data: makes = [] } = useMakes(view.id);
  const [, setSearch] = useSearchParams();
  const begin = useBeginMake(view.id);
  const follow = (id: string): void =>
    setSearch((old) => {
      const next = new URLSearchParams(old);
      next.set(MAKE_PARAM, id);
      return next;
    });
  const open = [...makes].reverse();
  return (
    <Flex gap="2" align="center" flexWrap="wrap">
      {open.length > 1 && (
        <Flex role="group" aria-label="Makes under way" gap="2" flexWrap="wrap">
          {open.map((one) => {
            const here = one.id === make.view.id;
            const done = here ? make.done : one.reached.done;
            const share = Math.round((done / one.reached.total) * 100);
            return (
              <Button
                key={one.id}
                aria-pressed={here}
                minH="44px"
                variant={here ? 'solid' : 'line'}
                onClick={() => follow(one.id)}
              >
                Make {one.number}
                <Text as="span" fontWeight="400">
                  {share} %
                </Text>
              </Button>
            );
          })}
        </Flex>
      )}
      <Button
        variant="bare"
        minH="44px"
        disabled={begin.isPending}
        title="Begin another make of this piece beside this one"
        onClick={() =>
          begin.mutate({ beside: true }, { onSuccess: (another) => follow(another.id) })
        }
      >
        <Plus size={18} /> One more
      </Button>
      {begin.isError && (
        <Text color="danger" role="alert">
          {begin.error.message}
        </Text>
      )}
    </Flex>
  );
}
