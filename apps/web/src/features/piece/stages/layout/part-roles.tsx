import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { runsOf, type LegRole, type Part, type Piece, type PartSite } from '@coiled-strand/core';
import { useMemo, useState } from 'react';
import { SelectField } from '../../../../ui/fields/select-field';
import { setPartField } from '../../piece/part-edits';
import { Button } from '../../../../ui/shell/button';
import { nameOfRun } from './run-name';

const OWN = 'own';
const ROLES: readonly { value: Exclude<LegRole, 'turned'>; label: string }[] = [
  { value: 'core', label: 'core, and carries beads' },
  { value: 'working', label: 'working cord' },
  { value: 'carried', label: 'carried beside the core' },
  { value: 'plaited', label: 'crosses the others' },
];

interface Props {
  readonly piece: Piece;
  readonly part: Part;
  readonly site: PartSite;
}

/** What each cord does in this part, where it differs from what it does elsewhere. */
export function PartRoles({ piece, part, site }: Props) {
  const runs = useMemo(() => runsOf(piece), [piece]);
  const [open, setOpen] = useState(part.roles !== undefined);
  if (site.runs.length < 2) return null;
  const put = (index: number, value: string): void => {
    const roles = runs.map((run): LegRole =>
      run.index === index
        ? value === OWN
          ? run.role
          : (value as LegRole)
        : (part.roles?.[run.index] ?? run.role),
    );
    const same = runs.every((run) => roles[run.index] === run.role);
    setPartField(part.id, 'roles', same ? undefined : roles);
  };
  return (
    <Box>
      <Button variant="text" aria-expanded={open} onClick={() => setOpen(!open)}>
        What each cord does here
      </Button>
      {open && (
        <Box mt="2">
          <Text fontSize="sm" color="muted" mb="2">
            Core and working cord can change places for a while: then the other colour shows.
          </Text>
          <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="3">
            {site.runs.map((run) => {
              const usual = runs[run.index]?.role;
              const own = part.roles?.[run.index];
              return (
                <Flex key={run.index}>
                  <SelectField
                    label={nameOfRun(run)}
                    value={own === undefined || own === usual ? OWN : own}
                    options={[
                      {
                        value: OWN,
                        label: `as elsewhere: ${ROLES.find((r) => r.value === usual)?.label ?? ''}`,
                      },
                      ...ROLES.filter(({ value }) => value !== usual),
                    ]}
                    onChange={(value) => put(run.index, value)}
                  />
                </Flex>
              );
            })}
          </Grid>
        </Box>
      )}
    </Box>
  );
}
