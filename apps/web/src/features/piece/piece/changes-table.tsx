import { Box, Text } from '@chakra-ui/react';
import { changes, TOPICS, type Change, type Piece, type Topic } from '@coiled-strand/core';
import { useMemo } from 'react';
import { useUnits } from '../../../ui/settings/use-units';

const TOPIC_LABELS: Readonly<Record<Topic, string>> = {
  piece: 'The piece',
  wearer: 'Who wears it, and how',
  cords: 'Cords',
  beads: 'Beads and knots at hand',
  parts: 'Parts',
  closure: 'Closure and ends',
  cutting: 'Cutting',
};

interface Props {
  readonly before: Piece;
  readonly after: Piece;
  /** What the two are called. */
  readonly heads: readonly [string, string];
}

/** Everything in which two pieces differ, told as the maker would. */
export function ChangesTable({ before, after, heads }: Props) {
  const all = useMemo(() => changes(before, after), [before, after]);
  if (all.length === 0) return <Text>They say the same in everything.</Text>;
  return (
    <Box
      as="table"
      w="full"
      css={{
        borderCollapse: 'collapse',
        tableLayout: 'fixed',
        '& th, & td': { py: '2', pr: '4', textAlign: 'left', verticalAlign: 'top' },
        '& tbody tr': { borderTop: '1px solid {colors.line}' },
        '& tbody th': { fontWeight: '400' },
        '& thead th': { fontWeight: '600' },
        '& .topic': { borderTop: 'none' },
        '& .topic th': { pt: '4', color: 'muted' },
        '& td, & th': { overflowWrap: 'anywhere' },
      }}
    >
      <thead>
        <tr>
          <th scope="col">What differs</th>
          {heads.map((head, i) => (
            <th key={i} scope="col">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      {TOPICS.filter((topic) => all.some((one) => one.topic === topic)).map((topic) => (
        <tbody key={topic}>
          <tr className="topic">
            <th scope="rowgroup" colSpan={3}>
              {TOPIC_LABELS[topic]}
            </th>
          </tr>
          {all
            .filter((one) => one.topic === topic)
            .map((change, i) => (
              <ChangeRow key={i} change={change} />
            ))}
        </tbody>
      ))}
    </Box>
  );
}

function ChangeRow({ change: { what, before, after } }: { readonly change: Change }) {
  const units = useUnits();
  return (
    <tr>
      <th scope="row">{units.say(what)}</th>
      <td>{before === null ? <Nothing /> : units.say(before)}</td>
      <td>{after === null ? <Nothing /> : units.say(after)}</td>
    </tr>
  );
}

const Nothing = () => (
  <Text as="span" color="muted">
    not there
  </Text>
);
