import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import type { KitView, PieceView } from '@coiled-strand/contract';
import type { Wearer } from '@coiled-strand/core';
import { IdCard, PackageCheck, Scissors, Tags } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { ForMakers } from '../../../../ui/frame/for-makers';
import { useHand, usePieceQuery, useWearers } from '../../../../data/api/queries';
import { useBeginCutting, useKit, useLotsOf } from '../../../../data/api/week-queries';
import { Page, PageHead } from '../../../../ui/frame/page';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { addUp } from '../../stock/demand';
import { kitNeeds } from '../../stock/kit-needs';
import { cordLot, wantedCut } from '../../stock/supply';
import { ThingSwatch } from '../../stock/thing-swatch';
import { thingKey, thingName } from '@coiled-strand/workshop';
import { useCutPlan } from '../../week/use-cut-plan';
import { Card } from './card';
import { Labels } from './labels';
import { PackDialog } from './pack-dialog';
import '../../../../ui/settings/print.css';

/** One kit: what goes into a pack, what is packed, and the papers that go with it. */
export function KitPage() {
  const { id = '' } = useParams();
  const kit = useKit(id);
  const piece = usePieceQuery(kit.data?.kit.pieceId ?? '');
  const wearers = useWearers();
  const fault = kit.error ?? (kit.data ? piece.error : null);
  return (
    <Page>
      {kit.data && piece.data && wearers.data ? (
        <Kit
          view={kit.data}
          piece={piece.data}
          wearers={wearers.data
            .filter((one) => kit.data.kit.sizes.includes(one.id))
            .map(({ value }) => value)}
        />
      ) : fault ? (
        <Fault error={fault} onRetry={() => void kit.refetch()} />
      ) : (
        <Loading what="Fetching the kit" />
      )}
    </Page>
  );
}

interface Props {
  readonly view: KitView;
  readonly piece: PieceView;
  readonly wearers: readonly Wearer[];
}

function Kit({ view, piece, wearers }: Props) {
  const units = useUnits();
  const hand = useHand();
  const navigate = useNavigate();
  const { kit, packed } = view;
  const left = kit.number - packed;
  const { needs, unfit } = useMemo(
    () => kitNeeds(piece.piece, wearers, hand),
    [piece.piece, wearers, hand],
  );
  const demand = useMemo(
    () => addUp([{ wish: { id: 'kit', pieceId: piece.id, name: kit.name, number: left }, needs }]),
    [needs, piece.id, kit.name, left],
  );
  const keys = useMemo(
    () => [...demand.cords.keys(), ...demand.things.map(({ key }) => key)].sort(),
    [demand],
  );
  const { data: stock } = useLotsOf(keys);
  const cuts = useMemo(
    () => (demand.cuts.length > 0 ? demand.cuts.map((cut) => wantedCut(cut, true)) : null),
    [demand],
  );
  const lots = useMemo(
    () => stock?.filter(({ thing }) => thing.kind === 'cord').map(cordLot),
    [stock],
  );
  const { plan, busy } = useCutPlan(cuts, lots, 6);
  const begin = useBeginCutting();
  const [doing, setDoing] = useState<'pack' | 'labels' | 'card' | null>(null);
  const cut = async (): Promise<void> => {
    if (!plan) return;
    const session = await begin.mutateAsync({
      name: `${kit.name}: ${left} packs`,
      cuts: [...demand.cuts],
      lots: plan.lots.map(({ lot, cuts: own }) => ({ lot, cuts: own.map(({ id }) => id) })),
      proof: plan.proof,
      oneDyeLot: true,
    });
    await navigate(`/cutting/${session.id}`);
  };
  if (doing === 'labels') {
    return <Labels kit={kit} needs={needs} onBack={() => setDoing(null)} />;
  }
  if (doing === 'card') {
    return (
      <Card
        piece={piece.piece}
        kit={kit}
        wearers={wearers}
        needs={needs}
        onBack={() => setDoing(null)}
      />
    );
  }
  return (
    <>
      <PageHead
        title={kit.name}
        about={`${piece.piece.name} for ${wearers.map(({ name }) => name).join(', ')}; ${packed} of ${kit.number} packed`}
      >
        <Button onClick={() => setDoing('labels')}>
          <Tags size={18} /> Labels
        </Button>
        <Button onClick={() => setDoing('card')}>
          <IdCard size={18} /> Card
        </Button>
        <ForMakers>
          {' '}
          <Button
            onClick={() => void cut()}
            disabled={left === 0 || !plan || busy || begin.isPending}
          >
            <Scissors size={18} /> Cut for {left}
          </Button>
          <Button variant="solid" onClick={() => setDoing('pack')} disabled={left === 0}>
            <PackageCheck size={18} /> Packs are filled
          </Button>
        </ForMakers>
      </PageHead>
      {unfit.length > 0 && (
        <Text color="warn" mb="4">
          Cannot be made for {unfit.join(', ')} as it is: open the piece and look at its warnings.
        </Text>
      )}
      {plan && !busy && plan.uncut.length > 0 && (
        <Text color="warn" mb="4">
          {plan.uncut.length} of {demand.cuts.length} cuts cannot be made from what is there.
        </Text>
      )}
      <Heading as="h2" fontSize="lg" mb="2">
        In one pack
      </Heading>
      <Box maxW="760px">
        {needs.cuts.map(({ id, role, cord, length, fold }) => (
          <Flex key={id} gap="3" py="2" align="center" borderBottom="1px solid {colors.line}">
            <ThingSwatch thing={{ kind: 'cord', cord }} />
            <Text fontWeight="600" w="120px">
              {units.cord(length)}
            </Text>
            <Text flex="1">
              {cord.name}, {cord.colour.name}: {role.toLowerCase()}
              {fold !== null && `, folded at ${units.cord(fold)}`}
            </Text>
          </Flex>
        ))}
        {needs.things.map(({ thing, count }) => {
          const there = (stock ?? [])
            .filter(({ key }) => key === thingKey(thing))
            .reduce((sum, lot) => sum + lot.left, 0);
          return (
            <Flex
              key={thingKey(thing)}
              gap="3"
              py="2"
              align="center"
              borderBottom="1px solid {colors.line}"
            >
              <ThingSwatch thing={thing} />
              <Text fontWeight="600" w="120px">
                {count} ×
              </Text>
              <Text flex="1">{thingName(thing)}</Text>
              <Text color={there < count * left ? 'warn' : 'muted'} fontSize="sm">
                {there} in the stash, {count * left} wanted
              </Text>
            </Flex>
          );
        })}
      </Box>
      {begin.error && (
        <Text color="danger" role="alert" mt="4">
          {begin.error.message}
        </Text>
      )}
      {doing === 'pack' && (
        <PackDialog view={view} needs={needs} stock={stock ?? []} onClose={() => setDoing(null)} />
      )}
    </>
  );
}
