import { Box, Flex, Text } from '@chakra-ui/react';
import {
  pluralOf,
  sumOf,
  type Cord,
  type PartPlan,
  type PartSite,
  type Reason,
  type Use,
} from '@coiled-strand/core';
import { useMemo } from 'react';
import { useUnits } from '../../../ui/settings/use-units';
import { Answer } from './answers';
import { Passages } from './passages';

/** What is taken of each strand, with the same codes together. */
function reasonsByStrand(uses: readonly Use[]): Map<number, Reason[]> {
  const out = new Map<number, Reason[]>();
  for (const { strand, reason } of uses) {
    const own = out.get(strand) ?? [];
    const at = own.findIndex((r) => r.code === reason.code);
    const old = own[at];
    if (old) own[at] = { ...old, mm: old.mm + reason.mm };
    else {
      const { times: _times, ...plain } = reason;
      own.push(plain);
    }
    out.set(strand, own);
  }
  return out;
}

interface NumbersProps {
  readonly part: PartPlan;
  readonly site: PartSite | undefined;
}

/** Whether its units follow each other along the work; those of a band lie side by side as well. */
const oneByOne = ({ layout }: PartPlan): boolean =>
  Math.abs(layout.units * layout.pitch - layout.length) < layout.pitch;

/** Length, cross-section and cord of the part. */
export function PartNumbers({ part, site }: NumbersProps) {
  const units = useUnits();
  const { layout } = part;
  const mm = (value: number): string => `${Number(value.toFixed(1))} mm`;
  return (
    <Box>
      <Text>
        {units.say(`${mm(layout.length)} long`)}, {mm(layout.width)} wide, {mm(layout.thickness)}{' '}
        thick
        {layout.units > 1 &&
          `; ${layout.units} ${pluralOf(layout.unitName)}${oneByOne(part) ? `, one every ${mm(layout.length / layout.units)}` : ''}`}
      </Text>
      <Passages passages={layout.passages} />
      <CordTaken
        uses={layout.uses}
        where="this part"
        cordOf={(strand) => site?.runs.find((run) => run.strand === strand)?.cord}
      />
    </Box>
  );
}

interface CordTakenProps {
  readonly uses: readonly Use[];
  /** What takes it: 'this part'. */
  readonly where: string;
  readonly cordOf: (strand: number) => Cord | undefined;
}

/** What is taken of each strand, each length with the sum that it is. */
export function CordTaken({ uses, where, cordOf }: CordTakenProps) {
  const units = useUnits();
  const cords = useMemo(() => reasonsByStrand(uses), [uses]);
  return (
    <Flex gap="6" flexWrap="wrap" mt="1">
      {[...cords].map(([strand, reasons]) => {
        const cord = cordOf(strand);
        return (
          <Box key={strand} minW="190px">
            <Answer
              label={`Cord in ${where}`}
              value={units.cord(sumOf(reasons))}
              reasons={reasons}
              total={`In ${where}`}
              format={units.cord}
              {...(cord ? { strand: { number: strand, cord } } : {})}
            />
          </Box>
        );
      })}
    </Flex>
  );
}
