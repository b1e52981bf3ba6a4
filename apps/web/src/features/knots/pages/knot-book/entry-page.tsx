import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import { usePreferences } from '../../../../ui/settings/use-preferences';
import {
  EXAMPLE_CORD,
  PART_KINDS,
  planPiece,
  sitesOf,
  swatchTechniques,
  type CordKind,
  type Part,
  type PartPlan,
  type Piece,
} from '@coiled-strand/core';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useBeads, useCords, useHand } from '../../../../data/api/queries';
import { MiniPiece } from '../../../piece/bench/mini-piece';
import { SelectField } from '../../../../ui/fields/select-field';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { NotFound } from '../../../../ui/frame/not-found';
import { Page, PageHead } from '../../../../ui/frame/page';
import { useAsked } from '../../../../ui/frame/use-asked';
import { SwatchDialog } from '../../../make/hand/swatch-dialog';
import { CordTaken, PartNumbers } from '../../../piece/piece/part-numbers';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { later } from '../../../../ui/shell/later';
import { ENTRIES, type Entry } from './entries';
import { HowEven } from './how-even';
import { Practice } from './practice';
import { onCord, type OnCord } from './shown';

const PartStill = later(() => import('../../../piece/space/part-still').then((m) => m.PartStill));

/** A page of the knot book. */
export function EntryPage() {
  const { id } = useParams();
  const entry = ENTRIES.find((one) => one.id === id);
  return entry ? <Known key={entry.id} entry={entry} /> : <NotFound />;
}

function Known({ entry }: { readonly entry: Entry }) {
  const { asked, ask } = useAsked();
  const { data: cords = [] } = useCords();
  const bead = useBeads().data?.[0]?.value;
  const { hand } = usePreferences();
  const chosen = cords.find(({ id }) => id === asked('cord')) ?? cords[0];
  const cord = chosen?.value ?? EXAMPLE_CORD;
  const shown = useMemo(() => onCord(entry, cord, bead, hand), [entry, cord, bead, hand]);
  const measured = swatchTechniques.some((kind) => kind.entry.id === entry.id);
  return (
    <Page>
      <PageHead title={entry.label} about={entry.blurb}>
        <Button asChild>
          <Link to="/knot-book">All of the book</Link>
        </Button>
      </PageHead>
      <Grid templateColumns={{ base: '1fr', lg: '3fr 2fr' }} gap={{ base: '6', lg: '10' }}>
        <Box minW="0">
          {shown && <Picture shown={shown} />}
          <Text mt="4" fontSize="lg" lineHeight="1.45" maxW="62ch">
            {entry.goodFor}
          </Text>
        </Box>
        <Flex direction="column" gap="4" minW="0">
          {cords.length > 0 && (
            <SelectField
              label="In which cord"
              value={chosen?.id ?? ''}
              options={cords.map(({ id, value }) => ({
                value: id,
                label: value.name,
              }))}
              onChange={(value) => ask('cord', value)}
            />
          )}
          {shown ? entry.group !== 'finish' && <Takes shown={shown} /> : <Cannot entry={entry} />}
        </Flex>
      </Grid>
      {shown && shown.steps.length > 0 && (
        <Section
          title="Tie along"
          about="On a practice cord, at your own pace. Space goes on, Backspace goes back; nothing of it is kept."
        >
          <Practice
            key={`${cord.kind} ${cord.name} ${cord.colour.hex}`}
            shown={shown}
            cut={entry.group !== 'finish'}
          />
        </Section>
      )}
      {measured && (
        <Section
          title="Your hand"
          about="Tie a swatch at the end and measure it: after three it is told how even your hand is."
        >
          <Measured entry={entry} kind={cord.kind} {...(chosen ? { cord: chosen.id } : {})} />
        </Section>
      )}
    </Page>
  );
}

interface SectionProps {
  readonly title: string;
  readonly about: string;
  readonly children: React.ReactNode;
}
const Section = ({ title, about, children }: SectionProps) => (
  <Box as="section" mt="10">
    <Heading as="h2" fontSize="xl">
      {title}
    </Heading>
    <Text color="muted" mb="4">
      {about}
    </Text>
    {children}
  </Box>
);

/** The part in space; a closure or an end at its piece. */
function Picture({ shown: { piece, plan, part } }: { readonly shown: OnCord }) {
  return (
    <Flex
      bg="bench"
      borderRadius="10px"
      p="4"
      minH="200px"
      align="center"
      justify="center"
      overflow="hidden"
    >
      {part ? (
        <PartStill piece={piece} plan={plan} part={part} width={560} height={190} />
      ) : (
        <MiniPiece piece={piece} height={150} />
      )}
    </Flex>
  );
}

/** The part as this maker's hand ties it; undefined while nothing is known of that. */
function useInHand(piece: Piece, part: Part | null): PartPlan | undefined {
  const hand = useHand();
  const known = hand.some(({ technique }) => technique === part?.kind);
  return useMemo(() => {
    const plan = known ? planPiece(piece, hand) : null;
    return plan?.ok ? plan.parts.find(({ id }) => id === part?.id) : undefined;
  }, [known, piece, part, hand]);
}

/** What a part takes of the cord and how large it becomes; what a closure adds. */
function Takes({ shown: { piece, plan, part } }: { readonly shown: OnCord }) {
  const planned = plan.parts.find(({ id }) => id === part?.id);
  const mine = useInHand(piece, part);
  const site = useMemo(
    () => sitesOf(piece)[piece.parts.findIndex(({ id }) => id === part?.id)],
    [piece, part],
  );
  return (
    <Box>
      <Heading as="h2" fontSize="lg" mb="1">
        What it takes
      </Heading>
      {planned ? (
        <>
          <PartNumbers part={planned} site={site} />
          {mine && (
            <Box mt="4">
              <Heading as="h3" fontSize="md" mb="1">
                In your hand
              </Heading>
              <PartNumbers part={mine} site={site} />
            </Box>
          )}
        </>
      ) : (
        <ClosureTakes piece={piece} plan={plan} />
      )}
      <Text mt="3" fontSize="sm" color="muted">
        Touch a length to see what it is made of and where each number is from.{' '}
        <Link to="/numbers" style={{ textDecoration: 'underline' }}>
          All numbers
        </Link>
      </Text>
    </Box>
  );
}

/** What a closure takes of the strands and besides them. */
function ClosureTakes({ piece, plan }: Pick<OnCord, 'piece' | 'plan'>) {
  const units = useUnits();
  const { uses, needs, facts = [] } = plan.closure;
  return (
    <>
      {needs.length > 0 && (
        <Text>{needs.map(({ count, label }) => `${count} × ${units.say(label)}`).join(', ')}</Text>
      )}
      {facts.map((fact) => (
        <Text key={units.say(fact)}>{units.say(fact)}</Text>
      ))}
      {plan.auxiliary.map((extra) => (
        <Text key={extra.id}>
          {extra.label}: {units.cord(extra.cut)}
          {extra.cord && ` of ${extra.cord.name}`}
        </Text>
      ))}
      <CordTaken
        uses={uses}
        where="the closure"
        cordOf={(strand) => piece.strands[strand - 1]?.cord}
      />
    </>
  );
}

function Cannot({ entry }: { readonly entry: Entry }) {
  const kind = PART_KINDS.find((one) => one.entry.id === entry.id);
  return (
    <Text role="note">
      {kind?.entry.needsKnot
        ? 'Draw the knot on the board first: its numbers and steps follow from the drawing.'
        : kind?.entry.needsBead
          ? 'Put a bead on your list first: it is shown and practised with that.'
          : 'It does not go with this cord. Choose another.'}
    </Text>
  );
}

interface MeasuredProps {
  readonly entry: Entry;
  readonly kind: CordKind;
  readonly cord?: string;
}
function Measured({ entry, kind, cord }: MeasuredProps) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <HowEven technique={entry.id} first={kind} />
      <ForMakers>
        <Button variant="solid" mt="4" onClick={() => setOpen(true)}>
          Measure a swatch
        </Button>
      </ForMakers>
      {open && (
        <SwatchDialog
          technique={entry.id}
          {...(cord === undefined ? {} : { cord })}
          onClose={() => setOpen(false)}
        />
      )}
    </>
  );
}
