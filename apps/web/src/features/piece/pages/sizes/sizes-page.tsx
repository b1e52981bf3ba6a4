import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import type { PieceView } from '@coiled-strand/contract';
import {
  inSizes,
  ofSize,
  RUN,
  RUN_GIRTHS,
  type Piece,
  type Sized,
  type Wearer,
} from '@coiled-strand/core';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useAddSeveral } from '../../../../data/api/list-queries';
import { useHand, usePieceQuery, useWearers } from '../../../../data/api/queries';
import { LengthField } from '../../../../ui/fields/length-field';
import { TickField } from '../../../../ui/fields/tick-field';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { Page, PageHead } from '../../../../ui/frame/page';
import { useAsked } from '../../../../ui/frame/use-asked';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { SaveTableButton } from '../../../../ui/shell/save-table-button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { toaster } from '../../../../ui/shell/toaster';
import { rowsOf } from '../../piece/side-by-side';
import { SideBySideTable } from '../../piece/side-by-side-table';
import { SizeHead } from './size-head';

/** One design for several wearers, or in a run of sizes, side by side. */
export function SizesPage() {
  const { id = '' } = useParams();
  const query = usePieceQuery(id);
  return (
    <Page>
      {query.data ? (
        <Sizes view={query.data} />
      ) : query.error ? (
        <Fault error={query.error} onRetry={() => void query.refetch()} />
      ) : (
        <Loading what="Fetching the piece" />
      )}
    </Page>
  );
}

/** The names in a list in the address. */
const listed = (text: string): readonly string[] => (text === '' ? [] : text.split(','));

const NONE: readonly never[] = [];

/**
 * The piece for its own wearer, for others and in a run.
 *
 * @param whom ids of wearers, as they stand in the address
 */
function useSized(piece: Piece, whom: string, girths: readonly number[] | null): readonly Sized[] {
  const { data: wearers = NONE } = useWearers();
  const hand = useHand();
  return useMemo(() => {
    const ids = listed(whom);
    const others = wearers
      .filter(({ id, value }) => ids.includes(id) && value.name !== piece.wearer.name)
      .map(({ value }) => value);
    const sizes = (girths ?? []).map((girth, i) => ofSize(RUN[i]!, piece.wear.site, girth));
    return inSizes(piece, [piece.wearer, ...others, ...sizes], hand);
  }, [piece, wearers, whom, girths, hand]);
}

function Sizes({ view }: { readonly view: PieceView }) {
  const { asked, ask } = useAsked();
  const { data: wearers = [] } = useWearers();
  const units = useUnits();
  const { piece } = view;
  const { site } = piece.wear;
  const whom = asked('for');
  const chosen = listed(whom);
  const [girths, setGirths] = useState<readonly number[]>(RUN_GIRTHS[site]);
  const run = asked('run') === 'yes';
  const sized = useSized(piece, whom, run ? girths : null);
  const rows = useMemo(() => rowsOf(sized, units), [sized, units]);
  const toggle = (id: string, on: boolean): void =>
    ask('for', (on ? [...chosen, id] : chosen.filter((one) => one !== id)).join(','));
  return (
    <>
      <PageHead
        title={`${piece.name}, in sizes`}
        about="The design stays as it is; lengths, beads and cuts follow the body. Each column is a plan of its own."
      >
        <Button asChild>
          <Link to={`/pieces/${view.id}/fit`}>To the piece</Link>
        </Button>
        <SaveTableButton
          name={`${piece.name} sizes`}
          table={() => ({
            head: ['mm or pieces', ...sized.map((one) => one.piece.wearer.name)],
            rows: rows.map(({ what, values }) => [what, ...values]),
          })}
        />
      </PageHead>
      <Grid templateColumns={{ base: '1fr', lg: '260px 1fr' }} gap={{ base: '6', lg: '10' }}>
        <Flex direction="column" gap="5">
          <Box role="group" aria-label="Wearers">
            <Text fontWeight="600" mb="1">
              For whom else
            </Text>
            {wearers
              .filter(({ value }) => value.name !== piece.wearer.name)
              .map(({ id, value }) => (
                <Box key={id}>
                  <TickField
                    label={value.name}
                    checked={chosen.includes(id)}
                    onChange={(on) => toggle(id, on)}
                  />
                </Box>
              ))}
            <TickField
              label="A run: small, medium, large"
              checked={run}
              onChange={(on) => ask('run', on ? 'yes' : '')}
            />
          </Box>
          {run && <Run girths={girths} site={site} onGirths={setGirths} />}
          <Next view={view} sized={sized} chosen={chosen} />
        </Flex>
        <Box minW="0">
          {piece.wear.length !== null && (
            <Text role="note" mb="4">
              This piece has a length of its own, whoever wears it: all sizes come out alike.
            </Text>
          )}
          <SideBySideTable
            label="Sizes side by side"
            heads={sized.map((one, i) => (
              <SizeHead key={i} sized={one} own={i === 0} />
            ))}
            rows={rows}
          />
        </Box>
      </Grid>
    </>
  );
}

interface RunProps {
  readonly girths: readonly number[];
  readonly site: 'wrist' | 'ankle' | 'neck';
  readonly onGirths: (girths: readonly number[]) => void;
}

/** How large small, medium and large are; they may be kept as wearers, for kits. */
function Run({ girths, site, onGirths }: RunProps) {
  const units = useUnits();
  const keep = useAddSeveral('wearers');
  const { data: wearers = [] } = useWearers();
  const sizes: Wearer[] = RUN.map((name, i) => ofSize(`${name}, ${site}`, site, girths[i]!));
  const there = sizes.every(({ name }) => wearers.some(({ value }) => value.name === name));
  return (
    <Box>
      <Flex direction="column" gap="3">
        {RUN.map((name, i) => (
          <LengthField
            key={name}
            label={`${name}: ${site}`}
            value={girths[i]!}
            unit={units.unit}
            onChange={(girth) => onGirths(girths.map((old, j) => (j === i ? girth : old)))}
          />
        ))}
      </Flex>
      <ForMakers>
        <Button
          mt="3"
          disabled={there || keep.isPending}
          onClick={() =>
            keep.mutate(sizes, {
              onSuccess: () => toaster.create({ title: 'The run is kept among your wearers.' }),
            })
          }
        >
          Keep them as wearers
        </Button>
      </ForMakers>
      <Text fontSize="sm" color="muted" mt="2">
        About the means of women, of all and of men. Put your own in their place.
      </Text>
    </Box>
  );
}

interface NextProps {
  readonly view: PieceView;
  readonly sized: readonly Sized[];
  readonly chosen: readonly string[];
}

/** What the sizes are for: packs of a kit, or lines of an order. */
function Next({ view, sized, chosen }: NextProps) {
  const names = sized.map(({ piece }) => piece.wearer.name);
  const kit = new URLSearchParams({ piece: view.id, for: chosen.join(',') });
  const order = new URLSearchParams([
    ['piece', view.id],
    ...names.map((name): [string, string] => ['size', name]),
  ]);
  return (
    <ForMakers>
      <Flex direction="column" gap="2" align="flex-start">
        {chosen.length > 0 && (
          <Button asChild>
            <Link to={`/kits?${kit.toString()}`}>Plan a kit of these</Link>
          </Button>
        )}
        <Button asChild>
          <Link to={`/orders/new?${order.toString()}`}>Take in an order of these</Link>
        </Button>
      </Flex>
    </ForMakers>
  );
}
