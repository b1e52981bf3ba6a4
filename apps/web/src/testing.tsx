import { ChakraProvider } from '@chakra-ui/react';
import type {
  BeadView,
  CordView,
  FittingView,
  PieceView,
  WorkshopView,
} from '@coiled-strand/contract';
import type { Piece } from '@coiled-strand/core';
import { PRICING } from '@coiled-strand/workshop';
import { QueryClientProvider } from '@tanstack/react-query';
import { render, type RenderResult } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, Outlet, Route, Routes } from 'react-router';
import { handQuery, keys, queryClient } from './data/api/queries';
import type { BenchFrame } from './features/piece/bench/bench';
import { useSelection } from './features/piece/bench/selection-store';
import type { StageContext } from './features/piece/piece/stage-context';
import { emptyOutbox } from './data/outbox/testing';
import { usePiece } from './features/piece/piece/piece-store';
import type { Make } from './features/make/make/use-make';
import { usePlan } from './features/piece/piece/use-plan';
import { system } from './ui/theme/system';

export const SETTINGS: WorkshopView['settings'] = {
  unit: 'cm',
  cordUnit: 'ft',
  step: 25.4,
  confidence: 0.95,
  practice: 'practised',
  ends: { melts: 'singe', burns: 'glue', leather: 'glue' },
  hand: 'right',
};

/** Every evening from seven to nine. */
export const WEEK: WorkshopView['week'] = {
  zone: 'Europe/Oslo',
  days: Array.from({ length: 7 }, () => ({ hours: [{ from: 19 * 60, to: 21 * 60 }] })),
  off: [],
  longest: 120,
  pins: [],
};

/** A request that changes something. */
export interface Sent {
  readonly path: string;
  readonly body: unknown;
}

/** Nothing lies in the drawers, and everything else is as it was asked. */
const usual = (path: string): unknown =>
  path.endsWith('/of-things') || path.endsWith('/knots') ? [] : {};

/** Answers every request, and keeps those that change something. @param answer what is told of a path */
export function listen(answer: (path: string) => unknown = usual): Sent[] {
  const sent: Sent[] = [];
  globalThis.fetch = ((path: string, init?: RequestInit) => {
    if (init?.method && init.method !== 'GET') {
      sent.push({ path, body: init.body ? (JSON.parse(init.body as string) as unknown) : null });
    }
    return Promise.resolve({
      ok: true,
      status: 200,
      text: () => Promise.resolve(JSON.stringify(answer(path))),
    } as Response);
  }) as typeof fetch;
  return sent;
}

/** Renders a part of the page as it stands in a workshop with these settings. */
export function renderIn(
  settings: Partial<WorkshopView['settings']>,
  node: ReactNode,
  { cords = [], beads = [], fittings = [] }: Stash = {},
): RenderResult {
  queryClient.clear();
  queryClient.setQueryDefaults(keys.workshop, { staleTime: Infinity });
  queryClient.setQueryData<WorkshopView>(keys.workshop, {
    name: 'Test bench',
    maker: '',
    settings: { ...SETTINGS, ...settings },
    week: WEEK,
    pricing: PRICING,
    etags: { settings: 's', week: 'w', pricing: 'p' },
  });
  for (const [key, value] of [
    [keys.cords, cords],
    [keys.beads, beads],
    [keys.fittings, fittings],
    [keys.wearers, []],
    [keys.knots, []],
    [keys.hand, { hand: [], lessons: [], setAside: [] }],
    [handQuery.queryKey, []],
  ] as const) {
    queryClient.setQueryDefaults(key, { staleTime: Infinity });
    queryClient.setQueryData(key, value);
  }
  return render(
    <ChakraProvider value={system}>
      <QueryClientProvider client={queryClient}>{node}</QueryClientProvider>
    </ChakraProvider>,
  );
}

/** The bench as it is looked at: 4 pixels to the millimetre, from 20 mm before nought on. */
export const BENCH_FRAME: BenchFrame = {
  scale: 4,
  x: -20,
  width: 900,
  height: 300,
  middle: 150,
  top: 46,
  from: -Infinity,
  to: Infinity,
  skips: null,
};

/** What lies in the drawers of the workshop that a part of the page is shown in. */
export interface Stash {
  readonly cords?: readonly CordView[];
  readonly beads?: readonly BeadView[];
  readonly fittings?: readonly FittingView[];
}

export const viewOf = (piece: Piece): PieceView => ({
  id: 'piece-1',
  version: 1,
  piece,
  changedBy: null,
  updatedAt: '2026-01-01T00:00:00Z',
  make: null,
  underWay: 0,
  logged: 0,
  tags: [],
});

/** The piece on the bench as it is now. */
export function pieceNow(): Piece {
  const piece = usePiece.getState().history?.now;
  if (!piece) throw new Error('no piece is open');
  return piece;
}

function Stage({ view, make }: { readonly view: PieceView; readonly make: Make | null }) {
  const { piece, plan } = usePlan();
  const context: StageContext = { view, piece, plan, make, makeComes: false };
  return <Outlet context={context} />;
}

/** Renders a part of a stage as it stands for a piece on the bench, which it may edit. */
export function renderStage(
  piece: Piece,
  node: ReactNode,
  stash: Stash = {},
  make: Make | null = null,
): RenderResult {
  emptyOutbox();
  usePiece.getState().close();
  useSelection.setState({ part: null, pane: 'part', drop: null, lanes: false });
  const view = viewOf(piece);
  usePiece.getState().open(view);
  return renderIn(
    {},
    <MemoryRouter initialEntries={['/pieces/piece-1/layout']}>
      <Routes>
        <Route path="/pieces/:id" element={<Stage view={view} make={make} />}>
          <Route path="layout" element={node} />
        </Route>
      </Routes>
    </MemoryRouter>,
    stash,
  );
}
