import { Box, Flex } from '@chakra-ui/react';
import type { ComponentType } from 'react';
import { PANES, useSelection, type Pane } from '../../bench/selection-store';
import { Changeable, ForMakers } from '../../../../ui/frame/for-makers';
import { Button } from '../../../../ui/shell/button';
import { AddPart } from './add-part';
import { BeadsPane } from './beads-pane';
import { ClosurePane } from './closure-pane';
import { CordsPane } from './cords-pane';
import { PartPane } from './part-pane';
import { ProposePane } from './propose-pane';

const LABELS: Readonly<Record<Pane, string>> = {
  part: 'Parts',
  beads: 'Beads',
  cords: 'Cords',
  closure: 'Closure',
  propose: 'Fill to length',
};
const CONTENT: Readonly<Record<Pane, ComponentType>> = {
  part: PartPane,
  beads: BeadsPane,
  cords: CordsPane,
  closure: ClosurePane,
  propose: ProposePane,
};

/** What the piece is made of: its parts, beads, cords and closure. */
export function LayoutStage() {
  const pane = useSelection((state) => state.pane);
  const setPane = useSelection((state) => state.setPane);
  const Content = CONTENT[pane];
  return (
    <Flex direction="column" gap="6">
      <Flex gap="2" flexWrap="wrap" align="center">
        <Flex role="group" aria-label="What to lay out" gap="1" flexWrap="wrap">
          {PANES.map((id) => (
            <Button
              key={id}
              variant={id === pane ? 'solid' : 'bare'}
              aria-pressed={id === pane}
              onClick={() => setPane(id)}
            >
              {LABELS[id]}
            </Button>
          ))}
        </Flex>
        <Box flex="1" />
        <ForMakers>
          <AddPart />
        </ForMakers>
      </Flex>
      <Changeable>
        <Content />
      </Changeable>
    </Flex>
  );
}
