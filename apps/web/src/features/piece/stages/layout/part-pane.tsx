import { Box, chakra, Flex, Heading, Text } from '@chakra-ui/react';
import {
  partKind,
  sitesOf,
  type Part,
  type PartPlan,
  type Piece,
  type PlanResult,
} from '@coiled-strand/core';
import { ArrowLeft, ArrowRight, Copy, FlipHorizontal2, Repeat, Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useSelection } from '../../bench/selection-store';
import { counted } from '../../piece/counts';
import {
  appendBead,
  partActions,
  repeatPair,
  setPartBead,
  setPartKnot,
  setPartField,
} from '../../piece/part-edits';
import { PartNumbers } from '../../piece/part-numbers';
import { useStage } from '../../piece/stage-context';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { later } from '../../../../ui/shell/later';
import { ToolButton } from '../../../../ui/shell/tool-button';
import { FieldInputs } from './field-inputs';
import { PartRoles } from './part-roles';

const PartStill = later(() => import('../../space/part-still').then((m) => m.PartStill));
const Loom = later(() => import('../../loom/loom').then((m) => m.Loom), 'Setting up the loom');

/** The selected part: its numbers with their reasons, and everything that can be set. */
export function PartPane() {
  const { piece, plan } = useStage();
  const selected = useSelection((state) => state.part);
  const index = useMemo(() => {
    const at = piece.parts.findIndex((part) => part.id === selected);
    return at >= 0 ? at : piece.parts.length === 1 ? 0 : -1;
  }, [piece.parts, selected]);
  const part = piece.parts[index];
  if (!part) return <PartList piece={piece} plan={plan} />;
  return (
    <Inspector
      piece={piece}
      part={part}
      index={index}
      planned={plan.ok ? plan.parts[index] : undefined}
    />
  );
}

/** Nothing is selected yet: the piece from one end to the other, each part with its picture, to be taken up. */
function PartList({ piece, plan }: { readonly piece: Piece; readonly plan: PlanResult }) {
  const select = useSelection((state) => state.select);
  const units = useUnits();
  if (piece.parts.length === 0) {
    return <Text>There is nothing between the ends yet. Add the first part.</Text>;
  }
  return (
    <Box>
      <Text mb="3">Tap a part on the bench, or here, to see its numbers and to change it.</Text>
      <Box as="ol" listStyleType="none" m="0" p="0" maxW="560px">
        {piece.parts.map((part, i) => {
          const planned = plan.ok ? plan.parts[i] : undefined;
          return (
            <Box as="li" key={part.id} borderBottom="1px solid {colors.line}">
              <Row onClick={() => select(part.id)}>
                <Text as="span" color="muted" w="22px" textAlign="right">
                  {i + 1}
                </Text>
                {plan.ok && (
                  <PartStill piece={piece} plan={plan} part={part} width={132} height={48} />
                )}
                <Box as="span" flex="1" minW="0">
                  {partKind(part.kind).entry.label}
                  {planned && planned.layout.unitName !== 'stretch' && (
                    <Text as="span" display="block" color="muted" fontSize="sm">
                      {counted(planned.layout.units, planned.layout.unitName)}
                    </Text>
                  )}
                </Box>
                {planned && <Text as="span">{units.size(planned.layout.length)}</Text>}
              </Row>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

const Row = chakra('button', {
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '4',
    w: '100%',
    minH: '64px',
    px: '2',
    textAlign: 'left',
    cursor: 'pointer',
    borderRadius: 'soft',
    _hover: { bg: 'chalkFaint' },
  },
});

interface InspectorProps {
  readonly piece: Piece;
  readonly part: Part;
  readonly index: number;
  readonly planned: PartPlan | undefined;
}

function Inspector({ piece, part, index, planned }: InspectorProps) {
  const kind = partKind(part.kind);
  const site = useMemo(() => sitesOf(piece)[index], [piece, index]);
  const values = part as unknown as Readonly<Record<string, unknown>>;
  return (
    <Flex direction="column" gap="5" data-testid="inspector">
      <Flex align="center" gap="2" flexWrap="wrap">
        <Heading as="h2" fontSize="lg" flex="1" minW="160px">
          {kind.entry.label}{' '}
          <Text as="span" color="muted" fontWeight="400" fontSize="md" ml="1">
            part {index + 1} of {piece.parts.length}
          </Text>
        </Heading>
        <Button asChild variant="text" fontSize="sm">
          <Link to={`/knot-book/${part.kind}`}>In the knot book</Link>
        </Button>
        <Actions id={part.id} index={index} count={piece.parts.length} />
      </Flex>
      {part.kind === 'knotted-floss' && <Loom key={part.id} id={part.id} />}
      {planned && <PartNumbers part={planned} site={site} />}
      <FieldInputs
        fields={kind.fields}
        values={values}
        now={planned ? { length: planned.layout.length, units: planned.layout.units } : {}}
        runs={site?.runs ?? []}
        onChange={(key, value) => setPartField(part.id, key, value)}
        onBead={(key, bead) => setPartBead(part.id, key, bead)}
        onKnot={(key, knot) => setPartKnot(part.id, key, knot)}
        onAppendBead={(bead) => appendBead(part.id, bead)}
      />
      {site && <PartRoles piece={piece} part={part} site={site} />}
    </Flex>
  );
}

interface ActionsProps {
  readonly id: string;
  readonly index: number;
  readonly count: number;
}

function Actions({ id, index, count }: ActionsProps) {
  const { move, duplicate, mirror, remove } = partActions;
  return (
    <Flex role="group" aria-label="This part">
      <ToolButton
        label="Move towards the start"
        hotkey="Shift ←"
        disabled={index === 0}
        onClick={() => move(id, index - 1)}
      >
        <ArrowLeft size={18} />
      </ToolButton>
      <ToolButton
        label="Move towards the end"
        hotkey="Shift →"
        disabled={index === count - 1}
        onClick={() => move(id, index + 1)}
      >
        <ArrowRight size={18} />
      </ToolButton>
      <ToolButton label="Duplicate" hotkey="D" onClick={() => duplicate(id)}>
        <Copy size={17} />
      </ToolButton>
      <ToolButton
        label="Repeat with the part before it"
        disabled={index === 0}
        onClick={() => repeatPair(id, 1)}
      >
        <Repeat size={17} />
      </ToolButton>
      <ToolButton
        label="Mirror what comes before it on its other side"
        hotkey="R"
        onClick={() => mirror(id)}
      >
        <FlipHorizontal2 size={18} />
      </ToolButton>
      <ToolButton label="Delete" hotkey="Del" onClick={() => remove(id)}>
        <Trash2 size={17} />
      </ToolButton>
    </Flex>
  );
}
