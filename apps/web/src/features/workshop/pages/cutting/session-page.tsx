import { Box, Flex, Text } from '@chakra-ui/react';
import type { CutDto, CuttingView, LotView } from '@coiled-strand/contract';
import { Check, Printer, Undo2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { Changeable, ForMakers } from '../../../../ui/frame/for-makers';
import { ApiError } from '../../../../data/api/client';
import {
  useCloseCutting,
  useCutMade,
  useCutting,
  useLotsOf,
  useUndoMovement,
} from '../../../../data/api/week-queries';
import { LengthField } from '../../../../ui/fields/length-field';
import { SelectField } from '../../../../ui/fields/select-field';
import { Page, PageHead } from '../../../../ui/frame/page';
import { useUnits } from '../../../../ui/settings/use-units';
import { Button } from '../../../../ui/shell/button';
import { AskDialog } from '../../../../ui/shell/ask-dialog';
import { Fault, Loading } from '../../../../ui/shell/states';
import { toaster } from '../../../../ui/shell/toaster';
import { CutBars } from '../../stock/cut-bars';
import { lotChoice } from '../../stock/words';
import '../../../../ui/settings/print.css';

/** A session at the board: cut, tick, and what was cut differently is written down as it was. */
export function SessionPage() {
  const { id = '' } = useParams();
  const session = useCutting(id);
  return (
    <Page>
      {session.data ? (
        <Session session={session.data} />
      ) : session.error ? (
        <Fault error={session.error} onRetry={() => void session.refetch()} />
      ) : (
        <Loading what="Laying the cuts out" />
      )}
    </Page>
  );
}

function Session({ session }: { readonly session: CuttingView }) {
  const units = useUnits();
  const keys = useMemo(
    () => [...new Set(session.cuts.map(({ thing }) => thing))].sort(),
    [session.cuts],
  );
  const { data: stock = [] } = useLotsOf(keys);
  const close = useCloseCutting();
  const [other, setOther] = useState<{ readonly cut: CutDto; readonly lot: LotView } | null>(null);
  const made = new Map(session.made.map((one) => [one.cut, one]));
  const left = session.cuts.length - made.size;
  const planned = new Set(session.lots.flatMap(({ cuts }) => cuts));
  const unplanned = session.cuts.filter(({ id }) => !planned.has(id) && !made.has(id));
  const before = (lot: LotView): number =>
    lot.left +
    session.made.filter((one) => one.lot === lot.id).reduce((sum, { length }) => sum + length, 0);
  return (
    <>
      <PageHead
        title={session.name}
        about={
          session.closedAt !== null
            ? `Closed, ${made.size} of ${session.cuts.length} cut`
            : left === 0
              ? 'All cut'
              : `${left} of ${session.cuts.length} still to cut`
        }
      >
        <Button onClick={() => window.print()}>
          <Printer size={18} /> Print
        </Button>
        <ForMakers>
          {' '}
          {session.closedAt === null && (
            <Button
              variant={left === 0 ? 'solid' : 'line'}
              onClick={() => close.mutate(session.id)}
              disabled={close.isPending}
            >
              {left === 0 ? 'Done' : 'Close it as it is'}
            </Button>
          )}
        </ForMakers>
      </PageHead>
      <Changeable>
        {' '}
        <CutBars
          cuts={session.cuts}
          lots={session.lots}
          stock={stock}
          before={before}
          isMade={(cut) => made.has(cut)}
          row={(cut, lot) =>
            session.closedAt === null && (
              <CutTick
                session={session}
                cut={cut}
                lot={lot}
                onOther={() => setOther({ cut, lot })}
              />
            )
          }
        />
      </Changeable>
      {unplanned.length > 0 && (
        <Box mt="8" maxW="64ch">
          <Text fontWeight="600">Not in the plan</Text>
          <Text color="muted">
            No lot could give these when it was planned:{' '}
            {unplanned
              .map(
                ({ piece, role, length }) =>
                  `${units.cord(length)} for ${piece} (${role.toLowerCase()})`,
              )
              .join(', ')}
            . Buy the cord and plan another session for them.
          </Text>
        </Box>
      )}
      {other && (
        <OtherwiseDialog
          session={session}
          {...other}
          lots={stock.filter(({ key }) => key === other.cut.thing)}
          onClose={() => setOther(null)}
        />
      )}
    </>
  );
}

interface TickProps {
  readonly session: CuttingView;
  readonly cut: CutDto;
  readonly lot: LotView;
  /** It was cut otherwise than planned. */
  readonly onOther: () => void;
}

function CutTick({ session, cut, lot, onOther }: TickProps) {
  const units = useUnits();
  const cutMade = useCutMade(session.id);
  const undo = useUndoMovement();
  const made = session.made.find((one) => one.cut === cut.id);
  const say = (error: Error): void => {
    toaster.create({
      title: error instanceof ApiError ? `${error.message} ${error.body.remedy}` : error.message,
    });
  };
  if (made) {
    const otherwise = made.lot !== lot.id || Math.abs(made.length - cut.length) > 0.5;
    return (
      <Flex align="center" gap="2" className="no-print">
        <Text fontSize="sm">{otherwise ? `cut: ${units.cord(made.length)}` : 'cut'}</Text>
        <Button
          variant="bare"
          size="icon"
          aria-label={`Take back: ${cut.piece}, ${cut.role}`}
          title="Take it back"
          disabled={undo.isPending}
          onClick={() => undo.mutate(made.movement, { onError: say })}
        >
          <Undo2 size={18} />
        </Button>
      </Flex>
    );
  }
  return (
    <Flex gap="2" className="no-print">
      <Button
        minH="44px"
        disabled={cutMade.isPending}
        aria-label={`Cut: ${cut.piece}, ${cut.role}`}
        onClick={() =>
          cutMade.mutate({ cut: cut.id, lot: lot.id, length: cut.length }, { onError: say })
        }
      >
        <Check size={18} /> Cut
      </Button>
      <Button variant="text" fontSize="sm" onClick={onOther}>
        otherwise
      </Button>
    </Flex>
  );
}

interface OtherwiseProps extends Omit<TickProps, 'onOther'> {
  readonly lots: readonly LotView[];
  readonly onClose: () => void;
}

/** A cut that was made from another lot, or longer or shorter. */
function OtherwiseDialog({ session, cut, lot, lots, onClose }: OtherwiseProps) {
  const units = useUnits();
  const cutMade = useCutMade(session.id);
  const [from, setFrom] = useState(lot.id);
  const [length, setLength] = useState(cut.length);
  const save = async (): Promise<void> => {
    await cutMade.mutateAsync({ cut: cut.id, lot: from, length });
    onClose();
  };
  return (
    <AskDialog
      onClose={onClose}
      title={`${cut.piece}: ${cut.role.toLowerCase()}`}
      description="As it was cut."
      action="Write it down"
      doing={[cutMade]}
      onDo={save}
    >
      <Flex direction="column" gap="4">
        <SelectField
          label="From"
          value={from}
          options={lots.map((one) => ({ value: one.id, label: lotChoice(one, units) }))}
          onChange={setFrom}
        />
        <LengthField label="Length" value={length} unit={units.cordUnit} onChange={setLength} />
        {length < cut.length - 0.5 && (
          <Text color="warn">
            {units.cord(cut.length - length)} shorter than planned: it may not last.
          </Text>
        )}
      </Flex>
    </AskDialog>
  );
}
