import { Box, Flex, Input, Text } from '@chakra-ui/react';
import type { Evidence, Source } from '@coiled-strand/contract';
import { format } from 'date-fns';
import { useState, type FormEvent } from 'react';
import { ForMakers } from '../../../../ui/frame/for-makers';
import {
  useAddSwatch,
  useRemoveSwatch,
  useSetAside,
  useSwatches,
} from '../../../../data/api/queries';
import { Button } from '../../../../ui/shell/button';
import { toaster } from '../../../../ui/shell/toaster';
import { overModel, SURPRISING } from '../../hand/words';

interface Props {
  readonly evidence: Evidence;
  /** In standard deviations from what all others say. */
  readonly surprise: number;
}

/** One measurement that a factor rests on; what does not fit can be set aside, with the reason. */
export function EvidenceRow({ evidence: { measure, ratio, source }, surprise }: Props) {
  const [asking, setAsking] = useState(false);
  const setAside = useSetAside();
  const removeSwatch = useRemoveSwatch();
  const addSwatch = useAddSwatch();
  const swatches = useSwatches();
  // Kept for as long as the message stands, so that it can be brought back.
  const throwAway = async (): Promise<void> => {
    const among = ({ data }: Pick<typeof swatches, 'data'>) =>
      data?.find(({ id }) => id === source.id)?.swatch;
    // The list may not have come yet: what cannot be brought back must not be thrown away.
    const kept = among(swatches) ?? among(await swatches.refetch());
    await removeSwatch.mutateAsync(source.id);
    toaster.create({
      title: `${source.label} has been discarded.`,
      ...(kept
        ? { action: { label: 'Bring it back', onClick: () => addSwatch.mutate(kept) } }
        : {}),
    });
  };
  const odd = Math.abs(surprise) > SURPRISING;
  return (
    <Box py="1.5">
      <Flex gap="4" align="center" flexWrap="wrap">
        <Text w="110px" color="muted">
          {format(new Date(source.at), 'd MMM yyyy')}
        </Text>
        <Text flex="1" minW="180px">
          {source.label}
        </Text>
        <Text fontWeight="600" w="110px">
          {overModel(ratio, measure)}
        </Text>
        {odd && (
          <Text color="warn">
            Does not agree with the others: a slip of the rule, or another cord?
          </Text>
        )}
        <ForMakers>
          {' '}
          <Button aria-label={`Set ${source.label} aside`} onClick={() => setAsking(!asking)}>
            Set aside
          </Button>
          {source.from === 'swatch' && (
            <Button aria-label={`Discard ${source.label}`} onClick={() => void throwAway()}>
              Discard
            </Button>
          )}
        </ForMakers>
      </Flex>
      {asking && (
        <ReasonForm
          pending={setAside.isPending}
          error={setAside.error}
          onReason={(reason) =>
            setAside.mutate(
              { from: source.from, id: source.id, reason },
              { onSuccess: () => setAsking(false) },
            )
          }
        />
      )}
    </Box>
  );
}

interface ReasonProps {
  readonly pending: boolean;
  readonly error: Error | null;
  readonly onReason: (reason: string) => void;
}

function ReasonForm({ pending, error, onReason }: ReasonProps) {
  const [reason, setReason] = useState('');
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (reason.trim()) onReason(reason.trim());
  };
  return (
    <form onSubmit={submit}>
      <Flex gap="3" mt="2" align="center" flexWrap="wrap">
        <Input
          aria-label="Why it does not count"
          placeholder="why it does not count: a new spool, a cold evening"
          maxW="420px"
          maxLength={400}
          value={reason}
          autoFocus
          onChange={(event) => setReason(event.target.value)}
        />
        <Button type="submit" variant="solid" disabled={pending || !reason.trim()}>
          Set it aside
        </Button>
        {error && (
          <Text color="danger" role="alert">
            {error.message}
          </Text>
        )}
      </Flex>
    </form>
  );
}

/** Something that does not count, why, and the way back. */
export function SetAsideRow({ source }: { readonly source: Source }) {
  const setAside = useSetAside();
  return (
    <Flex gap="4" align="center" flexWrap="wrap" py="1.5" data-testid="set-aside">
      <Text flex="1" minW="220px">
        {source.label}, {format(new Date(source.at), 'd MMM yyyy')}: {source.setAside}
      </Text>
      <ForMakers>
        {' '}
        <Button
          aria-label={`Let ${source.label} count again`}
          disabled={setAside.isPending}
          onClick={() => setAside.mutate({ from: source.from, id: source.id, reason: null })}
        >
          Let it count again
        </Button>
      </ForMakers>
    </Flex>
  );
}
