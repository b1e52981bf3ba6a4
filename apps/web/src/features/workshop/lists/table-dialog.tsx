import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { countOf, type LengthUnit } from '@coiled-strand/core';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { COPIED_LISTS, type CopiedListId, LISTS } from '@coiled-strand/workshop';
import { useAddSeveral, useThingsOn } from '../../../data/api/list-queries';
import { SelectField } from '../../../ui/fields/select-field';
import { useUnits } from '../../../ui/settings/use-units';
import { AskDialog } from '../../../ui/shell/ask-dialog';
import { toaster } from '../../../ui/shell/toaster';

import { listOf, readTable, type ReadRow } from './read-table';
import type { Sheet } from './sheet';

interface Props {
  /** What the file is called. */
  readonly name: string;
  readonly sheet: Sheet;
  readonly onClose: () => void;
}

const UNITS = ['mm', 'cm', 'in'] as const satisfies readonly LengthUnit[];

/** A table from elsewhere, seen row by row before what is good of it goes on to a list. */
export function TableDialog({ name, sheet, onClose }: Props) {
  const found = useMemo(() => listOf(sheet), [sheet]);
  const [list, setList] = useState<CopiedListId>(found ?? 'beads');
  const { unit } = useUnits();
  // Beads and cords are told in millimetres all over the world, wearers as the maker measures.
  const [bare, setBare] = useState<LengthUnit | null>(null);
  const usual = list === 'wearers' ? unit : 'mm';
  const add = useAddSeveral(list);
  const { data: there } = useThingsOn(list);
  const navigate = useNavigate();
  const read = useMemo(
    () =>
      readTable(
        list,
        sheet,
        bare ?? usual,
        (there ?? []).map(({ value }) => value),
      ),
    [list, sheet, bare, usual, there],
  );
  const fresh = read.rows.filter(({ value, known }) => value !== null && !known);
  const bad = read.rows.filter(({ value }) => value === null);
  const known = read.rows.filter((row) => row.known);
  const take = async (): Promise<void> => {
    await add.mutateAsync(fresh.flatMap(({ value }) => (value === null ? [] : [value])));
    toaster.create({ title: `${countOf(fresh.length, LISTS[list].one)} put on the list.` });
    onClose();
    await navigate(`/lists?list=${list}`);
  };
  return (
    <AskDialog
      title="A table for your lists"
      description={name}
      size="wide"
      action={
        fresh.length === 0
          ? 'Nothing to take'
          : `Put ${countOf(fresh.length, LISTS[list].one)} on the list`
      }
      ready={fresh.length > 0 && read.lacking.length === 0 && there !== undefined}
      doing={[add]}
      onDo={take}
      onClose={onClose}
    >
      <Flex direction="column" gap="4">
        <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
          <SelectField
            label="These are"
            value={list}
            options={COPIED_LISTS.map((id) => ({ value: id, label: LISTS[id].title }))}
            onChange={(next) => setList(COPIED_LISTS.find((id) => id === next) ?? list)}
          />
          {read.bareLengths && (
            <SelectField
              label="Lengths without a unit are in"
              value={bare ?? usual}
              options={UNITS.map((id) => ({ value: id, label: id }))}
              onChange={(next) => setBare(UNITS.find((id) => id === next) ?? null)}
            />
          )}
        </Grid>
        {read.lacking.length > 0 ? (
          <Text role="alert" color="danger">
            There is no column for {read.lacking.join(', ')}. Head one so in the table, or say what
            these are.
          </Text>
        ) : (
          <Text>
            {[
              `${fresh.length} can be taken`,
              ...(known.length > 0 ? [`${known.length} are on the list already`] : []),
              ...(bad.length > 0 ? [`${bad.length} cannot be read`] : []),
            ].join(', ')}
            .
          </Text>
        )}
        {read.strange.length > 0 && (
          <Text fontSize="sm" color="muted">
            Not read: {read.strange.join(', ')}.
          </Text>
        )}
        {read.lacking.length === 0 && <Rows rows={[...bad, ...fresh, ...known]} />}
      </Flex>
    </AskDialog>
  );
}

const stateOf = ({ value, known, faults }: ReadRow): string =>
  value === null ? faults.join(' ') : known ? 'is on the list already' : 'can be taken';

/** Rows as they were read, those with something wrong first. */
const Rows = ({ rows }: { readonly rows: readonly ReadRow[] }) => (
  <Box
    maxH="300px"
    overflowY="auto"
    tabIndex={0}
    role="region"
    aria-label="Rows of the table"
    border="1px solid {colors.line}"
    borderRadius="soft"
  >
    <Box
      as="table"
      w="full"
      css={{ borderCollapse: 'collapse', '& td, & th': { px: '3', py: '1.5' } }}
    >
      <Box as="thead" position="sticky" top="0" bg="raised" textAlign="left" fontSize="sm">
        <tr>
          <th scope="col">Line</th>
          <th scope="col">Name</th>
          <th scope="col">What becomes of it</th>
        </tr>
      </Box>
      <tbody>
        {rows.map((row) => (
          <Box as="tr" key={row.line} borderTop="1px solid {colors.line}" verticalAlign="top">
            <td>{row.line}</td>
            <td>{row.name}</td>
            <Box as="td" color={row.value === null ? 'danger' : row.known ? 'muted' : 'ink'}>
              {stateOf(row)}
            </Box>
          </Box>
        ))}
      </tbody>
    </Box>
  </Box>
);
