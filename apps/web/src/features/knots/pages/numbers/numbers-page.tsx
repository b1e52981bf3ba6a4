import { Box, chakra, Heading, Text } from '@chakra-ui/react';
import {
  CORD_KIND_FACTS,
  CORD_KINDS,
  DRIFT_SPREAD,
  ENDS_SPREAD,
  KNOT_SPREAD,
  commonWorkingEnds,
  NUMBERS,
  PITCH_SPREAD,
  PLAIT_SPREAD,
  TIME_SPREAD,
} from '@coiled-strand/core';
import type { ReactNode } from 'react';
import { Page } from '../../../../ui/frame/page';
import { useUnits } from '../../../../ui/settings/use-units';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** What a hand varies, and by how much hands do. */
const SPREADS: readonly (readonly [what: string, spread: number, how: string])[] = [
  ['Cord in a knot', KNOT_SPREAD, 'common practice'],
  ['Cord in a plait', PLAIT_SPREAD, 'common practice'],
  ['Length of a knot', PITCH_SPREAD, 'assumed'],
  ['That length, from the first half of a make to the rest', DRIFT_SPREAD, 'assumed'],
  ['Time of a knot', TIME_SPREAD, 'assumed'],
  ['What fingers need of an end', ENDS_SPREAD, 'assumed'],
];

/** Every number behind a cut list: where it comes from, and how sure it is. */
export function NumbersPage() {
  const units = useUnits();
  return (
    <Page>
      <Heading as="h1" fontSize={{ base: '2xl', md: '3xl' }} lineHeight="1.1">
        Where the numbers come from
      </Heading>
      <Text color="muted" mt="1" maxW="70ch">
        A cut list says beside each length which of these it is. What you measured comes first, then
        plain geometry: the way round a bar, a bead or a wrist has no number of its own. Your own
        hand takes the place of any of them as soon as makes or swatches tell of it.
      </Text>
      <Section
        title="Computed"
        text="Ropes without friction, drawn tight in a computer until nothing overlaps and no bend is tighter than the rope allows, and then measured. Published lengths of tight knots are met within 0.3 %. In diameters of the cord as it lies drawn tight, each with how far the computing may be off. Friction, flattening and uneven pull come on top: your own factor is for those."
      >
        <Box columnCount={{ base: 1, md: 2, xl: 3 }} columnGap="10">
          {NUMBERS.map(({ of, rows }) => (
            <Table
              key={of}
              title={of}
              rows={rows.map(({ what, value, error }) => [what, value, error])}
            />
          ))}
        </Box>
      </Section>
      <Section
        title="Common practice"
        text="What fingers need of an end beyond the knot, for practised hands. What a knot takes more while it lies open is worked out from how it is tied. How wide it lies open and how much fingers hold are facts of the trade that no publication stands behind. A learner is given more, an expert less."
      >
        <Box maxW="640px">
          <Table
            title="Working ends"
            heads={['to', `in ${units.size(1)} cord`, `in ${units.size(3)} cord`]}
            rows={commonWorkingEnds().map(({ to, of1, of3 }) => [
              to,
              units.size(of1),
              units.size(of3),
            ])}
          />
        </Box>
      </Section>
      <Section
        title="How hands differ"
        text="The spread of makers and makes: two in three lie within it. The reserve of a cut list comes from it, and shrinks as your own hand is known."
      >
        <Box maxW="640px">
          <Table
            title="Spread"
            rows={SPREADS.map(([what, spread, how]) => [what, `± ${percent(spread)}`, how])}
          />
        </Box>
      </Section>
      <Section
        title="Assumed"
        text="What nobody has measured for this program yet. A swatch or a logged make will tell."
      >
        <Box maxW="640px">
          <Table
            title="Cord"
            heads={['', 'drawn tight, of its label', 'gives in a hole', 'stretches when worn in']}
            rows={CORD_KINDS.map((kind) => {
              const { label, effective, gives, stretch } = CORD_KIND_FACTS[kind];
              return [
                label,
                percent(effective),
                percent(gives),
                `${Number((stretch * 100).toFixed(1))} %`,
              ];
            })}
          />
        </Box>
      </Section>
    </Page>
  );
}

interface SectionProps {
  readonly title: string;
  readonly text: string;
  readonly children: ReactNode;
}

const Section = ({ title, text, children }: SectionProps) => (
  <Box as="section" mt="9">
    <Heading as="h2" fontSize="xl">
      {title}
    </Heading>
    <Text mt="1" mb="5" maxW="70ch">
      {text}
    </Text>
    {children}
  </Box>
);

interface TableProps {
  readonly title: string;
  readonly heads?: readonly string[];
  /** What is named, and its figures. */
  readonly rows: readonly (readonly string[])[];
}

function Table({ title, heads, rows }: TableProps) {
  return (
    <chakra.table w="full" mb="6" css={{ breakInside: 'avoid', borderCollapse: 'collapse' }}>
      <chakra.caption textAlign="left" fontWeight="600" pb="1">
        {title}
      </chakra.caption>
      {heads && (
        <thead>
          <tr>
            {heads.map((head, i) => (
              <chakra.th
                key={head}
                scope="col"
                textAlign={i === 0 ? 'left' : 'right'}
                verticalAlign="bottom"
                fontWeight="400"
                fontSize="sm"
                color="muted"
                py="1"
                pl={i === 0 ? '0' : '4'}
              >
                {head}
              </chakra.th>
            ))}
          </tr>
        </thead>
      )}
      <tbody>
        {rows.map(([what, ...figures]) => (
          <chakra.tr key={what} borderTop="1px solid {colors.line}">
            <chakra.th scope="row" textAlign="left" fontWeight="400" py="1.5">
              {what}
            </chakra.th>
            {figures.map((figure, i) => (
              <chakra.td
                key={i}
                textAlign="right"
                whiteSpace="nowrap"
                pl="4"
                minW={heads ? undefined : '84px'}
                // How sure it is stands last, where no head says otherwise.
                color={heads || i === 0 ? 'ink' : 'muted'}
                fontWeight={heads || i === 0 ? '600' : '400'}
              >
                {figure}
              </chakra.td>
            ))}
          </chakra.tr>
        ))}
      </tbody>
    </chakra.table>
  );
}
