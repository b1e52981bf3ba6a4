import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import type { LotView, MadeFromDto, MakeView } from '@coiled-strand/contract';
import type { Plan } from '@coiled-strand/core';
import { needsOf, thingKey, USEFUL, worthKeeping } from '@coiled-strand/workshop';
import { Archive } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useCutFor, useFromMake, useLotsOf } from '../../../data/api/week-queries';
import { SelectField } from '../../../ui/fields/select-field';
import { TickField } from '../../../ui/fields/tick-field';
import { useUnits } from '../../../ui/settings/use-units';
import { Button } from '../../../ui/shell/button';
import { toaster } from '../../../ui/shell/toaster';
import { lotChoice } from './words';

/** Nothing of the stash: it came from somewhere else. */
const ELSEWHERE = '';

interface Props {
  readonly make: MakeView;
  readonly plan: Plan;
}

/** What a logged make was cut from goes out of the stash; what was left over and is long enough comes back. */
export function OfferOffcuts({ make, plan }: Props) {
  const units = useUnits();
  const { strands, keys } = useMemo(() => {
    const cut = needsOf(make.piece, plan).cuts.filter(({ strand }) => strand !== null);
    const cords = cut.map(({ cord }) => thingKey({ kind: 'cord', cord }));
    return { strands: cut, keys: [...new Set(cords)].sort() };
  }, [make.piece, plan]);
  const { data: lots } = useLotsOf(keys);
  const { data: cutFor } = useCutFor(make.id);
  const take = useFromMake();
  const [chosen, setChosen] = useState<Readonly<Record<number, string>>>({});
  const [thrown, setThrown] = useState<ReadonlySet<number>>(new Set());
  if (!lots || lots.length === 0 || !cutFor || !make.record) return null;
  const rows = strands.flatMap(({ strand, cord }) => {
    const key = thingKey({ kind: 'cord', cord });
    const own = lots.filter((lot) => lot.key === key);
    const record = make.record!.cords[strand! - 1];
    if (!record) return [];
    // What was cut in a session came from where it was cut.
    const session = cutFor.find((one) => one.strand === strand);
    if (own.length === 0 && !session) return [];
    const from = session?.lot ?? chosen[strand!] ?? usual(own, record.cut)?.id ?? ELSEWHERE;
    const lot = own.find(({ id }) => id === from);
    const useful = lot?.useful ?? USEFUL;
    const { kept } = worthKeeping([{ length: record.leftover }], useful);
    return [{ strand: strand!, cord, own, record, from, kept, session }];
  });
  if (rows.length === 0) return null;
  const save = (): void => {
    const cords = rows.flatMap(({ strand, record, from, kept }): MadeFromDto[] =>
      from === ELSEWHERE
        ? []
        : [
            {
              ...{ strand, lot: from, cut: record.cut },
              offcuts: thrown.has(strand) ? [] : kept.map(({ length }) => length),
            },
          ],
    );
    take.mutate(
      { make: make.id, cords },
      {
        onSuccess: (back) =>
          toaster.create({
            title:
              back.length === 0
                ? 'The stash is told.'
                : `The stash is told; ${back.length} ${back.length === 1 ? 'offcut' : 'offcuts'} came back.`,
          }),
      },
    );
  };
  if (take.isSuccess) return null;
  return (
    <Box bg="bench" borderRadius="10px" px="5" py="4" data-testid="offcuts">
      <Heading as="h3" fontSize="md" mb="2">
        What it was cut from
      </Heading>
      {rows.map(({ strand, cord, own, record, from, kept, session }) => (
        <Flex key={strand} gap="4" py="2" align="flex-end" flexWrap="wrap">
          <Box flex="1" minW="240px">
            {session ? (
              <Text pb="1">
                Cord {strand}, {cord.colour.name}: {units.cord(session.length)}, cut in “
                {session.cutting.name}”
              </Text>
            ) : (
              <SelectField
                label={`Cord ${strand}, ${cord.colour.name}: ${units.cord(record.cut)}`}
                value={from}
                options={[
                  ...own.map((lot) => ({ value: lot.id, label: lotChoice(lot, units) })),
                  { value: ELSEWHERE, label: 'Not from the stash' },
                ]}
                onChange={(id) => setChosen({ ...chosen, [strand]: id })}
              />
            )}
          </Box>
          <Box pb="1" minW="210px">
            {kept.length > 0 ? (
              <TickField
                label={`Keep the offcut of ${units.cord(record.leftover)}`}
                checked={!thrown.has(strand)}
                onChange={(keep) => {
                  const next = new Set(thrown);
                  if (keep) next.delete(strand);
                  else next.add(strand);
                  setThrown(next);
                }}
              />
            ) : (
              <Text color="muted">{units.cord(record.leftover)} left over: too short to keep</Text>
            )}
          </Box>
        </Flex>
      ))}
      <Button variant="solid" mt="3" onClick={save} disabled={take.isPending}>
        <Archive size={18} /> Tell the stash
      </Button>
      {take.error && (
        <Text color="danger" role="alert" mt="2">
          {take.error.message}
        </Text>
      )}
    </Box>
  );
}

/** The shortest lot that could have given a cut, begun ones first: it is what a maker would have taken. */
const usual = (lots: readonly LotView[], cut: number): LotView | undefined =>
  lots
    .filter(({ left }) => left >= cut)
    .sort((a, b) => Number(a.whole) - Number(b.whole) || a.left - b.left)[0];
