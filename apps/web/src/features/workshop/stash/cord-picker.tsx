import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '../../../ui/shell/button';
import { CORD_KIND_FACTS, type Cord } from '@coiled-strand/core';
import { useState } from 'react';
import { useCords } from '../../../data/api/queries';
import { SelectField } from '../../../ui/fields/select-field';
import { OwnCordDialog } from './dialogs';
import { listedAs } from './listed-as';
import { StrandBadge } from '../../piece/piece/strand-badge';

const OWN = 'own';

interface Props {
  readonly role: string;
  /** Its number in the cut list, for a strand. */
  readonly number?: number;
  readonly cord: Cord;
  readonly onChange: (cord: Cord) => void;
}

/** One cord of the piece: from the list, or entered. */
export function CordPicker({ role, number, cord, onChange }: Props) {
  const { data: cords = [] } = useCords();
  const [entering, setEntering] = useState(false);
  const known = listedAs(cords, cord);
  return (
    <Flex gap="3" align="flex-start">
      {number !== undefined && (
        <Box pt="7">
          <StrandBadge number={number} cord={cord} size={34} />
        </Box>
      )}
      <Box flex="1" minW="0">
        <SelectField
          label={number === undefined ? role : `${role}, ${number}`}
          value={known?.id ?? OWN}
          options={[
            ...(known ? [] : [{ value: OWN, label: cord.name }]),
            ...cords.map((c) => ({ value: c.id, label: c.value.name })),
          ]}
          onChange={(id) => {
            const chosen = cords.find((c) => c.id === id);
            if (chosen) onChange(chosen.value);
          }}
        />
        <Flex mt="1" gap="4" align="baseline" flexWrap="wrap">
          <Text fontSize="sm" color="muted">
            {cord.diameter} mm {CORD_KIND_FACTS[cord.kind].label}, {cord.colour.name}
          </Text>
          <Button variant="text" fontSize="sm" onClick={() => setEntering(true)}>
            Enter another
          </Button>
        </Flex>
      </Box>
      {entering && (
        <OwnCordDialog
          start={cord}
          onClose={() => setEntering(false)}
          onDone={(next) => {
            onChange(next);
            setEntering(false);
          }}
        />
      )}
    </Flex>
  );
}
