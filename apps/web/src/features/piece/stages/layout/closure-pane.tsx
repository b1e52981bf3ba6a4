import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import {
  CLOSURE_KINDS,
  closureKind,
  type Closure,
  type ClosureBase,
  type Piece,
} from '@coiled-strand/core';
import { memo } from 'react';
import { Link } from 'react-router';
import { listedAs } from '../../../workshop/stash/listed-as';
import { useAddFitting, useFittings } from '../../../../data/api/queries';
import { SelectField } from '../../../../ui/fields/select-field';
import { usePiece, usePiecePart } from '../../piece/piece-store';
import { useStage } from '../../piece/stage-context';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { toaster } from '../../../../ui/shell/toaster';
import { FieldInputs } from './field-inputs';
import { Passages } from '../../piece/passages';

const put = (closure: Closure): void =>
  usePiece.getState().edit((old): Piece => ({ ...old, closure }));

/** How the piece closes: what kind, from the stash or measured, and what goes wrong there. */
export function ClosurePane() {
  return (
    <Grid templateColumns={{ base: '1fr', xl: '3fr 2fr' }} gap="8">
      <ClosureForm />
      <ClosureFacts />
    </Grid>
  );
}

const OWN = 'own';
const isA = (closure: ClosureBase, type: string): boolean => closure.type === type;

const ClosureForm = memo(function ClosureForm() {
  const closure = usePiecePart((piece) => piece.closure);
  const cord = usePiecePart((piece) => piece.strands[0]?.cord);
  const { data: fittings = [] } = useFittings();
  const add = useAddFitting();
  const kind = closureKind(closure.type);
  const ofKind = fittings.filter(({ value }) => isA(value.closure, closure.type));
  const known = listedAs(
    ofKind.map(({ value, ...stored }) => ({ ...stored, value: value.closure })),
    closure,
  );
  const name = 'name' in closure ? closure.name : null;
  const keep = (): void =>
    add.mutate(
      { name: name ?? kind.entry.label, closure },
      {
        onSuccess: () =>
          toaster.create({ title: `${name ?? kind.entry.label} is saved in the drawer.` }),
      },
    );
  return (
    <Flex direction="column" gap="4">
      <SelectField
        label="How it closes"
        value={closure.type}
        options={CLOSURE_KINDS.map(({ entry }) => ({ value: entry.type, label: entry.label }))}
        onChange={(type) => {
          const own = fittings.find(({ value }) => isA(value.closure, type));
          if (own) put(own.value.closure);
          else if (cord) put(closureKind(type).make(cord) as Closure);
        }}
      />
      <Text color="muted" mt="-2">
        {kind.entry.blurb}{' '}
        <Button asChild variant="text" fontSize="inherit">
          <Link to={`/knot-book/${closure.type}`}>In the knot book</Link>
        </Button>
      </Text>
      {ofKind.length > 0 && (
        <SelectField
          label="From the drawer"
          value={known?.id ?? OWN}
          options={[
            ...(known ? [] : [{ value: OWN, label: 'Your own measurements' }]),
            ...ofKind.map(({ id, value }) => ({ value: id, label: value.name })),
          ]}
          onChange={(id) => {
            const chosen = fittings.find((fitting) => fitting.id === id);
            if (chosen) put(chosen.value.closure);
          }}
        />
      )}
      <FieldInputs
        fields={kind.fields}
        values={closure as unknown as Readonly<Record<string, unknown>>}
        now={{}}
        onChange={(key, value) => put({ ...closure, [key]: value })}
      />
      {!known && name !== null && (
        <Flex gap="4" align="center">
          <Button onClick={keep} disabled={add.isPending}>
            Save it in the drawer
          </Button>
          {add.isError && (
            <Text color="danger" role="alert" fontSize="sm">
              Not saved: {add.error.message}
            </Text>
          )}
        </Flex>
      )}
    </Flex>
  );
});

/** Sizes, what to have ready, and the mistakes people make here. */
function ClosureFacts() {
  const { piece, plan } = useStage();
  const units = useUnits();
  const kind = closureKind(piece.closure.type);
  return (
    <Flex direction="column" gap="5">
      {plan.ok && plan.fit.states.length > 0 && (
        <Box>
          <Heading as="h3" fontSize="md" mb="1">
            Sizes
          </Heading>
          {plan.fit.states.map((state) => (
            <Text key={state.id}>
              {state.label}: {units.size(state.circumference)} inside
            </Text>
          ))}
          {plan.fit.pass && (
            <Text color="muted">
              It must pass the {plan.fit.pass.what}: {units.size(plan.fit.pass.mm)}
              {plan.fit.pass.estimated && ', estimated'}
            </Text>
          )}
          {plan.closure.facts?.map((fact, i) => (
            <Text key={i}>{units.say(fact)}</Text>
          ))}
        </Box>
      )}
      {plan.ok && <Passages passages={plan.closure.passages} />}
      {plan.ok && plan.closure.needs.length > 0 && (
        <Box>
          <Heading as="h3" fontSize="md" mb="1">
            To have ready
          </Heading>
          {plan.closure.needs.map(({ id, label, count }) => (
            <Text key={id}>
              {count} × {units.say(label)}
            </Text>
          ))}
        </Box>
      )}
      <Box>
        <Heading as="h3" fontSize="md" mb="1">
          What goes wrong here
        </Heading>
        <Box as="ul" pl="5" m="0" listStyleType="disc">
          {kind.mistakes.map((mistake) => (
            <Box as="li" key={mistake} mb="1">
              {units.say(mistake)}
            </Box>
          ))}
        </Box>
      </Box>
    </Flex>
  );
}
