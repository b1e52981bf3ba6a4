import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import { Button } from '../../../../ui/shell/button';
import {
  EASE_LABELS,
  EASE_RULES,
  sameDocument,
  easeAmount,
  handGirth,
  type EaseRule,
  type Wearer,
} from '@coiled-strand/core';
import { memo } from 'react';
import { useAddWearer, useChangeWearer, useWearers } from '../../../../data/api/queries';
import { Choices } from '../../../../ui/fields/choices';
import { LengthField } from '../../../../ui/fields/length-field';
import { SelectField } from '../../../../ui/fields/select-field';
import { TextField } from '../../../../ui/fields/text-field';
import { TickField } from '../../../../ui/fields/tick-field';
import { usePiece, usePiecePart } from '../../piece/piece-store';
import { useStage } from '../../piece/stage-context';
import { Reasons } from '../../piece/reasons';
import { useUnits } from '../../../../ui/settings/use-units';
import { toaster } from '../../../../ui/shell/toaster';
import { WearFields } from './wear-fields';

const OWN = 'own';

/** Who wears it, how tight, and what length follows. */
export function FitStage() {
  const { plan } = useStage();
  const units = useUnits();
  return (
    <Grid templateColumns={{ base: '1fr', xl: 'minmax(0, 1fr) minmax(0, 1fr)' }} gap="10">
      <Flex direction="column" gap="7">
        <WearerFields />
        <WearFields />
        <EaseFields />
      </Flex>
      <Flex direction="column" gap="7">
        {plan.ok && (
          <Box>
            <Heading as="h2" fontSize="lg" mb="2">
              From the body to the work
            </Heading>
            {plan.fit.targetReasons.length > 0 && (
              <Box mb="4">
                <Reasons
                  reasons={plan.fit.targetReasons}
                  total="Inside circumference"
                  format={units.size}
                />
              </Box>
            )}
            <Reasons
              reasons={plan.fit.lengthReasons}
              total={plan.fit.filled ? 'Length of the work' : 'The fit asks for'}
              format={units.size}
              {...(plan.fit.filled
                ? {}
                : { after: { label: 'As it is', value: units.size(plan.fit.length) } })}
            />
          </Box>
        )}
      </Flex>
    </Grid>
  );
}

const OTHER_GIRTHS = [
  { key: 'ankle', label: 'Ankle girth' },
  { key: 'neck', label: 'Neck girth' },
  { key: 'head', label: 'Head girth' },
] as const;

const WearerFields = memo(function WearerFields() {
  const wearer = usePiecePart((piece) => piece.wearer);
  const units = useUnits();
  const edit = usePiece((state) => state.edit);
  const { data: wearers = [] } = useWearers();
  const add = useAddWearer();
  const change = useChangeWearer();
  const set = (more: Partial<Wearer>): void =>
    edit((piece) => ({ ...piece, wearer: { ...piece.wearer, ...more } }));
  const known = wearers.find((w) => w.id === wearer.origin);
  const same = known !== undefined && sameDocument(known.value, wearer);
  // Under another name it is somebody else, whose measures are another's no more.
  const rename = (name: string): void => set({ name, origin: undefined });
  const hand = handGirth(wearer.wrist, wearer.hand);
  const remember = async (): Promise<void> => {
    const { value } = known
      ? await change.mutateAsync({ id: known.id, seen: known, wanted: wearer })
      : await add.mutateAsync(wearer);
    set({ origin: value.origin });
    toaster.create({ title: `${wearer.name} is saved among your wearers.` });
  };
  const fault = add.error ?? change.error;
  return (
    <Box>
      <Heading as="h2" fontSize="lg" mb="3">
        Who wears it
      </Heading>
      <Grid templateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="4">
        <SelectField
          label="Wearer"
          value={known?.id ?? OWN}
          options={[
            ...(known ? [] : [{ value: OWN, label: wearer.name }]),
            ...wearers.map((w) => ({
              value: w.id,
              label: `${w.value.name}, ${units.size(w.value.wrist)}`,
            })),
          ]}
          onChange={(id) => {
            const chosen = wearers.find((w) => w.id === id);
            if (chosen) edit((piece) => ({ ...piece, wearer: chosen.value }));
          }}
        />
        <TextField label="Name" required value={wearer.name} onChange={rename} />
        <LengthField
          label="Wrist girth, bare"
          value={wearer.wrist}
          unit={units.unit}
          onChange={(wrist) => set({ wrist })}
          hint="7 1/4 in, 18.3 cm, 183mm"
        />
        <LengthField
          label="Hand girth, if known"
          value={wearer.hand ?? null}
          unit={units.unit}
          placeholder={`about ${units.size(hand.mm)}, estimated`}
          onChange={(girth) => set({ hand: girth })}
          onClear={() => set({ hand: undefined })}
        />
        {OTHER_GIRTHS.map(({ key, label }) => (
          <LengthField
            key={key}
            label={label}
            value={wearer[key] ?? null}
            unit={units.unit}
            placeholder="if known"
            onChange={(girth) => set({ [key]: girth })}
            onClear={() => set({ [key]: undefined })}
          />
        ))}
        <TextField
          label="Sensitive to"
          value={wearer.allergy ?? ''}
          onChange={(allergy) => set({ allergy: allergy === '' ? undefined : allergy })}
        />
      </Grid>
      <Flex mt="4" gap="5" align="center" flexWrap="wrap" minH="40px">
        <TickField
          label="A child"
          checked={wearer.child ?? false}
          onChange={(child) => set({ child })}
        />
        {!same && (
          <Button variant="text" onClick={() => void remember()}>
            {known ? `Save these for ${wearer.name}` : `Save ${wearer.name} as a wearer`}
          </Button>
        )}
      </Flex>
      {fault && (
        <Text color="danger" role="alert" fontSize="sm">
          Not kept: {fault.message}
        </Text>
      )}
    </Box>
  );
});

const EASE_DETAILS: Readonly<Record<EaseRule, string>> = {
  snug: 'does not turn',
  'half-inch': 'close, moves a little',
  'three-quarters': 'easy',
  'two-fingers': 'usual under a buckle',
  own: 'as measured',
};

const EaseFields = memo(function EaseFields() {
  const ease = usePiecePart((piece) => piece.ease);
  const units = useUnits();
  const edit = usePiece((state) => state.edit);
  return (
    <Box>
      <Heading as="h2" fontSize="lg" mb="3">
        How much room
      </Heading>
      <Choices
        label="Added to the girth"
        value={ease.rule}
        minWidth="138px"
        choices={EASE_RULES.map((rule) => ({
          value: rule,
          label: EASE_LABELS[rule],
          detail:
            rule === 'own'
              ? EASE_DETAILS[rule]
              : `${units.size(easeAmount({ rule }))}, ${EASE_DETAILS[rule]}`,
        }))}
        onChange={(rule) =>
          edit((old) => ({
            ...old,
            ease: rule === 'own' ? { rule, amount: easeAmount(safe(old.ease)) } : { rule },
          }))
        }
      />
      {ease.rule === 'own' && (
        <Box mt="4" maxW="240px">
          <LengthField
            label="Room"
            value={ease.amount ?? null}
            unit={units.unit}
            onChange={(amount) => edit((old) => ({ ...old, ease: { rule: 'own', amount } }))}
          />
        </Box>
      )}
    </Box>
  );
});

/** A file may say "own" without an amount; the field then starts from two fingers. */
const safe = (ease: { rule: EaseRule; amount?: number }) =>
  ease.rule === 'own' && ease.amount === undefined ? ({ rule: 'two-fingers' } as const) : ease;
