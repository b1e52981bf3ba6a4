import { useState, type ReactNode } from 'react';
import { Box, Flex, Grid, Heading, Link, Text } from '@chakra-ui/react';
import { Link as RouterLink } from 'react-router';
import { Changeable } from '../../../../ui/frame/for-makers';
import { Button } from '../../../../ui/shell/button';
import {
  END_SCHOOLS,
  END_TREATMENTS,
  closureKind,
  inSentence,
  suitsEnd,
  type AuxiliaryPlan,
  type Plan,
  type RuleBeside,
  type StrandPlan,
} from '@coiled-strand/core';
import { Printer } from 'lucide-react';
import { Choices } from '../../../../ui/fields/choices';
import { PriceForecast } from './price-forecast';
import { Confidence } from './confidence';
import { SelectField } from '../../../../ui/fields/select-field';
import { usePiece } from '../../piece/piece-store';
import { useStage } from '../../piece/stage-context';
import { Reasons } from '../../piece/reasons';
import { StrandBadge } from '../../piece/strand-badge';
import { PRACTICE_CHOICES, STEPS } from '../../../../ui/settings/cutting-choices';
import { useUnits } from '../../../../ui/settings/use-units';
import { OnPaper } from '../../paper/on-paper';
import { CordStrip } from '../../../make/make/cord-strip';
import '../../../../ui/settings/print.css';

/** Every cord with its length and the reasons for it. */
export function CutStage() {
  const { piece, plan } = useStage();
  const edit = usePiece((state) => state.edit);
  if (!plan.ok || plan.unmakeable) {
    return <Text>Fix what is listed beside this first; the cut list then appears here.</Text>;
  }
  const { cutting } = piece;
  const steps = STEPS.some((s) => s.value === cutting.step)
    ? STEPS
    : [...STEPS, { value: cutting.step, label: `${cutting.step} mm` }];
  return (
    <Flex direction="column" gap="8">
      <PrintHead plan={plan} />
      <Flex direction="column" gap="8">
        {plan.strands.map((strand) => (
          <StrandCut key={strand.number} strand={strand} />
        ))}
        {plan.auxiliary.map((cord) => (
          <AuxiliaryCut key={cord.id} cord={cord} />
        ))}
      </Flex>
      <Needs plan={plan} />
      <Comparison plan={plan} />
      <Grid className="no-print" templateColumns={{ base: '1fr', md: '3fr 2fr' }} gap="6">
        <Changeable>
          <Confidence />
        </Changeable>
        <Choices
          label="How practised your hands are"
          value={cutting.practice}
          onChange={(practice) =>
            edit((old) => ({ ...old, cutting: { ...old.cutting, practice } }))
          }
          choices={PRACTICE_CHOICES}
        />
        {plan.totals.equalCuts > plan.totals.ownCuts && <CutAlike plan={plan} />}
        <SelectField
          label="Round up to"
          value={String(cutting.step)}
          options={steps.map((s) => ({ value: String(s.value), label: s.label }))}
          onChange={(step) =>
            edit((old) => ({ ...old, cutting: { ...old.cutting, step: Number(step) } }))
          }
        />
        <Box gridColumn="1 / -1">
          <Choices
            label="How the ends will be secured"
            value={piece.ends}
            minWidth="200px"
            onChange={(ends) => edit((old) => ({ ...old, ends }))}
            choices={END_TREATMENTS.map((ends) => ({
              value: ends,
              label: END_SCHOOLS[ends].label,
              detail: piece.strands.every(({ cord }) => suitsEnd(ends, cord.kind))
                ? END_SCHOOLS[ends].because
                : 'Not for this cord: it would burn.',
            }))}
          />
        </Box>
      </Grid>
      <PriceForecast plan={plan} />
      <OnPaperButton />
    </Flex>
  );
}

/** The cut list, labels for its cords and all else on paper. */
function OnPaperButton() {
  const [open, setOpen] = useState(false);
  return (
    <Box className="no-print">
      <Button variant="solid" onClick={() => setOpen(true)}>
        <Printer size={18} /> Put it on paper
      </Button>
      {open && <OnPaper first="cut-list" onClose={() => setOpen(false)} />}
    </Box>
  );
}

/** All strands of a kind alike, or each its own; and what that saves. */
function CutAlike({ plan }: { readonly plan: Plan }) {
  const { piece } = useStage();
  const edit = usePiece((state) => state.edit);
  const units = useUnits();
  const { ownCuts, equalCuts } = plan.totals;
  return (
    <Box gridColumn="1 / -1">
      <Choices
        label="How strands of a kind are cut"
        value={piece.cutting.equal ? 'equal' : 'own'}
        minWidth="220px"
        onChange={(how) =>
          edit((old) => ({ ...old, cutting: { ...old.cutting, equal: how === 'equal' } }))
        }
        choices={[
          {
            value: 'own',
            label: 'Each to its own length',
            detail: `${units.cord(ownCuts)} of strands: saves ${units.cord(equalCuts - ownCuts)}`,
          },
          {
            value: 'equal',
            label: 'All as long as the longest',
            detail: `${units.cord(equalCuts)} of strands: measured once, and none mistaken for another`,
          },
        ]}
      />
    </Box>
  );
}

function PrintHead({ plan }: { readonly plan: Plan }) {
  const { piece } = useStage();
  const units = useUnits();
  return (
    <Box className="print-only">
      <Heading as="h1" fontSize="2xl">
        {piece.name}: cut list
      </Heading>
      <Text>
        {piece.wearer.name}
        {plan.fit.girth > 0 && `, ${piece.wear.site} ${units.size(plan.fit.girth)}`}.{' '}
        {units.size(plan.fit.length)} of work
        {plan.fit.circumference > 0 && `, closes on ${units.size(plan.fit.circumference)}`}.{' '}
        {closureKind(piece.closure.type).entry.label}.
      </Text>
    </Box>
  );
}

interface CutRowProps {
  readonly id: string | number;
  readonly badge: ReactNode;
  /** What it is for. */
  readonly role: string;
  readonly name: string;
  readonly cord: Pick<StrandPlan, 'cut' | 'reasons'>;
  /** How it lies when it is used. */
  readonly how?: string;
  readonly children?: ReactNode;
}

/** One cord of the list: what for, how long, and why. */
function CutRow({ id, badge, role, name, cord, how, children }: CutRowProps) {
  const units = useUnits();
  const cut = units.cord(cord.cut);
  return (
    <Box className="print-keep" data-testid={`cut-${id}`}>
      <Flex align="center" gap="4" flexWrap="wrap">
        <Box className="print-only tick-box" aria-hidden />
        {badge}
        <Box flex="1" minW="160px">
          <Text fontSize="sm" color="muted">
            {role}
          </Text>
          <Text fontWeight="600" lineHeight="1.2">
            {name}
          </Text>
        </Box>
        <Box textAlign={{ base: 'left', sm: 'right' }}>
          <Text fontSize="2xl" fontWeight="600" lineHeight="1.1" data-testid="cut-length">
            {cut}
          </Text>
          {how && (
            <Text fontSize="sm" color="muted">
              {how}
            </Text>
          )}
        </Box>
      </Flex>
      {children}
      <Box maxW="640px" mt="2">
        <Reasons
          reasons={cord.reasons}
          total="Sum"
          format={units.cord}
          after={{ label: 'Cut, rounded up', value: cut }}
        />
      </Box>
    </Box>
  );
}

function StrandCut({ strand }: { readonly strand: StrandPlan }) {
  const units = useUnits();
  const { number, role, cord, given, fold } = strand;
  return (
    <CutRow
      id={number}
      badge={<StrandBadge number={number} cord={cord} size={38} />}
      role={role}
      name={cord.name}
      cord={strand}
      how={
        given
          ? 'comes with the loop, not cut'
          : fold === null
            ? 'used single'
            : `fold at ${units.cord(fold)}`
      }
    >
      <CordStrip strand={strand} />
    </CutRow>
  );
}

/** A cord cut besides the strands: its colour, its length, its reasons. */
const AuxiliaryCut = ({ cord }: { readonly cord: AuxiliaryPlan }) => (
  <CutRow
    id={cord.id}
    badge={
      <Box
        w="38px"
        h="38px"
        borderRadius="round"
        border="1px solid {colors.line}"
        className="true-colour"
        style={{ background: cord.cord?.colour.hex ?? 'transparent' }}
      />
    }
    role={cord.label}
    name={cord.cord?.name ?? 'Any thin strong thread'}
    cord={cord}
  />
);

/** Beads and findings to lay out beside the cords. */
function Needs({ plan }: { readonly plan: Plan }) {
  const { beads, needs } = plan.counters;
  const units = useUnits();
  if (beads.length + needs.length === 0) return null;
  return (
    <Box className="print-keep" maxW="640px">
      <Heading as="h2" fontSize="lg" mb="2">
        To have ready
      </Heading>
      {beads.map(({ id, name, count, inHand }) => (
        <Text key={id}>
          {count} × {name}
          {inHand !== null && inHand < count && `, ${count - inHand} to buy`}
        </Text>
      ))}
      {needs.map(({ id, label, count }) => (
        <Text key={id}>
          {count} × {units.say(label)}
        </Text>
      ))}
    </Box>
  );
}

function Comparison({ plan }: { readonly plan: Plan }) {
  const units = useUnits();
  const { rules, totals } = plan;
  return (
    <Box className="print-keep" maxW="640px">
      <Text>
        <b>Altogether {units.cord(totals.cut)}.</b>{' '}
        {rules.map((rule, i) => (
          <RuleLine key={i} rule={rule} />
        ))}
      </Text>
      {totals.firstMake > 0 && (
        <Text data-testid="first-make">
          {units.cord(totals.firstMake)} of it is for a first make. Log it, and the next list asks
          for less.
        </Text>
      )}
      <Text color="muted">
        About {units.cord(totals.leftover)} will be left over: the trimmed ends, and as much of the
        reserve as your hand does not need.
      </Text>
      <Link className="no-print" asChild mt="2" textDecoration="underline">
        <RouterLink to="/numbers">Where the numbers come from</RouterLink>
      </Link>
    </Box>
  );
}

/** What a rule of thumb of the trade would cut, beside what the plan cuts. */
function RuleLine({ rule }: { readonly rule: RuleBeside }) {
  const units = useUnits();
  const { low, high, label, cut, whose } = rule;
  const less = (low + high) / 2 - cut;
  return (
    <>
      {whose === null ? 'The' : `For the ${whose} the`} rule of thumb (
      {units.say(inSentence(label))}) says {units.cord(low)}
      {high > low && ` to ${units.cord(high)}`}, which is{' '}
      {Math.abs(less) < 15
        ? 'about the same'
        : less > 0
          ? `${units.cord(less)} more`
          : `${units.cord(-less)} less`}
      , whatever the cord and tension.{' '}
    </>
  );
}
