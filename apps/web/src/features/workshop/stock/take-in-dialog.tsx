import { Box, Grid, Text } from '@chakra-ui/react';
import type { LotForm } from '@coiled-strand/contract';
import type { Thing } from '@coiled-strand/workshop';
import { useState } from 'react';
import { useTakeIn } from '../../../data/api/week-queries';
import { Choices } from '../../../ui/fields/choices';
import { CountField } from '../../../ui/fields/count-field';
import { SelectField } from '../../../ui/fields/select-field';
import { TextRow } from '../../../ui/fields/text-row';
import { AskDialog } from '../../../ui/shell/ask-dialog';
import { toaster } from '../../../ui/shell/toaster';
import { AmountField } from './amount-field';
import { boughtAs, BoughtFields, type Bought } from './bought-fields';
import { useThings } from './use-things';
import { FORM_WORDS, FORMS_OF } from './words';

const KINDS: readonly { readonly value: Thing['kind']; readonly label: string }[] = [
  { value: 'cord', label: 'Cord' },
  { value: 'bead', label: 'Beads' },
  { value: 'finding', label: 'Findings' },
];

interface Props {
  readonly onClose: () => void;
}

/** A purchase goes into the stash in one step. */
export function TakeInDialog({ onClose }: Props) {
  const takeIn = useTakeIn();
  const [kind, setKind] = useState<Thing['kind']>('cord');
  const things = useThings(kind);
  const [key, setKey] = useState('');
  const [name, setName] = useState('');
  const [form, setForm] = useState<LotForm>('spool');
  const [size, setSize] = useState<number | null>(null);
  const [lots, setLots] = useState(1);
  const [bought, setBought] = useState<Bought>({ cents: null, dyeLot: '', place: '' });
  const [boughtOn, setBoughtOn] = useState(() => new Date().toISOString().slice(0, 10));
  const [asked, setAsked] = useState(false);
  const known = things.find((one) => one.key === key) ?? things[0];
  const own = name.trim();
  const thing: Thing | undefined =
    kind === 'finding' && own !== '' ? { kind, name: own } : known?.thing;
  const missing = size === null || size <= 0;
  const choose = (next: Thing['kind']): void => {
    setKind(next);
    setKey('');
    setSize(null);
    setForm(FORMS_OF[next][0]!);
  };
  const save = async (): Promise<void> => {
    setAsked(true);
    if (!thing || missing) return;
    const taken = await takeIn.mutateAsync({
      ...{ thing, form, size, lots },
      ...boughtAs(bought),
      ...(boughtOn === '' ? {} : { boughtOn }),
    });
    toaster.create({
      title: taken.length === 1 ? 'One lot taken in.' : `${taken.length} lots taken in.`,
    });
    onClose();
  };
  return (
    <AskDialog
      onClose={onClose}
      size="wide"
      title="Take in what was bought"
      action="Put it into the stash"
      doing={[takeIn]}
      onDo={save}
    >
      <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
        <Box gridColumn="1 / -1">
          <Choices label="What it is" choices={KINDS} value={kind} onChange={choose} />
        </Box>
        <SelectField
          label={kind === 'finding' ? 'One of these' : 'Which'}
          value={known?.key ?? ''}
          options={
            things.length > 0
              ? things.map((one) => ({ value: one.key, label: one.name }))
              : [{ value: '', label: 'Nothing on the list yet' }]
          }
          onChange={setKey}
        />
        {kind === 'finding' ? (
          <TextRow
            label="or another, as the cut list calls it"
            value={name}
            maxLength={120}
            onChange={(event) => setName(event.target.value)}
          />
        ) : (
          <SelectField
            label="How it comes"
            value={form}
            options={FORMS_OF[kind].map((one) => ({ value: one, label: FORM_WORDS[one] }))}
            onChange={(value) => setForm(FORMS_OF[kind].find((one) => one === value) ?? form)}
          />
        )}
        <Box>
          <AmountField
            label={kind === 'cord' ? 'Length of one' : 'Pieces in one'}
            kind={kind}
            value={size}
            onChange={setSize}
          />
          {asked && missing && (
            <Text color="danger" fontSize="sm">
              {kind === 'cord' ? 'How long is it?' : 'How many are in it?'}
            </Text>
          )}
        </Box>
        <CountField label="How many alike" value={lots} min={1} max={100} onChange={setLots} />
        <BoughtFields kind={kind} bought={bought} onChange={setBought} />
        <TextRow
          label="Bought on"
          type="date"
          value={boughtOn}
          onChange={(event) => setBoughtOn(event.target.value)}
        />
      </Grid>
    </AskDialog>
  );
}
