import { Flex, Text } from '@chakra-ui/react';
import { useAbandonMake, useResumeMake } from '../../../../data/api/queries';
import { useStage } from '../../../piece/piece/stage-context';
import type { Make } from '../../make/use-make';
import { Button } from '../../../../ui/shell/button';
import { toaster } from '../../../../ui/shell/toaster';

/** The piece was edited after this make began: it goes on by the old plan, or begins anew. */
export function PlanChanged({ make }: { readonly make: Make }) {
  const { view } = useStage();
  const abandon = useAbandonMake(view.id);
  const resume = useResumeMake(view.id);
  const startOver = async (): Promise<void> => {
    await abandon.mutateAsync(make.view.id);
    toaster.create({
      title: 'That make is set aside.',
      action: { label: 'Take it up again', onClick: () => resume.mutate(make.view.id) },
    });
  };
  return (
    <Flex gap="4" align="center" flexWrap="wrap" bg="faint" borderRadius="soft" px="4" py="2">
      <Text flex="1" minW="240px">
        The piece has been changed since this make was begun. These steps follow the plan as it was.
      </Text>
      <Button onClick={() => void startOver()} disabled={abandon.isPending}>
        Set this make aside
      </Button>
      {abandon.isError && (
        <Text color="danger" role="alert">
          {abandon.error.message}
        </Text>
      )}
    </Flex>
  );
}
