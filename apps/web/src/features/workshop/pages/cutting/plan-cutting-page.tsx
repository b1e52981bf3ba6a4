import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import type { CuttingSessionDto } from '@coiled-strand/contract';
import type { CutPlan } from '@coiled-strand/workshop';
import { Scissors, Square } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { useHand } from '../../../../data/api/queries';
import { useAllPieces, useBeginCutting, useLotsOf } from '../../../../data/api/week-queries';
import { TickField } from '../../../../ui/fields/tick-field';
import { TextRow } from '../../../../ui/fields/text-row';
import { Page, PageHead } from '../../../../ui/frame/page';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { Loading } from '../../../../ui/shell/states';
import { CutBars } from '../../stock/cut-bars';
import { demandOf, type Wish } from '../../stock/demand';
import { PickPieces } from '../../stock/pick-pieces';
import { cordLot, wantedCut } from '../../stock/supply';
import { useOrderedWishes } from '../../stock/use-wishes';
import { useCutPlan } from '../../week/use-cut-plan';
import { Uncut } from './uncut';

/** Choose pieces and numbers; the plan of the cuts follows at once, and gets better while it is looked at. */
export function PlanCuttingPage() {
  const units = useUnits();
  const hand = useHand();
  const navigate = useNavigate();
  const { data: pieces } = useAllPieces();
  const ordered = useOrderedWishes();
  const [chosen, setChosen] = useState<readonly Wish[] | null>(null);
  const wishes = chosen ?? ordered ?? NONE;
  const [name, setName] = useState('');
  const [oneDyeLot, setOneDyeLot] = useState(true);
  const demand = useMemo(() => demandOf(wishes, hand), [wishes, hand]);
  const keys = useMemo(() => [...demand.cords.keys()].sort(), [demand]);
  const { data: stock } = useLotsOf(keys);
  const cuts = useMemo(
    () => (demand.cuts.length > 0 ? demand.cuts.map((cut) => wantedCut(cut, oneDyeLot)) : null),
    [demand, oneDyeLot],
  );
  const lots = useMemo(() => stock?.map(cordLot), [stock]);
  const { plan, busy, error, stop } = useCutPlan(cuts, lots);
  const begin = useBeginCutting();
  const start = async (): Promise<void> => {
    if (!plan) return;
    const session: CuttingSessionDto = {
      name: name.trim() || nameOf(wishes),
      cuts: [...demand.cuts],
      lots: plan.lots.map(({ lot, cuts: own }) => ({ lot, cuts: own.map(({ id }) => id) })),
      proof: plan.proof,
      oneDyeLot,
    };
    const view = await begin.mutateAsync(session);
    await navigate(`/cutting/${view.id}`);
  };
  return (
    <Page>
      <PageHead title="Plan a cutting session">
        <Button
          variant="solid"
          onClick={() => void start()}
          disabled={!plan || plan.lots.length === 0 || begin.isPending}
        >
          <Scissors size={18} /> Begin to cut
        </Button>
      </PageHead>
      <Grid templateColumns={{ base: '1fr', lg: '340px 1fr' }} gap={{ base: '8', lg: '12' }}>
        <Box>
          <Heading as="h2" fontSize="lg" mb="3">
            What is to be cut
          </Heading>
          <PickPieces pieces={pieces ?? []} wishes={wishes} onChange={setChosen} />
          <Flex direction="column" gap="4" mt="6">
            <TickField
              label="Cuts of one piece in one colour from one dye lot"
              checked={oneDyeLot}
              onChange={setOneDyeLot}
            />
            <TextRow
              label="Name of the session"
              value={name}
              placeholder={nameOf(wishes)}
              maxLength={120}
              onChange={(event) => setName(event.target.value)}
            />
          </Flex>
          {demand.unplanned.length > 0 && (
            <Text color="warn" mt="4">
              Cannot be planned as they are: {demand.unplanned.join(', ')}.
            </Text>
          )}
        </Box>
        <Box minW="0">
          {cuts === null ? (
            <Text color="muted">Choose a piece: the plan of its cuts appears here.</Text>
          ) : plan ? (
            <>
              <Flex gap="4" align="baseline" flexWrap="wrap" mb="6" aria-live="polite">
                <Box flex="1" minW="240px">
                  <Text fontSize="xl" fontWeight="600" data-testid="proof">
                    {sayProof(plan, busy)}
                  </Text>
                  <Text color="muted">
                    {demand.cuts.length - plan.uncut.length} cuts, {units.cord(plan.cut)} from{' '}
                    {plan.lots.length} {plan.lots.length === 1 ? 'lot' : 'lots'};{' '}
                    {plan.waste > 0.5 ? `${units.cord(plan.waste)} of waste` : 'nothing wasted'}
                    {plan.opened > 0 &&
                      `; ${plan.opened} whole ${plan.opened === 1 ? 'one is' : 'ones are'} begun`}
                  </Text>
                </Box>
                {busy && (
                  <Button onClick={stop}>
                    <Square size={16} /> Stop looking
                  </Button>
                )}
              </Flex>
              <Uncut plan={plan} cuts={demand.cuts} cords={demand.cords} />
              <CutBars
                cuts={demand.cuts}
                lots={plan.lots.map(({ lot, cuts: own }) => ({
                  lot,
                  cuts: own.map(({ id }) => id),
                }))}
                stock={stock ?? []}
              />
            </>
          ) : error ? (
            <Text color="danger" role="alert">
              No plan was found: {error.message}. Choose fewer pieces and try again.
            </Text>
          ) : (
            <Loading what="Laying the cuts over your lots" />
          )}
          {begin.error && (
            <Text color="danger" role="alert" mt="4">
              {begin.error.message}
            </Text>
          )}
        </Box>
      </Grid>
    </Page>
  );
}

const NONE: readonly Wish[] = [];

const nameOf = (wishes: readonly Wish[]): string =>
  wishes
    .slice(0, 3)
    .map(({ name, number }) => (number > 1 ? `${number} × ${name}` : name))
    .join('; ')
    .slice(0, 110) || 'Cutting';

/** How good the plan is, in words. */
function sayProof({ proof }: CutPlan, busy: boolean): string {
  if (proof.kind === 'proven') return 'Proven: no better way';
  const percent = proof.share * 100;
  const within = percent < 0.1 ? 'less than 0.1 %' : `${percent.toFixed(1)} %`;
  return busy
    ? `Within ${within} of the best; still looking`
    : `Within ${within} of the best there can be`;
}
