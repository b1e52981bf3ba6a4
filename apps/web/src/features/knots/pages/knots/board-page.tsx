import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import type { KnotView } from '@coiled-strand/contract';
import {
  boardFaults,
  crossings as crossingsOf,
  inMirror,
  KNOWN_KNOTS,
  turnOver,
  withCord,
  type Board,
} from '@coiled-strand/core';
import { Eraser, FlipHorizontal2, Redo2, Undo2 } from 'lucide-react';
import { useId, useMemo, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { ApiError } from '../../../../data/api/client';
import { useAddKnot, useChangeKnot, useKnots } from '../../../../data/api/knot-queries';
import { BoardCanvas } from '../../board/board-canvas';
import { CordsList } from '../../board/cords-list';
import { TightPane } from '../../board/tight-pane';
import { useTight } from '../../board/use-tight';
import { crossingWords } from '../../board/words';
import { TextRow } from '../../../../ui/fields/text-row';
import { Changeable, ForMakers } from '../../../../ui/frame/for-makers';
import { NotFound } from '../../../../ui/frame/not-found';
import { Page, PageHead } from '../../../../ui/frame/page';
import { begin, edit, redo, undo, type History } from '../../../piece/piece/history';
import { Button } from '../../../../ui/shell/button';
import { Fault, Loading } from '../../../../ui/shell/states';
import { toaster } from '../../../../ui/shell/toaster';
import { ToolButton } from '../../../../ui/shell/tool-button';
import { useHotkeys } from '../../../../ui/shell/use-hotkeys';

const BLANK: Board = { cords: [], turned: [] };

/** A knot on its board: a new one, one that is known, or one of the workshop’s. */
export function BoardPage() {
  const { id } = useParams();
  const [asked] = useSearchParams();
  const knots = useKnots();
  if (!knots.data) {
    return (
      <Page>
        {knots.error ? (
          <Fault error={knots.error} onRetry={() => void knots.refetch()} />
        ) : (
          <Loading what="Fetching the board" />
        )}
      </Page>
    );
  }
  const stored = knots.data.find((knot) => knot.id === id);
  if (id !== undefined && !stored) return <NotFound />;
  const copied = knots.data.find((knot) => knot.id === asked.get('copy'));
  const known = KNOWN_KNOTS.find((knot) => knot.id === asked.get('from'));
  const start = stored?.value.board ?? copied?.value.board ?? known?.board ?? BLANK;
  const key = stored?.id ?? copied?.id ?? known?.id ?? 'blank';
  return (
    <BoardAtWork
      key={key}
      start={start}
      name={stored?.value.name ?? (copied ? `${copied.value.name}, changed` : '')}
      stored={stored ?? null}
      knots={knots.data}
    />
  );
}

interface WorkProps {
  readonly start: Board;
  readonly name: string;
  readonly stored: KnotView | null;
  readonly knots: readonly KnotView[];
}

function BoardAtWork({ start, name: called, stored, knots }: WorkProps) {
  const [past, setPast] = useState<History<Board>>(() => begin(start));
  const [name, setName] = useState(called);
  const [said, setSaid] = useState('');
  const how = useId();
  const board = past.now;
  const change = (next: Board, mergeKey?: string): void =>
    setPast((old) => edit(old, next, mergeKey));
  const back = (): void => setPast(undo);
  const forth = (): void => setPast(redo);
  useHotkeys({ 'Ctrl+z': back, 'Ctrl+Shift+z': forth, 'Ctrl+y': forth });
  const crossings = useMemo(() => crossingsOf(board), [board]);
  const [fault] = board.cords.length > 0 ? boardFaults(board) : [];
  const tight = useTight(board);
  const own = useMemo(
    () =>
      knots
        .filter((knot) => knot.id !== stored?.id)
        .map(({ value }) => ({ name: `your “${value.name}”`, board: value.board })),
    [knots, stored],
  );
  const wrong = tight.verdict?.how === 'overlaps' ? tight.verdict.at : null;
  return (
    <Page>
      <PageHead
        title={stored ? stored.value.name : 'A knot of your own'}
        about="Draw each cord from where it comes in to where it goes out; what is drawn later lies on top. Tap a crossing to turn it over."
      />
      <Changeable>
        <Grid
          templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 3fr) minmax(0, 2fr)' }}
          templateAreas={{
            base: `'board' 'tight' 'cords'`,
            lg: `'board tight' 'cords tight'`,
          }}
          templateRows={{ lg: 'auto 1fr' }}
          columnGap="6"
          rowGap="4"
          alignItems="start"
        >
          <Box gridArea="board">
            <Box
              h={{ base: '58vw', md: '420px' }}
              minH="260px"
              css={{ '& > div': { height: '100%' } }}
            >
              <BoardCanvas
                board={board}
                crossings={crossings}
                wrong={wrong ? [wrong[0], wrong[1]] : null}
                describedBy={how}
                onCord={(cord) => {
                  change(withCord(board, cord));
                  setSaid(`Cord ${board.cords.length + 1} is drawn.`);
                }}
                onTurn={(crossing) => change(turnOver(board, crossing))}
                onSay={setSaid}
              />
            </Box>
            <Flex gap="1" mt="2" align="center" flexWrap="wrap">
              <ToolButton
                label="Undo"
                hotkey="Ctrl Z"
                disabled={past.past.length === 0}
                onClick={back}
              >
                <Undo2 size={18} />
              </ToolButton>
              <ToolButton
                label="Redo"
                hotkey="Ctrl Y"
                disabled={past.future.length === 0}
                onClick={forth}
              >
                <Redo2 size={18} />
              </ToolButton>
              <Button
                variant="bare"
                disabled={board.cords.length === 0}
                onClick={() => change(inMirror(board))}
              >
                <FlipHorizontal2 size={18} /> For the other hand
              </Button>
              <Button
                variant="bare"
                disabled={board.cords.length === 0}
                onClick={() => change(BLANK)}
              >
                <Eraser size={18} /> Wipe the board
              </Button>
            </Flex>
            <Text id={how} fontSize="sm" color="muted" mt="2">
              By keys: arrows move the pencil, Enter puts a point, Enter on the same point ends the
              cord, Backspace takes the last point back, Escape drops the cord. Tab goes from
              crossing to crossing.
            </Text>
            <Text role="status" fontSize="sm" mt="1" minH="1.4em">
              {fault ? fault.message : said}
            </Text>
          </Box>
          <Box gridArea="tight">
            <TightPane board={board} tight={tight} own={own} />
            <ForMakers>
              <Keep board={board} name={name} onName={setName} stored={stored} tight={tight} />
            </ForMakers>
          </Box>
          <Box gridArea="cords">
            <CordsList board={board} onEdit={change} />
            {crossings.length > 0 && (
              <Box as="details" mt="3">
                <Box as="summary" cursor="pointer" py="1">
                  {crossings.length === 1 ? 'The crossing' : `The ${crossings.length} crossings`} in
                  words
                </Box>
                <Box as="ol" pl="0" m="0" listStyleType="none">
                  {crossings.map((one, i) => (
                    <Flex as="li" key={one.name} align="center" gap="3" py="1">
                      <Text flex="1">{crossingWords(one, i, board.cores)}</Text>
                      <Button variant="text" onClick={() => change(turnOver(board, one.name))}>
                        Turn it over
                      </Button>
                    </Flex>
                  ))}
                </Box>
              </Box>
            )}
          </Box>
        </Grid>
      </Changeable>
    </Page>
  );
}

interface KeepProps {
  readonly board: Board;
  readonly name: string;
  readonly onName: (name: string) => void;
  readonly stored: KnotView | null;
  readonly tight: ReturnType<typeof useTight>;
}

/** Gives the knot a name and keeps it; one that was changed elsewhere meanwhile can be kept beside that. */
function Keep({ board, name, onName, stored, tight }: KeepProps) {
  const navigate = useNavigate();
  const add = useAddKnot();
  const change = useChangeKnot();
  /** The version that was opened: what is kept says from which it was made. */
  const [from] = useState(stored?.version ?? 0);
  const [version, setVersion] = useState(from);
  const holds = tight.verdict?.how === 'holds' ? tight.verdict.tight : null;
  const clean = name.trim();
  const error = stored ? change.error : add.error;
  const elsewhere = error instanceof ApiError && error.status === 409;
  const body = () => ({
    name: clean,
    board: board as never,
    tight: holds as never,
  });
  const keepNew = async (): Promise<void> => {
    const kept = await add.mutateAsync(body()).catch(() => null);
    if (!kept) return;
    toaster.create({ title: `“${clean}” is among your knots.`, type: 'success' });
    void navigate(`/knots/${kept.id}`);
  };
  const keep = async (): Promise<void> => {
    if (!stored) return keepNew();
    const kept = await change.mutateAsync({ id: stored.id, version, ...body() }).catch(() => null);
    if (!kept) return;
    setVersion(kept.version);
    toaster.create({ title: `“${clean}” is kept.`, type: 'success' });
  };
  const busy = add.isPending || change.isPending;
  return (
    <Box
      mt="5"
      as="form"
      onSubmit={(event: { preventDefault: () => void }) => event.preventDefault()}
    >
      <TextRow
        label="What it is called"
        value={name}
        maxLength={60}
        onChange={(event) => onName(event.target.value)}
      />
      <Flex gap="3" mt="3" flexWrap="wrap" align="center">
        <Button
          variant="solid"
          disabled={!holds || clean === '' || busy}
          onClick={() => void keep()}
        >
          {stored ? 'Keep the change' : 'Keep it'}
        </Button>
        {stored && (
          <Button disabled={!holds || clean === '' || busy} onClick={() => void keepNew()}>
            Keep it as another
          </Button>
        )}
      </Flex>
      <Text fontSize="sm" color="muted" mt="2">
        {holds
          ? 'Then it is in “Add a part” on every bench. Pieces that have it keep it as it was.'
          : 'It can be kept once it holds.'}
      </Text>
      {error && (
        <Text color="danger" role="alert" mt="2">
          {error.message} {error instanceof ApiError && error.body.remedy}{' '}
          {elsewhere && 'Yours is still on the board.'}
        </Text>
      )}
    </Box>
  );
}
